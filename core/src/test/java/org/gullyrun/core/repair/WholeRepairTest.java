package org.gullyrun.core.repair;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.StringReader;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.fix.SideEffects;
import org.gullyrun.core.intake.StartingRigs;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.w3c.dom.NodeList;
import org.xml.sax.InputSource;

/** Repairs and their orders, held against audits from scratch and against trying everything. */
class WholeRepairTest {
    private static final Case SHOW = SampleShow.make();
    private static final Audit AUDIT = RuleCatalogue.usual().quick();
    private static final Reading FOUND =
            AUDIT.read(SHOW.survey(SampleShow.AS_FOUND).orElseThrow().rig(), SHOW.brief());
    private static final WholeRepair WHOLE = new WholeRepair(AUDIT, null, FOUND, Conditions.NONE, () -> false);
    /** Worked out on several threads, which wait for this class to be ready. */
    private static Repair sample = new Repair(List.of(), FOUND, FOUND, Repair.Proof.UNPROVED);

    @BeforeAll
    static void repaired() {
        sample = Objects.requireNonNull(WHOLE.best());
    }

    private static Set<String> bad(Rig rig, Brief brief) {
        return AUDIT.read(rig, brief).findings().stream()
                .filter(Finding::isBad)
                .map(Finding::identity)
                .collect(Collectors.toSet());
    }

    private static Repair repair(Reading reading, Conditions conditions) {
        return Objects.requireNonNull(new WholeRepair(AUDIT, null, reading, conditions, () -> false).best());
    }

    @Test
    void theSampleShowIsRepairedByTenChangesOfWhichNoneCanBeLeftOut() {
        assertEquals(10, sample.changes().size());
        assertEquals(Repair.Proof.NONE_CAN_BE_LEFT_OUT, sample.proof());
        assertEquals(Set.of(), bad(Changes.apply(FOUND.rig(), sample.changes()), SHOW.brief()));
        for (Change one : sample.changes()) {
            List<Change> others = new ArrayList<>(sample.changes());
            others.remove(one);
            assertFalse(bad(Changes.apply(FOUND.rig(), others), SHOW.brief()).isEmpty(), one + " is needed");
        }
    }

    private static Set<String> elements(List<Change> changes) {
        return changes.stream().map(Change::element).collect(Collectors.toSet());
    }

    @TakesLong
    @Test
    void anotherWayEndsAsWellGoesElsewhereAndSaysWhatItCosts() {
        List<Integer> told = new ArrayList<>();
        List<Repair> ways = WHOLE.find(soFar -> told.add(soFar.size()));
        assertEquals(IntStream.rangeClosed(1, ways.size()).boxed().toList(), told, "told of each as it is found");
        assertTrue(ways.size() > 1, "there is another way to repair the sample show");
        Set<Object> kinds = new HashSet<>();
        for (Repair way : ways) {
            assertEquals(Set.of(), bad(Changes.apply(FOUND.rig(), way.changes()), SHOW.brief()), way.where());
            assertTrue(kinds.add(way.approaches()), "each goes elsewhere: " + way.where());
            assertTrue(
                    way == ways.getFirst()
                            || !elements(ways.getFirst().beyond(way))
                                    .containsAll(elements(way.beyond(ways.getFirst()))),
                    "not only by other settings of the same things: " + way.sentences());
            assertEquals(
                    way.changes().size(),
                    way.approaches().values().stream().mapToInt(n -> n).sum());
            for (Change one : way.changes()) {
                List<Change> others = new ArrayList<>(way.changes());
                others.remove(one);
                assertFalse(
                        bad(Changes.apply(FOUND.rig(), others), SHOW.brief()).isEmpty(), one + " is needed");
            }
            assertTrue(
                    way.price()
                            .startsWith(way.changes().size() + " settings in "
                                    + way.programs().size() + " place"),
                    way.price());
        }
    }

    @TakesLong
    @Test
    void rootCausesThatAreKnownLeadToTheSameRepairAndNoOtherWayIsSoughtWhereNoneIsWanted() {
        RootCauses.Found causes = RootCauses.of(AUDIT, FOUND, () -> false, x -> {});
        List<Repair> alone = WHOLE.knowing(causes).find(soFar -> {}, 0);
        assertEquals(
                List.of(sample.changes()), alone.stream().map(Repair::changes).toList());
        assertTrue(trials(causes) < trials(RootCauses.Found.NOTHING), "it goes by what is known");
    }

