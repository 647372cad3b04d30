package org.gullyrun.sound;

import java.util.Map;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.Control;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.Line;
import javax.sound.sampled.LineListener;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.Mixer;
import javax.sound.sampled.SourceDataLine;
import javax.sound.sampled.TargetDataLine;
import javax.sound.sampled.spi.MixerProvider;

/** Two made-up devices, listed by the system like real ones: where tests run there is no sound hardware. */
public final class StandInProvider extends MixerProvider {
    private static final class Named extends Mixer.Info {
        private Named(String name) {
            super(name, "Lantern Hill", "a stand-in", "1");
        }
    }

    private static final Map<String, Mixer> MIXERS = Map.of(
            "Tern headset",
            new StandIn(
                    new Named("Tern headset"),
                    new DataLine.Info(
                            SourceDataLine.class,
                            new AudioFormat[] {format(44_100, 16, 2), format(48_000, 24, 2)},
                            AudioSystem.NOT_SPECIFIED,
                            AudioSystem.NOT_SPECIFIED),
                    true),
            "Larch boom",
            new StandIn(
                    new Named("Larch boom"),
                    new DataLine.Info(
                            TargetDataLine.class,
                            new AudioFormat[] {format(48_000, 16, 1)},
                            AudioSystem.NOT_SPECIFIED,
                            AudioSystem.NOT_SPECIFIED),
                    false));

    private static AudioFormat format(float rate, int bits, int channels) {
        return new AudioFormat(rate, bits, channels, true, false);
    }

    @Override
    public Mixer.Info[] getMixerInfo() {
        return MIXERS.values().stream().map(Mixer::getMixerInfo).toArray(Mixer.Info[]::new);
    }

    @Override
    public Mixer getMixer(Mixer.Info info) {
        Mixer mixer = MIXERS.get(info.getName());
        if (mixer == null) {
            throw new IllegalArgumentException("not one of ours");
        }
        return mixer;
    }

    private record StandIn(Mixer.Info info, DataLine.Info line, boolean plays) implements Mixer {
        @Override
        public Info getMixerInfo() {
            return info;
        }

        @Override
        public Line.Info[] getSourceLineInfo() {
            return plays ? new Line.Info[] {line} : new Line.Info[0];
        }

        @Override
        public Line.Info[] getTargetLineInfo() {
            return plays ? new Line.Info[0] : new Line.Info[] {line};
        }

        @Override
        public Line.Info[] getSourceLineInfo(Line.Info of) {
            return getSourceLineInfo();
        }

        @Override
        public Line.Info[] getTargetLineInfo(Line.Info of) {
            return getTargetLineInfo();
        }

        @Override
        public boolean isLineSupported(Line.Info of) {
            return of.matches(line);
        }

        @Override
        public Line getLine(Line.Info of) throws LineUnavailableException {
            throw new LineUnavailableException("listing opens nothing");
        }

        @Override
        public int getMaxLines(Line.Info of) {
            return 1;
        }

        @Override
        public Line[] getSourceLines() {
            return new Line[0];
        }

        @Override
        public Line[] getTargetLines() {
            return new Line[0];
        }

        @Override
        public void synchronize(Line[] lines, boolean maintain) {
            throw new IllegalArgumentException("not here");
        }

        @Override
        public void unsynchronize(Line[] lines) {
            throw new IllegalArgumentException("not here");
        }

        @Override
        public boolean isSynchronizationSupported(Line[] lines, boolean maintain) {
            return false;
        }

        @Override
        public Line.Info getLineInfo() {
            return new Line.Info(Mixer.class);
        }

        @Override
        public void open() throws LineUnavailableException {
            throw new LineUnavailableException("listing opens nothing");
        }

        @Override
        public void close() {
            // nothing was opened
        }

        @Override
        public boolean isOpen() {
            return false;
        }

        @Override
        public Control[] getControls() {
            return new Control[0];
        }

        @Override
        public boolean isControlSupported(Control.Type type) {
            return false;
        }

        @Override
        public Control getControl(Control.Type type) {
            throw new IllegalArgumentException("none");
        }

        @Override
        public void addLineListener(LineListener listener) {
            // nothing ever happens to it
        }

        @Override
        public void removeLineListener(LineListener listener) {
            // none was added
        }
    }
}
