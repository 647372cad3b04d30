package org.gullyrun.core.sample;

import java.util.Map;
import java.util.TreeMap;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;

/** What the sample show's listeners must, may and must never get. */
final class SampleBrief {
    private final Map<Brief.Cell, Wish> cells = new TreeMap<>();

    private SampleBrief() {}

    /** What everybody should hear in the sample show. */
    static Brief make() {
        SampleBrief b = new SampleBrief();
        b.set(Wish.MUST, "host-ears", "dome", "guests", "crew", "music", "charts", "clips", "chimes");
        b.set(Wish.MUST, "dome-ears", "host", "guests", "clips");
        b.set(Wish.NEVER, "dome-ears", "dome", "music", "charts", "crew");
        b.set(Wish.MUST, "call", "host", "dome", "music", "charts", "clips", "effects", "tracking");
        b.set(Wish.NEVER, "call", "guests");
        b.set(Wish.MUST, "crew-call", "host");
        for (String outlet : new String[] {"live", "archive", "relay"}) {
            b.set(Wish.MUST, outlet, "host", "dome", "guests", "charts", "clips", "chimes", "effects", "tracking");
            b.in("doors", Wish.MUST, outlet, "film");
        }
        b.set(Wish.MUST, "live", "music");
        b.set(Wish.MUST, "track-host", "host");
        b.set(Wish.MUST, "track-guests", "guests");
        b.set(Wish.MUST, "track-clips", "clips", "charts");
        b.set(Wish.MUST, "track-music", "music");
        return new Brief(b.cells, Map.of(), Map.of());
    }

    private void set(Wish wish, String outlet, String... sources) {
        in("", wish, outlet, sources);
    }

    private void in(String scene, Wish wish, String outlet, String... sources) {
        for (String source : sources) {
            cells.put(new Brief.Cell(source, outlet, scene), wish);
        }
    }
}
