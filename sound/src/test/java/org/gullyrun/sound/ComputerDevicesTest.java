package org.gullyrun.sound;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.gullyrun.core.inventory.FoundDevice;
import org.gullyrun.core.rig.Devices.Direction;
import org.junit.jupiter.api.Test;

/** Devices of the computer, by a provider that stands in for the hardware. */
class ComputerDevicesTest {
    @Test
    void devicesAreListedWithDirectionRatesAndFormatsAndNothingIsOpened() {
        List<FoundDevice> found = ComputerDevices.list();
        assertTrue(found.contains(
                new FoundDevice("Tern headset", Direction.PLAYBACK, List.of(44_100.0, 48_000.0), 24, 2)));
        assertTrue(found.contains(new FoundDevice("Larch boom", Direction.RECORDING, List.of(48_000.0), 16, 1)));
        List<Direction> directions = found.stream().map(FoundDevice::direction).toList();
        assertEquals(directions.stream().sorted().toList(), directions, "playback before recording");
    }
}
