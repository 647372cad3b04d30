package org.gullyrun.lab;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * Times of frames, each with whether the host of a virtual machine took a processor away meanwhile: what is late then is
 * late for that, and measured again says something else.
 */
public final class Times {
    private static final Path STAT = Path.of("/proc/stat");
    /** Where in the first line of {@link #STAT} the ticks stand that a host has taken away; see proc(5), "steal". */
    private static final int STOLEN = 8;

    private record Taken(double ms, boolean disturbed) {}

    private final List<Taken> all = new ArrayList<>();
    private long began;
    private long stolen;

    /** Something begins that is to be timed. */
    void begin() {
        stolen = stolen();
        began = System.nanoTime();
    }

    /** It has ended; whether it counts. */
    void end(boolean counts) {
        double ms = (System.nanoTime() - began) / 1e6;
        if (counts) {
            all.add(new Taken(ms, stolen() > stolen));
        }
    }

    /** Ticks of a hundredth of a second; 0 where the system does not tell. */
    private static long stolen() {
        try (var lines = Files.lines(STAT)) {
            String[] figures = lines.findFirst().orElse("").trim().split("\\s+");
            return figures.length > STOLEN ? Long.parseLong(figures[STOLEN]) : 0;
        } catch (IOException | NumberFormatException e) {
            return 0;
        }
    }

    /** Each, in the order in which they were taken, ms. */
    public String sayEach() {
        return all.stream()
                .map(t -> String.format(Locale.ROOT, "%.0f", t.ms()))
                .collect(java.util.stream.Collectors.joining(" "));
    }

    /** Half, nine in ten and the longest of all, and the longest of those that nothing outside the program delayed. */
    public String say() {
        List<Taken> sorted =
                all.stream().sorted(Comparator.comparingDouble(Taken::ms)).toList();
        List<Taken> calm = sorted.stream().filter(t -> !t.disturbed()).toList();
        String said = String.format(
                Locale.ROOT,
                "half within %.1f ms, nine in ten within %.1f ms, longest %.1f ms",
                sorted.get(all.size() / 2).ms(),
                sorted.get(all.size() * 9 / 10).ms(),
                sorted.getLast().ms());
        return all.size() + ": " + said
                + (calm.size() == all.size() || calm.isEmpty()
                        ? ""
                        : String.format(
                                Locale.ROOT,
                                "; longest of the %d during which no processor was taken away %.1f ms",
                                calm.size(),
                                calm.getLast().ms()));
    }
}
