package org.gullyrun.core.inventory;

import java.util.List;
import org.gullyrun.core.rig.Devices.Direction;

/**
 * A device as a computer tells of it.
 *
 * @param name its name in the system
 * @param direction whether one plays to it or records from it
 * @param rates the rates it offers, in Hz, lowest first; empty if it offers any
 * @param bits its greatest bit depth, 0 if not told
 * @param channels its most channels, 0 if not told
 */
public record FoundDevice(String name, Direction direction, List<Double> rates, int bits, int channels) {
    public FoundDevice {
        rates = List.copyOf(rates);
    }
}
