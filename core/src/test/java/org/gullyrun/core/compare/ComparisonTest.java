package org.gullyrun.core.compare;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.SmallRig;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.gullyrun.core.rig.ValueType;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What changed between two rigs, and what is to blame, against trying every subset. */
class ComparisonTest {
    private static final Case SHOW = SampleShow.make();
    private static final Audit AUDIT = RuleCatalogue.usual().quick();
    private static final Rig GOOD =
            SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
    private static final Rig FOUND =
            SHOW.survey(SampleShow.AS_FOUND).orElseThrow().rig();

    private static Comparison compare(Rig earlier, Rig later, Brief brief) {
        return Comparison.of(AUDIT, earlier, later, brief, Matching.of(earlier, later), () -> false);
    }

    private static Set<String> bad(Rig rig) {
        return AUDIT.read(rig, SHOW.brief()).findings().stream()
                .filter(Finding::isBad)
                .map(Finding::identity)
                .collect(Collectors.toSet());
    }

    @Test
    void eachFaultOfTheSampleShowIsBlamedOnItsOwnChangesAndTakingThoseBackIsEnough() {
        Comparison comparison = compare(GOOD, FOUND, SHOW.brief());
        assertEquals(14, comparison.changes().size());
        assertEquals(1, comparison.harmless().size(), "the spare strip");
        comparison.blame().forEach((finding, by) -> assertFalse(by.isEmpty(), finding.identity()));
        assertEquals(Set.of(), bad(Changes.apply(FOUND, comparison.back())));
        Finding loop = comparison.blame().keySet().stream()
                .filter(f -> f.rule().equals("loop.electric"))
                .findFirst()
                .orElseThrow();
        assertEquals(2, comparison.blame().getOrDefault(loop, List.of()).size(), "the cue device and the input on cue");
        Change talk = comparison.changes().stream()
                .filter(c -> c.element().equals("strip-talk"))
                .findFirst()
                .orElseThrow();
        assertEquals(
                List.of("loop.far-end:guests>call"),
                comparison.broughtBy(talk).stream().map(Finding::identity).toList());
    }

    @Test
    void whatHasChangedIsToldAsAFactNotAsAStep() {
        Comparison comparison = compare(GOOD, FOUND, SHOW.brief());
        List<String> told =
                comparison.changes().stream().map(comparison::happened).toList();
        for (String fact : List.of(
                "Orrery · input All of default · on program: no → yes",
                "Desk PC · playback default: Plover, play side → Mole speakers",
                "Huddlewick · plays to: Tern headset → the default",
                "Heron, record side · rate: 48 kHz → 44.1 kHz",
                "Orrery · scene Panel: now has the copy of House sound",
                "Orrery · scene Sky: no longer has Charts",
                "Brookdesk · strip Spare: new")) {
            assertTrue(told.contains(fact), fact + " in " + told);
        }
        Comparison back = compare(FOUND, GOOD, SHOW.brief());
        assertTrue(back.changes().stream()
                .map(back::happened)
                .toList()
                .containsAll(List.of("Brookdesk · strip Spare: gone", "Orrery · scene Sky: now has Charts")));
        assertEquals(
                Set.of("", " · together with 1 other change"),
                comparison.blame().keySet().stream().map(comparison::together).collect(Collectors.toSet()));
    }

