package org.gullyrun.sound;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.Line;
import javax.sound.sampled.Mixer;
import javax.sound.sampled.SourceDataLine;
import javax.sound.sampled.TargetDataLine;
import org.gullyrun.core.inventory.FoundDevice;
import org.gullyrun.core.rig.Devices.Direction;

/** The sound devices of this computer as Java sees them. Nothing is opened, so nothing is disturbed. */
public final class ComputerDevices {
    private ComputerDevices() {}

    /** All of them, playback before recording, each in the order of the system; empty where there are none. */
    public static List<FoundDevice> list() {
        List<FoundDevice> found = new ArrayList<>();
        for (Mixer.Info info : AudioSystem.getMixerInfo()) {
            Mixer mixer = AudioSystem.getMixer(info);
            add(info, mixer.getSourceLineInfo(), SourceDataLine.class, Direction.PLAYBACK, found);
            add(info, mixer.getTargetLineInfo(), TargetDataLine.class, Direction.RECORDING, found);
        }
        found.sort(java.util.Comparator.comparing(FoundDevice::direction));
        return List.copyOf(found);
    }

    /** Adds a device for each direction that a system device has. */
    private static void add(
            Mixer.Info info, Line.Info[] lines, Class<?> wanted, Direction direction, List<FoundDevice> into) {
        TreeSet<Double> rates = new TreeSet<>();
        int bits = 0;
        int channels = 0;
        boolean any = false;
        for (Line.Info line : lines) {
            if (line instanceof DataLine.Info data && wanted.isAssignableFrom(data.getLineClass())) {
                any = true;
                for (AudioFormat format : data.getFormats()) {
                    if (format.getSampleRate() != AudioSystem.NOT_SPECIFIED) {
                        rates.add((double) format.getSampleRate());
                    }
                    bits = Math.max(bits, format.getSampleSizeInBits());
                    channels = Math.max(channels, format.getChannels());
                }
            }
        }
        if (any) {
            into.add(new FoundDevice(
                    info.getName().strip(), direction, List.copyOf(rates), Math.max(0, bits), Math.max(0, channels)));
        }
    }
}
