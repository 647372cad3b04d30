package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.RoutingSettings;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Unknown;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Reading again only what differs gives what reading afresh gives. */
class RereadTest {
    private static final int RIGS = RandomRigs.many(10, 600);
    private static final int STEPS = 5;
    private final Audit audit = RuleCatalogue.usual();

    /** What a rig becomes in one step. */
    private interface Step {
        Rig of(Rig rig, long seed, Random random);
    }

    @Test
    void whateverIsChangedReadingOnGivesWhatReadingAfreshGives() {
        int changed = readOn(STEPS, true, (rig, seed, random) -> changed(rig, RandomRigs.of(seed), random, 4));
        assertTrue(changed > RIGS * STEPS * 9 / 10, "steps that changed something: " + changed);
    }

    @Test
    void whereSoundIsLedElsewhereWhatHoldsStillIsTakenOver() {
        int changed = readOn(2 * STEPS, false, (rig, seed, random) -> {
            Rig next = rig;
            for (int i = random.nextInt(3); i >= 0; i--) {
                next = ledElsewhere(next, random);
            }
            return next;
        });
        assertTrue(changed > RIGS * STEPS, "steps that changed something: " + changed);
    }

    @Test
    void whereAnEntryComesOrGoesWhatHoldsStillIsTakenOver() {
        int changed = readOn(STEPS, false, (rig, seed, random) -> anEntryMore(rig, random));
        assertTrue(changed > RIGS * STEPS / 2, "steps that changed something: " + changed);
    }

    @Test
    void inTheSampleShowManyChangesAtOnceGiveWhatReadingAfreshGives() {
        Case sample = SampleShow.make();
        List<Rig> surveys = sample.surveys().stream().map(Survey::rig).toList();
        for (int seed = 0; seed < RIGS; seed++) {
            Random random = new Random(seed);
            Rig rig = surveys.get(seed % surveys.size());
            Reading reading = audit.read(rig, sample.brief());
            for (int step = 0; step < STEPS; step++) {
                rig = changed(rig, surveys.get(random.nextInt(surveys.size())), random, 12);
                rig = random.nextInt(3) == 0 ? rig : forgotten(rig, random);
                reading = audit.read(rig, sample.brief(), reading);
                same("seed " + seed + " step " + step, audit.read(rig, sample.brief()), reading);
            }
        }
    }

    /** One setting, of a scene or an entry more often than of others, becomes unknown. */
    private static Rig forgotten(Rig rig, Random random) {
        List<Element> all = new ArrayList<>(rig.elements());
        if (random.nextBoolean()) {
            all.removeIf(e -> e.kind() != Kind.SCENE && e.kind() != Kind.ENTRY);
        }
        for (int tries = 0; tries < 200; tries++) {
            Element element = all.get(random.nextInt(all.size()));
            List<Setting<?>> settings = Catalogue.of(element.kind());
            Setting<?> setting = settings.get(random.nextInt(settings.size()));
            Change change = setting.isFamily() || element.raw(setting) == null || setting.usual() != null
                    ? null
                    : Change.setRaw(rig, element.id(), setting, Unknown.UNKNOWN);
            if (change != null) {
                return Changes.apply(rig, List.of(change));
            }
        }
        return rig;
    }

    /** A rig with one entry more or less in a scene, of an input, a group or another scene, some of them copies. */
    private static Rig anEntryMore(Rig rig, Random random) {
        List<Element> entries = rig.of(Kind.ENTRY);
        if (!entries.isEmpty() && random.nextInt(3) == 0) {
            return Changes.apply(rig, List.of(new Change.Remove(entries.get(random.nextInt(entries.size())))));
        }
        List<Element> scenes = rig.of(Kind.SCENE);
        List<Element> brought = Stream.of(Kind.INPUT, Kind.GROUP, Kind.SCENE)
                .flatMap(kind -> rig.of(kind).stream())
                .toList();
        return scenes.isEmpty()
                ? rig
                : Changes.apply(
                        rig,
                        List.of(new Change.Add(Element.of(Kind.ENTRY, "entry-" + random.nextInt(1_000_000))
                                .put(
                                        Productions.ENTRY_OF,
                                        scenes.get(random.nextInt(scenes.size()))
                                                .id())
                                .put(
                                        Productions.BRINGS,
                                        brought.get(random.nextInt(brought.size()))
                                                .id())
                                .put(Productions.COPY, random.nextInt(4) == 0))));
    }

