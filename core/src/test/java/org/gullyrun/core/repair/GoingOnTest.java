package org.gullyrun.core.repair;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.LargeRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** A repair that goes on from another when more is ruled out or required is as good as one that is planned from the beginning. */
final class GoingOnTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private static WholeRepair whole(Reading reading, Conditions conditions) {
        return new WholeRepair(AUDIT, null, reading, conditions, () -> false);
    }

    private static Repair best(WholeRepair whole) {
        return Objects.requireNonNull(whole.best());
    }

    /** The serious findings that a repair leaves, by an audit from scratch. */
    private static Set<String> left(Reading reading, Repair repair) {
        return AUDIT.read(Changes.apply(reading.rig(), repair.changes()), reading.brief()).findings().stream()
                .filter(Finding::isBad)
                .map(Finding::identity)
                .collect(Collectors.toSet());
    }

    /** Rules each of some changes of a repair out, and holds what comes of it against a repair planned from the beginning. */
    private static void isAsGoodWithoutEach(Reading reading, Repair repair, List<Change> changes) {
        for (Change change : changes) {
            Conditions without = Conditions.NONE.without(Conditions.about(change));
            Repair near = best(whole(reading, without).goingOnFrom(repair));
            Repair afresh = best(whole(reading, without));
            assertTrue(near.changes().stream().allMatch(without::allows), () -> change + " is ruled out");
            assertEquals(left(reading, afresh), left(reading, near), () -> "without " + change);
            assertEquals(afresh.changes().size(), near.changes().size(), () -> "without " + change);
        }
    }

    @TakesLong
    @Test
    void onALargeRigWithoutEachOfItsChanges() {
        Reading reading = AUDIT.read(LargeRigs.make(1, 30, 6, 4), LargeRigs.brief(30));
        Repair repair = best(whole(reading, Conditions.NONE));
        assertTrue(repair.changes().size() > 3, "there is something to rule out");
        isAsGoodWithoutEach(reading, repair, repair.changes());
    }

    @TakesLong
    @Test
    void inTheSampleShowWithoutSomeOfItsChanges() {
        Case show = SampleShow.make();
        Reading reading =
                AUDIT.read(show.survey(SampleShow.AS_FOUND).orElseThrow().rig(), show.brief());
        Repair repair = best(whole(reading, Conditions.NONE));
        List<Change> some = repair.changes().stream()
                .filter(c -> Set.of("heron-record", "in-host-raw", "sky-charts").contains(c.element()))
                .toList();
        assertEquals(3, some.size());
        isAsGoodWithoutEach(reading, repair, some);
    }

    @Test
    void whatIsRequiredIsPartOfIt() {
        Reading reading = AUDIT.read(LargeRigs.make(1, 30, 6, 4), LargeRigs.brief(30));
        Repair repair = best(whole(reading, Conditions.NONE));
        Change mute = repair.changes().stream()
                .filter(c -> c instanceof Change.Set set && set.setting().equals(Productions.INPUT_MUTED))
                .findFirst()
                .orElseThrow();
        Change off = Objects.requireNonNull(Change.set(reading.rig(), mute.element(), Productions.PROGRAM, false));
        Conditions other = Conditions.NONE.without(Conditions.about(mute)).requiring(off);
        Repair near = best(whole(reading, other).goingOnFrom(repair));
        assertTrue(near.changes().contains(off));
        assertFalse(near.changes().contains(mute));
        assertEquals(left(reading, repair), left(reading, near));
    }

    @Test
    void onlyMoreConditionsNarrowARepair() {
        Case show = SampleShow.make();
        Change off = Objects.requireNonNull(Change.set(
                show.survey(SampleShow.AS_FOUND).orElseThrow().rig(), "in-default", Productions.PROGRAM, false));
        Conditions without = Conditions.NONE.without(Conditions.about(off));
        Conditions required = Conditions.NONE.requiring(off);
        assertTrue(without.narrow(Conditions.NONE));
        assertTrue(required.narrow(Conditions.NONE));
        assertTrue(without.narrow(without));
        assertFalse(Conditions.NONE.narrow(without), "it is allowed again");
        assertFalse(without.narrow(required), "it is no longer required");
    }
}
