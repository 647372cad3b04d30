package org.gullyrun.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.junit.jupiter.api.Test;

/** What {@code repair --without} names: settings of the survey, and what a repair would add. */
class RuledOutSettingsTest {
    private static final Rig RIG = Rig.of(List.of(Element.of(Kind.MIXER, "organ"), Element.of(Kind.SCENE, "dusk")));
    private static final Audit AUDIT = RuleCatalogue.usual().quick();
    private static final Reading READING = AUDIT.read(RIG, Brief.EMPTY);

    /** What was ruled out each time when repairs were asked for. */
    private final List<Set<Address>> asked = new ArrayList<>();

    private Set<Address> of(List<String> named, Set<Address> already, Function<Set<Address>, String> added) {
        return RuledOutSettings.of(RIG, named, already, out -> {
            asked.add(Set.copyOf(out));
            Change adds = new Change.Add(Element.of(Kind.ENTRY, added.apply(out)));
            return List.of(new Repair(List.of(adds), READING, READING, Repair.Proof.UNPROVED));
        });
    }

    private static Address whole(String id) {
        return new Address(id, "");
    }

    @Test
    void aSettingOfTheSurveyNeedsNoRepair() {
        assertEquals(Set.of(new Address("organ", "running")), of(List.of("organ/running"), Set.of(), out -> "none"));
        assertEquals(List.of(), asked);
    }

    @Test
    void whatTheCaseRulesOutAlreadyIsAcceptedThoughNoRepairAddsItAnyMore() {
        assertEquals(Set.of(), of(List.of("dusk-organ"), Set.of(whole("dusk-organ")), out -> "none"));
        assertEquals(List.of(), asked);
    }

    @Test
    void whatIsOnlyAddedInsteadOfSomethingElseIsFoundOnceThatIsRuledOut() {
        Set<Address> found = of(
                List.of("dawn-organ", "dusk-organ"),
                Set.of(),
                out -> out.contains(whole("dusk-organ")) ? "dawn-organ" : "dusk-organ");
        assertEquals(Set.of(whole("dusk-organ"), whole("dawn-organ")), found);
        assertEquals(List.of(Set.of(), Set.of(whole("dusk-organ"))), asked);
    }

    @Test
    void whatNobodyAddsDoesNotExist() {
        UsageProblem problem =
                assertThrows(UsageProblem.class, () -> of(List.of("dusk-orgn"), Set.of(), out -> "dusk-organ"));
        assertTrue(problem.getMessage().contains("'dusk-orgn'"), problem.getMessage());
    }
}