    @Test
    void aRigInWhichEverythingHasAnotherIdIsMatchedByNamesAndConnections() {
        Map<String, String> ids = new HashMap<>();
        FOUND.elements().forEach(e -> ids.put(e.id(), "x-" + e.id()));
        Matching all = new Matching(ids.entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, e -> new Matching.Pair(e.getValue(), Matching.By.HAND))));
        Rig renamed = RenamedRig.of(FOUND, Rig.EMPTY, all);
        assertEquals(FOUND.elements().size(), renamed.elements().size());
        assertTrue(renamed.elements().stream().allMatch(e -> e.id().startsWith("x-")));
        Matching matching = Matching.of(GOOD, renamed);
        matching.pairs()
                .forEach((id, pair) ->
                        assertEquals("x-" + id, pair.id(), pair.by().word()));
        Comparison comparison = Comparison.of(AUDIT, GOOD, renamed, Brief.EMPTY, matching, () -> false);
        Comparison plain = compare(GOOD, FOUND, Brief.EMPTY);
        assertEquals(
                plain.changes().stream().map(plain::said).sorted().toList(),
                comparison.changes().stream().map(comparison::said).sorted().toList());
    }

    @Test
    void aMatchIsUndoneAndMadeByHand() {
        Matching matching = Matching.of(GOOD, FOUND);
        assertEquals(Matching.By.ID, matching.pairs().get("heron").by());
        Matching undone = matching.without("heron");
        Comparison apart = Comparison.of(AUDIT, GOOD, FOUND, SHOW.brief(), undone, () -> false);
        assertTrue(apart.changes().stream()
                .anyMatch(c -> c instanceof Change.Add add && add.element().equals("heron")));
        assertTrue(apart.changes().stream().anyMatch(c -> c instanceof Change.Remove));
        assertEquals(
                Matching.By.HAND,
                undone.with("heron", "heron").pairs().get("heron").by());
    }

    /** Changes of flags, by chance. */
    private static List<Change> planted(Rig rig, Random random, int most) {
        List<Change> all = new ArrayList<>();
        for (int i = 0; i < most; i++) {
            Element element = rig.elements().stream()
                    .toList()
                    .get(random.nextInt(rig.elements().size()));
            List<Setting<?>> flags = Catalogue.of(element.kind()).stream()
                    .filter(s ->
                            !s.isFamily() && s.type() instanceof ValueType.Flag && element.raw(s) instanceof Boolean)
                    .toList();
            if (!flags.isEmpty()) {
                Setting<?> flag = flags.get(random.nextInt(flags.size()));
                Change.Set change = Change.setRaw(rig, element.id(), flag, !Boolean.TRUE.equals(element.raw(flag)));
                if (change != null && all.stream().noneMatch(c -> c.element().equals(change.element()))) {
                    all.add(change);
                }
            }
        }
        return all;
    }

    @Test
    void noSmallerSetBringsAFindingAboutThanTheOneThatIsBlamed() {
        int blamed = 0;
        int together = 0;
        for (int seed = 0; seed < RandomRigs.many(60, 1_500); seed++) {
            Random random = new Random(seed);
            Rig rig = RandomRigs.of(seed);
            Brief brief = RandomRigs.brief(rig, random);
            Rig later = Changes.apply(rig, planted(rig, random, 7));
            Comparison comparison = compare(rig, later, brief);
            List<Change> changes = comparison.changes();
            for (Map.Entry<Finding, List<Change>> entry : comparison.blame().entrySet()) {
                Finding finding = entry.getKey();
                List<Change> by = entry.getValue();
                assertTrue(brings(rig, by, brief, finding), "seed " + seed + " " + finding.identity() + " by " + by);
                for (int subset = 0; subset < 1 << changes.size(); subset++) {
                    if (Integer.bitCount(subset) < by.size()) {
                        int members = subset;
                        List<Change> some = changes.stream()
                                .filter(c -> (members & 1 << changes.indexOf(c)) != 0)
                                .toList();
                        assertFalse(
                                brings(rig, some, brief, finding),
                                "seed " + seed + " " + finding.identity() + ": " + some + " is enough");
                    }
                }
                blamed++;
                together += by.size() > 1 ? 1 : 0;
            }
        }
        assertTrue(blamed > 20, blamed + " blamed, " + together + " on several changes together");
    }

    /** A voice that gets to somebody's ears by so many wires, beside as many devices that nothing comes to. */
    private static Rig wired(int wires, int devices) {
        SmallRig small = new SmallRig()
                .source("voice", SourceClass.VOICE, -20)
                .device("phones", Direction.PLAYBACK)
                .ears("ears", "phones");
        for (int i = 0; i < wires; i++) {
            small.device("send-" + i, Direction.PLAYBACK)
                    .device("return-" + i, Direction.RECORDING)
                    .pass("to-" + i, "mic-voice", "send-" + i, 0, 0)
                    .wire("wire-" + i, "send-" + i, "return-" + i, 0, 0)
                    .pass("from-" + i, "return-" + i, "phones", 0, 0);
        }
        for (int i = 0; i < devices; i++) {
            small.device("idle-" + i, Direction.PLAYBACK);
        }
        return small.rig();
    }

    @ParameterizedTest
    @CsvSource({"3, 2", "3, 30", "5, 6", "6, 40"})
    void whatOnlySeveralChangesTogetherBringIsBlamedOnAllOfThemAndOnNoOther(int wires, int others) {
        Rig earlier = wired(wires, others);
        List<Change> turned = new ArrayList<>();
        for (int i = 0; i < others; i++) {
            turned.add(i / 2, Objects.requireNonNull(Change.set(earlier, "idle-" + i, Devices.MUTED, true)));
        }
        List<Change> cut = IntStream.range(0, wires)
                .mapToObj(i -> (Change) Objects.requireNonNull(Change.set(earlier, "return-" + i, Devices.MUTED, true)))
                .toList();
        turned.addAll(others / 3, cut);
        Brief brief = Brief.EMPTY.with(new Brief.Cell("voice", "ears", ""), Wish.MUST);
        Comparison comparison = compare(earlier, Changes.apply(earlier, turned), brief);
        Finding missing = comparison.blame().keySet().stream()
                .filter(f -> f.identity().equals("missing:voice>ears"))
                .findFirst()
                .orElseThrow();
        assertEquals(Set.copyOf(cut), Set.copyOf(comparison.blame().getOrDefault(missing, List.of())));
        assertEquals(wires, comparison.toBlame().size());
        assertEquals(others, comparison.harmless().size());
        assertEquals(
                (wires + others) + " changes. " + wires + " are to blame for 1 finding; " + others + " do no harm.",
                comparison.summary());
        assertEquals(
                List.of(),
                AUDIT.read(Changes.apply(comparison.to().rig(), comparison.back()), brief).findings().stream()
                        .filter(f -> f.identity().startsWith("missing:"))
                        .toList());
    }

    @Test
    void whatIsTheSameOrDoesNoHarmIsSaidSo() {
        assertEquals("Nothing is different.", compare(GOOD, GOOD, SHOW.brief()).summary());
        Rig harmless = Changes.apply(GOOD, compare(GOOD, FOUND, SHOW.brief()).harmless());
        Comparison one = compare(GOOD, harmless, SHOW.brief());
        assertEquals("1 change. None of them does any harm.", one.summary());
        assertEquals(List.of(), one.back());
        int[] asked = {0};
        Comparison cut =
                Comparison.of(AUDIT, GOOD, FOUND, SHOW.brief(), Matching.of(GOOD, FOUND), () -> asked[0]++ > 40);
        assertTrue(cut.summary().endsWith("There was no time to look into all of them."), cut.summary());
    }

    private static boolean brings(Rig rig, List<Change> changes, Brief brief, Finding finding) {
        Reading reading = AUDIT.read(Changes.apply(rig, changes), brief);
        return reading.findings().stream()
                .anyMatch(f -> f.identity().equals(finding.identity())
                        && (f.severity().atLeast(finding.severity())
                                || finding.isBad() && f.severity().atLeast(Severity.MAJOR)));
    }
}