    /** How often the first repair asked whether to go on, as it does before each trial. */
    private static int trials(RootCauses.Found known) {
        AtomicInteger asked = new AtomicInteger();
        AtomicInteger first = new AtomicInteger();
        BooleanSupplier count = () -> asked.incrementAndGet() > 0 && first.get() > 0;
        new WholeRepair(AUDIT, null, FOUND, Conditions.NONE, count)
                .knowing(known)
                .find(soFar -> first.compareAndSet(0, asked.get()), 0);
        return first.get();
    }

    @TakesLong
    @Test
    void whatIsRuledOutIsNotChangedAndWhatIsRequiredIs() {
        Address muted = new Address("in-default", "muted");
        Repair other = repair(FOUND, Conditions.NONE.without(muted));
        assertTrue(other.changes().stream().noneMatch(c -> Conditions.about(c).equals(muted)));
        assertEquals(List.of(), other.left());
        Change cue = new Change.Set("in-default", org.gullyrun.core.rig.Productions.CUE, true, false);
        Repair with = repair(FOUND, Conditions.NONE.requiring(cue));
        assertTrue(with.changes().contains(cue));
        assertEquals(List.of(), with.left());
    }

    @TakesLong
    @Test
    void onRandomRigsNothingCanBeLeftOutAndWhereNoSmallerSetIsSaidToDoNoneDoes() {
        int repaired = 0;
        int proved = 0;
        for (int seed = 0; seed < RandomRigs.many(7, 300); seed++) {
            Rig rig = RandomRigs.of(seed);
            Brief brief = RandomRigs.brief(rig, new Random(seed));
            Reading reading = AUDIT.read(rig, brief);
            Repair repair = repair(reading, Conditions.NONE);
            Set<String> left = bad(Changes.apply(rig, repair.changes()), brief);
            assertEquals(
                    left, repair.left().stream().map(Finding::identity).collect(Collectors.toSet()), "seed " + seed);
            for (Change one : repair.changes()) {
                List<Change> others = new ArrayList<>(repair.changes());
                others.remove(one);
                try {
                    Set<String> without = bad(Changes.apply(rig, others), brief);
                    assertFalse(left.containsAll(without), "seed " + seed + ": " + one + " is not needed");
                } catch (Changes.Conflict e) {
                    continue; // the others refer to what it adds
                }
            }
            repaired += repair.changes().isEmpty() ? 0 : 1;
            if (repair.changes().size() > 1 && repair.proof() == Repair.Proof.NO_SMALLER_SET) {
                proved++;
                List<Change> all = List.copyOf(suggested(reading));
                int most = repair.changes().size() - 1;
                assertEquals(List.of(), smaller(repair, left, all, 0, List.of(), most), "seed " + seed);
            }
        }
        assertTrue(repaired > 4 && proved > 0, repaired + " repaired, " + proved + " proved");
    }

    /** All changes that anything could suggest, alone or with others. */
    private static Set<Change> suggested(Reading reading) {
        Set<Change> all = new LinkedHashSet<>();
        reading.findings().stream()
                .filter(Finding::isBad)
                .forEach(f -> new Fixes(AUDIT).ideas(reading, f).forEach(all::addAll));
        return all;
    }

    /** The first smaller set that does as well as a repair, found by trying every one; empty if there is none. */
    private static List<Change> smaller(
            Repair repair, Set<String> left, List<Change> all, int from, List<Change> made, int most) {
        Reading before = repair.before();
        for (int i = from; i < all.size() && made.size() < most; i++) {
            List<Change> with = new ArrayList<>(made);
            with.add(all.get(i));
            try {
                Reading after = AUDIT.read(Changes.apply(before.rig(), with), before.brief());
                int noticed = SideEffects.between(before, after).size();
                if (after.findings().stream().allMatch(f -> !f.isBad() || left.contains(f.identity()))
                        && noticed
                                <= SideEffects.between(before, repair.after()).size()) {
                    return with;
                }
            } catch (Changes.Conflict e) {
                continue; // two of them set the same
            }
            List<Change> found = smaller(repair, left, all, i + 1, with, most);
            if (!found.isEmpty()) {
                return found;
            }
        }
        return List.of();
    }

