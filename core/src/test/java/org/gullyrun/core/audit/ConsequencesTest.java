package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.gullyrun.core.SmallRig;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.junit.jupiter.api.Test;

/** What is silent only because a mixer is stopped is no finding of its own; what would be silent anyway is. */
class ConsequencesTest {
    private static Rig rig(boolean running) {
        SmallRig rig = new SmallRig()
                .device("speakers", Direction.PLAYBACK)
                .device("empty", Direction.RECORDING)
                .source("voice", SourceClass.VOICE, -20)
                .ears("ears", "speakers")
                .with(Element.of(Kind.MIXER, "mix")
                        .with(Mixers.RUNNING, running)
                        .with(Mixers.LATENCY, 0.0))
                .with(Element.of(Kind.BUS, "out")
                        .with(Mixers.BUS_OF, "mix")
                        .with(Mixers.TARGET, Choice.to("speakers")));
        for (String feed : new String[] {"mic-voice", "empty"}) {
            rig.with(Element.of(Kind.STRIP, "strip-" + feed)
                    .with(Mixers.STRIP_OF, "mix")
                    .with(Mixers.FEED, Choice.to(feed))
                    .with(Mixers.CROSSING.of("out"), true));
        }
        return rig.rig();
    }

    private static Set<String> found(Rig rig, boolean must) {
        Brief brief = must ? Brief.EMPTY.with(new Brief.Cell("voice", "ears", ""), Wish.MUST) : Brief.EMPTY;
        return RuleCatalogue.usual().read(rig, brief).findings().stream()
                .filter(f -> f.rule().startsWith("capture.") || f.rule().startsWith("engine."))
                .map(Finding::identity)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    @Test
    void aStripOfAStoppedMixerIsSilentBecauseOfThat() {
        assertEquals(Set.of("engine.down:mix", "capture.idle:strip-empty"), found(rig(false), true));
        assertEquals(Set.of("capture.idle:strip-empty"), found(rig(true), true));
    }

    @Test
    void itIsSoWhetherOrNotSomebodyMissesIt() {
        assertEquals(Set.of("capture.idle:strip-empty"), found(rig(false), false));
    }
}
