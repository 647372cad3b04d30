package org.gullyrun.desktop.state;

/** What the map shows of the rig. */
public enum Lens {
    /** How loud it is: channels are as wide as their level. */
    LEVELS,
    /** At which rates things run: channels tell where rates meet, devices which clock they run off. */
    RATES
}