    @TakesLong
    @Test
    void fewerChangesThatOnlyTogetherDoAsWellAreFound() {
        for (int seed : new int[] {148, 160}) {
            Rig rig = RandomRigs.of(seed);
            Reading reading = AUDIT.read(rig, RandomRigs.brief(rig, new Random(seed)));
            List<Integer> sizes = new ArrayList<>();
            new WholeRepair(AUDIT, null, reading, Conditions.NONE, () -> false)
                    .find(soFar -> sizes.add(soFar.getFirst().changes().size()), 0);
            assertTrue(sizes.getLast() < sizes.getFirst(), "seed " + seed + ": " + sizes);
            assertEquals(sizes.stream().sorted(Comparator.reverseOrder()).toList(), sizes, "never worse than before");
        }
    }

    /** Clips turned up would howl as long as the ears are sent back to where they come from: so they seemed to want another device. */
    @Test
    void whatIsTheRightChangeOnlyOnceAnotherFaultIsGoneIsFound() {
        StartingRigs.Starting panel = StartingRigs.all().stream()
                .filter(starting -> starting.title().contains("panel"))
                .findFirst()
                .orElseThrow();
        Rig good = panel.rig();
        List<Change> faults = Stream.<Change>of(
                        Change.set(good, "ears", Mixers.TARGET, Choice.to("mixer-clips-in")),
                        Change.set(good, "clips", Mixers.STRIP_LEVEL, -40.0),
                        Change.set(good, "first", Mixers.BUS_MUTED, true),
                        Change.set(good, "second", Mixers.BUS_LEVEL, -40.0))
                .toList();
        Reading reading = AUDIT.read(Changes.apply(good, faults), panel.brief());
        Repair repair =
                Objects.requireNonNull(new WholeRepair(AUDIT, null, reading, Conditions.NONE, () -> false).best());
        assertEquals(List.of(), repair.left());
        assertEquals(good, repair.after().rig());
    }

    @Test
    void theStatesInBetweenAreThoseOfAnAuditFromScratchAndNoOrderOfTheSampleIsBetter() {
        for (boolean onAir : List.of(true, false)) {
            WorkPlan plan = WorkPlan.of(AUDIT, sample, onAir);
            assertTrue(plan.exact());
            List<Change> done = new ArrayList<>();
            for (int i = 0; i < plan.steps().size(); i++) {
                done.add(plan.steps().get(i).change());
                Reading fresh = AUDIT.read(Changes.apply(FOUND.rig(), done), SHOW.brief());
                assertEquals(Harm.of(fresh), plan.harm(i + 1), "after " + (i + 1));
                assertEquals(
                        fresh.findings().stream().map(Finding::identity).toList(),
                        plan.states().get(i + 1).findings().stream()
                                .map(Finding::identity)
                                .toList());
            }
            assertEquals(new HashSet<>(sample.changes()), new HashSet<>(done));
        }
    }

    @Test
    void fourteenChangesAreOrderedExactlyAndMoreWithoutSayingSo() {
        Rig good = SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        List<Change> fourteen = Changes.between(FOUND.rig(), good);
        assertEquals(SafeOrder.MOST_EXACT, fourteen.size());
        SafeOrder.Order order = SafeOrder.of(AUDIT, FOUND, fourteen, true);
        assertTrue(order.exact());
        assertEquals(
                good.elements().size(),
                Changes.apply(FOUND.rig(), order.changes()).elements().size());
        List<Change> more = new ArrayList<>(fourteen);
        more.add(Change.set(FOUND.rig(), "in-dome", org.gullyrun.core.rig.Productions.INPUT_LEVEL, -3.0));
        SafeOrder.Order greedy = SafeOrder.of(AUDIT, FOUND, more, true);
        assertFalse(greedy.exact());
        assertEquals(new HashSet<>(more), new HashSet<>(greedy.changes()));
    }

    @TakesLong
    @Test
    void noOrderOfFourOrFiveChangesIsBetterThanTheOneFound() {
        int compared = 0;
        for (int seed = 0; seed < RandomRigs.many(9, 400); seed++) {
            Rig rig = RandomRigs.of(seed);
            Reading reading = AUDIT.read(rig, RandomRigs.brief(rig, new Random(seed)));
            Repair repair = repair(reading, Conditions.NONE);
            int n = repair.changes().size();
            if (n < 3 || n > 5) {
                continue;
            }
            Map<Rig, Harm> read = new HashMap<>();
            for (boolean onAir : List.of(true, false)) {
                SafeOrder.Order order = SafeOrder.of(AUDIT, reading, repair.changes(), onAir);
                List<Integer> found = cost(reading, order.changes(), onAir, read);
                for (List<Change> other : HeldKarpTest.orders(repair.changes())) {
                    try {
                        assertTrue(
                                HeldKarpTest.compare(found, cost(reading, other, onAir, read)) <= 0,
                                "seed " + seed + ": " + other + " is better than " + order.changes());
                    } catch (Changes.Conflict e) {
                        continue; // something would come before what it refers to
                    }
                }
                compared++;
            }
        }
        assertTrue(compared > 3, "orders compared: " + compared);
    }

