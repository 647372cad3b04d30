package org.gullyrun.core.repair;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Objects;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** What counts as going wrong in a state of the sample show, and what a plan says of it. */
class HarmTest {
    private static final Case SHOW = SampleShow.make();
    private static final Audit AUDIT = RuleCatalogue.usual().quick();
    private static final Rig GOOD =
            SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();

    private static <T> Reading with(String element, Setting<T> setting, T value) {
        Change change = Objects.requireNonNull(Change.set(GOOD, element, setting, value));
        return AUDIT.read(Changes.apply(GOOD, List.of(change)), SHOW.brief());
    }

    @Test
    void nothingIsWrongWhenAllIsWell() {
        Harm good = Harm.of(AUDIT.read(GOOD, SHOW.brief()));
        assertTrue(good.isNone(), good.toString());
        assertEquals(List.of(), good.words());
    }

    @Test
    void whatTheHostWearsOffMakesThemDeafOnAirAndOff() {
        Harm harm = Harm.of(with("tern", Devices.MUTED, true));
        assertEquals(new Harm(0, 0, 1, 0, 0), harm);
        assertEquals(harm, harm.offAir());
        assertEquals(List.of("1 person hears nothing required"), harm.words());
    }

    @Test
    void aGuestWhoHearsNobodyIsDeafToo() {
        assertEquals(new Harm(0, 0, 1, 0, 0), Harm.of(with("farcall", Applications.INPUT_MUTED, true)));
    }

    @Test
    void whatIsMissingLiveCountsOnAirOnly() {
        Harm harm = Harm.of(with("in-charts", Productions.INPUT_MUTED, true));
        assertEquals(1, harm.missingLive());
        assertTrue(harm.offAir().isNone());
        assertTrue(harm.isWorseThan(Harm.NONE));
        assertFalse(Harm.NONE.isWorseThan(harm));
    }

    @Test
    void guestsWhoHearThemselvesAreAForbiddenSourceThatGoesOut() {
        Harm harm = Harm.of(with("strip-talk", Mixers.CROSSING.of("bus-guests"), true));
        assertEquals(1, harm.onAir(), harm.toString());
    }

    @TakesLong
    @Test
    void aPlanGoesOnInItsOrderAfterAnyOfItsSteps() {
        Reading found =
                AUDIT.read(SHOW.survey(SampleShow.AS_FOUND).orElseThrow().rig(), SHOW.brief());
        Repair repair =
                Objects.requireNonNull(new WholeRepair(AUDIT, null, found, Conditions.NONE, () -> false).best());
        WorkPlan plan = WorkPlan.of(AUDIT, repair, true);
        Change third = plan.steps().get(2).change();
        Reading now = AUDIT.read(found, List.of(third));
        WorkPlan rest = plan.without(AUDIT, now, third);
        assertEquals(plan.steps().size() - 1, rest.steps().size());
        assertEquals(plan.steps().getFirst().change(), rest.steps().getFirst().change());
        assertEquals(
                List.of(),
                rest.states().getLast().findings().stream()
                        .filter(f -> f.isBad())
                        .toList());
        assertEquals("nothing serious is left", rest.ifStopped(rest.steps().size() - 1));
        Change first = plan.steps().getFirst().change();
        Rig begun = Changes.apply(found.rig(), List.of(first));
        WorkPlan known = plan.without(AUDIT, AUDIT.read(begun, SHOW.brief()), first);
        WorkPlan afresh = WorkPlan.of(AUDIT, known.repair(), known.repair().changes(), plan.onAir(), plan.exact());
        assertEquals(afresh.steps(), known.steps(), "what is left after the first step isn't read again");
        assertEquals(
                afresh.states().stream().map(Reading::findings).toList(),
                known.states().stream().map(Reading::findings).toList());
        assertTrue(plan.effect(0).startsWith("fixes 13 · Orrery feeds back"), plan.effect(0));
        List<Channel> channels = Channel.all(plan.states(), -1);
        Channel live = channels.stream()
                .filter(c -> c.outlet().equals("live"))
                .findFirst()
                .orElseThrow();
        assertEquals(Channel.Sort.LOOPING, live.states().getFirst().sort());
        assertEquals(Channel.Sort.GOOD, live.states().getLast().sort());
        assertEquals(plan.steps().size() + 1, live.states().size());
    }
}
