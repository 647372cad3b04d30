package org.gullyrun.desktop.state;

/**
 * How the window looks.
 *
 * @param night whether the night sheet is on
 * @param textScale the size of text, 1 for 100 %
 */
public record Look(boolean night, double textScale) {
    static final Look USUAL = new Look(false, 1);
}
