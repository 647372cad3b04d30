package org.gullyrun.core.compare;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.fix.WhatIf;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.flow.route.Route;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.runmap.MapDifference;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Differences of two readings: in words, in basins and on the map, held to what is read afresh. */
class DifferenceTest {
    private static final Case CASE = SampleShow.make();
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private static Reading reading(String survey) {
        return AUDIT.read(CASE.survey(survey).orElseThrow().rig(), CASE.brief());
    }

    private static Reading after(Reading now, Change change) {
        return AUDIT.read(Changes.apply(now.rig(), List.of(change)), CASE.brief());
    }

    private static Set<String> pairs(List<Difference.Heard> heard) {
        Set<String> pairs = new TreeSet<>();
        heard.forEach(h -> h.sources().forEach(source -> pairs.add(source + " at " + h.name())));
        return pairs;
    }

    @ParameterizedTest
    @ValueSource(strings = {SampleShow.KNOWN_GOOD, SampleShow.AS_FOUND})
    void whatIsToldIsWhatHappens(String survey) {
        Reading now = reading(survey);
        Rig rig = now.rig();
        List<WhatIf.Event> events = WhatIf.events(rig);
        for (int e = 0; e < events.size(); e += 3) {
            WhatIf.Event event = events.get(e);
            Reading then = after(now, event.change());
            Difference told = Difference.of(AUDIT, now, then, -1);
            Set<String> lost = new TreeSet<>();
            Set<String> gained = new TreeSet<>();
            for (int s = 0; s < rig.of(Kind.SOURCE).size(); s++) {
                for (int o = 0; o < rig.of(Kind.OUTLET).size(); o++) {
                    CellReading cell = now.scenes().getFirst().cell(s, o);
                    String pair = cell.source().name() + " at " + cell.outlet().name();
                    for (int i = 0; i < now.scenes().size(); i++) {
                        boolean before =
                                now.scenes().get(i).cell(s, o).delivery().arrives();
                        boolean after =
                                then.scenes().get(i).cell(s, o).delivery().arrives();
                        if (before != after) {
                            (before ? lost : gained).add(pair);
                        }
                    }
                }
            }
            assertEquals(lost, pairs(told.lost()), event.sentence());
            assertEquals(gained, pairs(told.gained()), event.sentence());
            assertEquals(titles(then, now), words(told.come()), event.sentence());
            assertEquals(titles(now, then), words(told.gone()), event.sentence());
        }
    }

    private static List<String> words(List<Finding> findings) {
        return findings.stream().map(f -> f.words().title()).toList();
    }

    /** What is in one reading and not in the other, or only less severe there; notes aside. */
    private static List<String> titles(Reading in, Reading not) {
        List<String> titles = new ArrayList<>();
        for (Finding finding : in.findings()) {
            boolean asBad = false;
            for (Finding other : not.findings()) {
                asBad |= other.identity().equals(finding.identity())
                        && other.severity().ordinal() <= finding.severity().ordinal();
            }
            if (finding.severity() != Severity.NOTE && !asBad) {
                titles.add(finding.words().title());
            }
        }
        return titles;
    }

    @ParameterizedTest
    @ValueSource(strings = {SampleShow.KNOWN_GOOD, SampleShow.AS_FOUND})
    void theMapDrawsEveryRouteThatCameOrWentAndNothingElse(String survey) {
        Reading now = reading(survey);
        List<WhatIf.Event> events = WhatIf.events(now.rig());
        for (int e = 0; e < events.size(); e += 13) {
            WhatIf.Event event = events.get(e);
            Reading then = after(now, event.change());
            MapDifference map = MapDifference.of(now, then, -1, List.of(event.change()), false);
            assertEquals(map.before().signature(), map.after().signature(), "nothing moves: " + event.sentence());
            assertEquals(routes(then, now), map.came(), event.sentence());
            assertEquals(routes(now, then), map.went(), event.sentence());
        }
    }

    /** The segments on routes of one reading that the same source doesn't take to any listener in the other. */
    private static Set<SegmentKey> routes(Reading in, Reading not) {
        Set<SegmentKey> only = new HashSet<>();
        for (int i = 0; i < in.scenes().size(); i++) {
            for (int s = 0; s < in.rig().of(Kind.SOURCE).size(); s++) {
                Set<SegmentKey> here = taken(in.scenes().get(i), s);
                here.removeAll(taken(not.scenes().get(i), s));
                only.addAll(here);
            }
        }
        return only;
    }

    /** Every segment on any route or loop by which a source gets to a listener. */
    private static Set<SegmentKey> taken(SceneReading scene, int source) {
        Set<SegmentKey> keys = new HashSet<>();
        for (int o = 0; o < scene.graph().outlets().length; o++) {
            for (Route route : scene.routes(scene.cell(source, o), 10_000).routes()) {
                route.segments().forEach(x -> keys.add(scene.graph().key(x)));
            }
        }
        // What a route feeds round a loop comes back into it.
        scene.loops().forEach(loop -> {
            boolean fed = loop.points().stream()
                    .anyMatch(p -> keys.stream()
                            .anyMatch(k -> k.to().equals(scene.graph().id(p))));
            boolean heard = loop.points().stream()
                    .anyMatch(p -> keys.stream()
                            .anyMatch(k -> k.from().equals(scene.graph().id(p))));
            if (fed && heard) {
                loop.segments().forEach(x -> keys.add(scene.graph().key(x)));
            }
        });
        return keys;
    }

    @Test
    void basinsMarkWhatCameWentAndMoved() {
        Reading now = reading(SampleShow.KNOWN_GOOD);
        Reading then = after(now, Change.set(now.rig(), "brookdesk", Mixers.RUNNING, false));
        List<HeardDifference> all = HeardDifference.all(Hearing.all(now, -1), Hearing.all(then, -1));
        HeardDifference ears = all.stream()
                .filter(h -> h.shown().name().equals("Host's ears"))
                .findFirst()
                .orElseThrow();
        assertTrue(ears.isWorse());
        List<String> went = new ArrayList<>();
        ears.shown().drops().forEach(d -> {
            if (ears.marks().get(d.source()).sort() == HeardDifference.Sort.WENT) {
                went.add(d.name());
            }
        });
        assertTrue(went.contains("Guests"), went.toString());
        assertEquals(went.size() + " gone", ears.caption());
        assertFalse(HeardDifference.plain(ears.shown()).isMarked());
        Reading same = AUDIT.read(now.rig(), CASE.brief());
        assertTrue(HeardDifference.all(Hearing.all(now, -1), Hearing.all(same, -1)).stream()
                .allMatch(h -> h.caption().isEmpty() && !h.isWorse()));
    }

    @Test
    void aRingStandsWhereSomethingWasChanged() {
        Reading now = reading(SampleShow.AS_FOUND);
        List<WhatIf.Event> events = WhatIf.events(now.rig());
        for (int e = 0; e < events.size(); e += 4) {
            WhatIf.Event event = events.get(e);
            MapDifference map = MapDifference.of(now, after(now, event.change()), -1, List.of(event.change()), false);
            for (MapDifference.Ring ring : map.rings()) {
                assertTrue(map.after().nodes().stream().anyMatch(n -> n.id().equals(ring.node())), event.sentence());
            }
            boolean drawn = map.after().nodes().stream()
                    .flatMap(n -> n.points().stream())
                    .anyMatch(p -> p.element().equals(event.change().element()));
            assertFalse(drawn && map.rings().isEmpty(), event.sentence());
        }
    }
}