    /** What goes wrong in the states between, each read from scratch once, and how often another program is opened. */
    private static List<Integer> cost(Reading start, List<Change> order, boolean onAir, Map<Rig, Harm> read) {
        int[] sums = new int[6];
        String program = "";
        for (int i = 0; i < order.size(); i++) {
            Change change = order.get(i);
            Rig rig = Changes.apply(start.rig(), order.subList(0, i + 1));
            Element element =
                    rig.find(change.element()) == null ? start.rig().get(change.element()) : rig.get(change.element());
            String in = start.rig().find(element.id()) == null
                    ? rig.program(element).id()
                    : start.rig().program(start.rig().get(element.id())).id();
            sums[5] += i > 0 && !in.equals(program) ? 1 : 0;
            program = in;
            if (i < order.size() - 1) {
                Harm harm = read.computeIfAbsent(rig, r -> Harm.of(AUDIT.read(r, start.brief())));
                sums[0] += onAir ? harm.onAir() : 0;
                sums[1] += harm.buildingUp();
                sums[2] += harm.deaf();
                sums[3] += onAir ? harm.missingLive() : 0;
                sums[4] += harm.otherLoops();
            }
        }
        return java.util.stream.IntStream.of(sums).boxed().toList();
    }

    @Test
    void aWorkOrderNamesEveryStepInEveryFormAndNothingOfANameIsTakenForAMark() throws Exception {
        WorkPlan plan = WorkPlan.of(AUDIT, sample, true);
        WorkOrder order = new WorkOrder("A <b>show</b> *of* #1 & more", plan);
        String html = order.html();
        String text = order.text();
        for (WorkPlan.Step step : plan.steps()) {
            assertTrue(text.contains(step.sentence() + "."), text);
            assertTrue(html.contains("<strong>" + step.sentence() + ".</strong>"), html);
        }
        assertTrue(text.contains("Work order: A <b>show</b> *of* #1 & more"), text);
        assertTrue(html.contains("A &lt;b&gt;show&lt;/b&gt; *of* #1 &amp; more"), html);
        assertFalse(html.contains("<b>"), html);
        assertTrue(text.contains("Live must hear: Host, Dome"), text);
        Document page = DocumentBuilderFactory.newDefaultInstance()
                .newDocumentBuilder()
                .parse(new InputSource(new StringReader(html)));
        NodeList items = ((org.w3c.dom.Element) page.getElementsByTagName("ol").item(0)).getElementsByTagName("li");
        assertEquals(plan.steps().size(), items.getLength());
        for (int i = 0; i < items.getLength(); i++) {
            String told = items.item(i).getTextContent();
            assertTrue(told.contains(plan.steps().get(i).sentence() + "."), told);
            assertTrue(told.contains(plan.steps().get(i).where()), told);
        }
    }

    @Test
    void whatComesWithAStepAndGoesWithALaterOneIsToldAtTheHead() {
        assertTrue(new WorkOrder("", WorkPlan.of(AUDIT, sample, true)).claims().contains("nothing gets worse"));
        Rig good = SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();
        Rig bad = Changes.apply(
                good,
                List.of(
                        Objects.requireNonNull(Change.set(good, "strip-host", Mixers.CROSSING.of("bus-ears"), true)),
                        Objects.requireNonNull(Change.set(good, "bus-ears", Mixers.TARGET, Choice.to("plover-play")))));
        Repair repair = new WholeRepair(AUDIT, null, AUDIT.read(bad, SHOW.brief()), Conditions.NONE, () -> false)
                .find(soFar -> {}, 0)
                .getFirst();
        String claims = new WorkOrder("", WorkPlan.of(AUDIT, repair, true)).claims();
        assertTrue(claims.endsWith("On the way: Host hears their own voice 35 ms late."), claims);
    }
}
