package org.gullyrun.core.fix;

import static org.gullyrun.core.rig.Choice.to;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Objects;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Fixes keep to what can be done in the rig at hand. */
class FeasibleTest {
    private final Rig found =
            SampleShow.make().survey(SampleShow.AS_FOUND).orElseThrow().rig();

    private static Rig with(Rig rig, String id, java.util.function.UnaryOperator<Element> how) {
        return Rig.of(rig.elements().stream()
                .map(e -> e.id().equals(id) ? how.apply(e) : e)
                .toList());
    }

    private static <T> Change.Set set(Rig rig, String id, Setting<T> setting, T value) {
        return Objects.requireNonNull(Change.set(rig, id, setting, value));
    }

    private static List<Fix> fixes(Rig rig, String identity) {
        Reading reading =
                RuleCatalogue.usual().quick().read(rig, SampleShow.make().brief());
        Finding finding = reading.findings().stream()
                .filter(f -> f.identity().equals(identity))
                .findFirst()
                .orElseThrow(() -> new AssertionError(
                        reading.findings().stream().map(Finding::identity).toList()));
        Rig good = SampleShow.make()
                .survey(SampleShow.make().knownGood())
                .orElseThrow()
                .rig();
        return new Fixes(RuleCatalogue.usual().quick(), good).find(reading, finding, () -> false);
    }

    @Test
    void whatIsFixedIsNeverProposed() {
        Element mixer = found.of(Kind.MIXER).getFirst();
        Change.Set stop = set(found, mixer.id(), Mixers.RUNNING, false);
        assertEquals(List.of(stop), Feasible.of(found, List.of(stop)));
        for (String name : List.of("running", "Running")) {
            Rig fixed = with(found, mixer.id(), e -> e.with(Common.fixed(Kind.MIXER), List.of("rate", name)));
            assertEquals(List.of(), Feasible.of(fixed, List.of(stop)), name);
        }
    }

    @Test
    void everyFixOfADoubledVoiceSparesWhatIsFixed() {
        String raw = found.of(Kind.INPUT).stream()
                .filter(i -> i.name().equals("Host raw"))
                .findFirst()
                .orElseThrow()
                .id();
        assertTrue(fixes(found, "double:host>live").stream().anyMatch(f -> touches(f, raw, Productions.PROGRAM)));
        Rig fixed = with(found, raw, e -> e.with(Common.fixed(Kind.INPUT), List.of("on program")));
        List<Fix> left = fixes(fixed, "double:host>live");
        assertFalse(left.isEmpty());
        assertFalse(left.stream().anyMatch(f -> touches(f, raw, Productions.PROGRAM)));
    }

    private static boolean touches(Fix fix, String element, Setting<?> setting) {
        return fix.changes().stream()
                .anyMatch(c -> c instanceof Change.Set set
                        && set.element().equals(element)
                        && set.setting().equals(setting));
    }

    @Test
    void aProgramWithoutAChoiceIsSetInTheSystem() {
        Element chat = found.of(Kind.APPLICATION).stream()
                .filter(a -> a.name().equals("Huddlewick"))
                .findFirst()
                .orElseThrow();
        Rig without = with(found, chat.id(), e -> e.with(Applications.HAS_OUTPUT_CHOICE, false));
        List<String> there = sentences(fixes(without, "missing:crew>host-ears"));
        List<String> own = sentences(fixes(found, "missing:crew>host-ears"));
        String system = "In the computer's sound settings, set Huddlewick's output to Tern headset";
        String program = "In Huddlewick, choose Tern headset as the output";
        assertTrue(there.contains(system) && !there.contains(program), there.toString());
        assertTrue(own.contains(program) && !own.contains(system), own.toString());
    }

    private static List<String> sentences(List<Fix> fixes) {
        return fixes.stream().map(Fix::sentence).toList();
    }

    @Test
    void noInputForAProgramWhereTheProductionTakesNone() {
        Element production = found.of(Kind.PRODUCTION).getFirst();
        Element input = Element.of(Kind.INPUT, "new")
                .with(Productions.INPUT_OF, production.id())
                .with(Productions.TAKES, Productions.Takes.APPLICATION)
                .with(Productions.APPLICATION, "driftbox");
        Change add = new Change.Add(input);
        assertEquals(List.of(add), Feasible.of(found, List.of(add)));
        Rig without = with(found, production.id(), e -> e.with(Productions.CAPTURES_PROGRAMS, false));
        assertEquals(List.of(), Feasible.of(without, List.of(add)));
        Change microphone = new Change.Add(
                input.with(Productions.TAKES, Productions.Takes.RECORDING).with(Productions.DEVICE, to("larch")));
        assertEquals(List.of(microphone), Feasible.of(without, List.of(microphone)));
    }

    @Test
    void aStepSaysWhatHasToBeRestarted() {
        Element production = found.of(Kind.PRODUCTION).getFirst();
        Rig restarts = with(found, production.id(), e -> e.with(Productions.RESTARTS, true));
        Fix first = fixes(restarts, "double:host>live").getFirst();
        assertTrue(first.sentence().endsWith(", then restart " + production.name()), first.sentence());
    }
}