    /** Holds reading on to reading afresh, step after step on many rigs; how many steps changed something. */
    private int readOn(int steps, boolean briefToo, Step of) {
        int changed = 0;
        for (int seed = 0; seed < RIGS; seed++) {
            Random random = new Random(seed);
            Rig rig = RandomRigs.of(seed);
            Brief brief = brief(rig, random);
            Reading reading = audit.read(rig, brief);
            for (int step = 0; step < steps; step++) {
                Rig next = of.of(rig, seed + 10_000L + step, random);
                brief = briefToo && random.nextInt(8) == 0 ? brief(next, random) : brief;
                // As the window does: first without the rules that take long, then the same rig with all of them.
                reading = audit.read(next, brief, audit.quick().read(next, brief, reading));
                same("seed " + seed + " step " + step, audit.read(next, brief), reading);
                changed += next.equals(rig) ? 0 : 1;
                rig = next;
            }
        }
        return changed;
    }

    /** One flag that is a gate, or one choice, set otherwise. */
    private static Rig ledElsewhere(Rig rig, Random random) {
        List<Element> all = List.copyOf(rig.elements());
        List<Element> devices = rig.of(Kind.DEVICE);
        for (int tries = 0; tries < 200; tries++) {
            Element element = all.get(random.nextInt(all.size()));
            List<Setting<?>> settings = new ArrayList<>(Catalogue.of(element.kind()));
            settings.removeIf(Setting::isFamily);
            element.keys().forEach(key -> settings.add(Catalogue.find(element.kind(), key)));
            Setting<?> setting = settings.get(random.nextInt(settings.size()));
            Object value = element.raw(setting) instanceof Boolean flag
                    ? (Object) !flag
                    : element.raw(setting) instanceof Choice && !devices.isEmpty()
                            ? Choice.to(
                                    devices.get(random.nextInt(devices.size())).id())
                            : null;
            Change.Set change = value == null ? null : Change.setRaw(rig, element.id(), setting, value);
            Rig next = change == null ? rig : Changes.apply(rig, List.of(change));
            if (change != null && RoutingSettings.only(rig, next)) {
                return next;
            }
        }
        return rig;
    }

    @Test
    void scenesCompiledTogetherAreWhatEachIsAlone() {
        for (int seed = 0; seed < RandomRigs.many(12, 600); seed++) {
            Rig rig = RandomRigs.of(seed);
            List<SceneKey> keys = SceneKey.axis(rig);
            List<FlowGraph> together = FlowGraph.all(rig, keys);
            for (int i = 0; i < keys.size(); i++) {
                same("seed " + seed, FlowGraph.of(rig, keys.get(i)), together.get(i));
            }
        }
    }

    private static void same(String at, FlowGraph alone, FlowGraph together) {
        assertEquals(alone.scene(), together.scene());
        assertEquals(alone.segments(), together.segments(), at);
        assertArrayEquals(alone.sources(), together.sources(), at);
        for (int s = 0; s < alone.segments(); s++) {
            assertEquals(alone.id(alone.from(s)), together.id(together.from(s)), at);
            assertEquals(alone.id(alone.to(s)), together.id(together.to(s)), at);
            assertEquals(alone.segmentElement(s), together.segmentElement(s), at);
            assertEquals(alone.gain(s), together.gain(s), at);
            assertEquals(alone.latency(s), together.latency(s), at);
            assertEquals(alone.isOpen(s), together.isOpen(s), at);
            assertEquals(alone.gates(s), together.gates(s), at);
            assertEquals(alone.assumed(s), together.assumed(s), at);
        }
    }

    private static void same(String at, Reading fresh, Reading on) {
        assertEquals(fresh.scenes().size(), on.scenes().size(), at);
        for (int i = 0; i < fresh.scenes().size(); i++) {
            SceneReading a = fresh.scenes().get(i);
            SceneReading b = on.scenes().get(i);
            assertEquals(List.copyOf(a.cells()), List.copyOf(b.cells()), at);
            assertEquals(a.loops(), b.loops(), at);
            assertEquals(a.electricLoops(), b.electricLoops(), at);
        }
        assertEquals(fresh.findings(), on.findings(), at);
    }

    /** Some of the changes that lead from one rig to another, as many as fit. */
    private static Rig changed(Rig rig, Rig other, Random random, int most) {
        List<Change> all = new ArrayList<>(Changes.between(rig, other));
        Collections.shuffle(all, random);
        int wanted = 1 + random.nextInt(most);
        Rig next = rig;
        for (Change change : all) {
            if (wanted == 0) {
                break;
            }
            try {
                next = Changes.apply(next, List.of(change));
                wanted--;
            } catch (Changes.Conflict e) {
                continue;
            }
        }
        return next;
    }

    static Brief brief(Rig rig, Random random) {
        Brief brief = Brief.EMPTY;
        for (Element source : rig.of(Kind.SOURCE)) {
            for (Element outlet : rig.of(Kind.OUTLET)) {
                if (random.nextInt(3) > 0) {
                    String scene = random.nextInt(6) == 0 ? "z1" : "";
                    brief = brief.with(
                            new Brief.Cell(source.id(), outlet.id(), scene),
                            Wish.values()[random.nextInt(Wish.values().length)]);
                }
            }
        }
        return brief;
    }
}
