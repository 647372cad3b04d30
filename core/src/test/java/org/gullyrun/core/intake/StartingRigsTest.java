package org.gullyrun.core.intake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.Stream;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.rig.Dangling;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every rig to start from has to work as it stands: a newcomer trusts it. */
class StartingRigsTest {
    static Stream<StartingRigs.Starting> all() {
        return StartingRigs.all().stream();
    }

    @ParameterizedTest
    @MethodSource("all")
    void itsBriefHoldsNothingIsOpenAndEveryElementLeadsSomewhere(StartingRigs.Starting starting) {
        var reading = RuleCatalogue.usual().read(starting.rig(), starting.brief());
        List<String> bad = reading.findings().stream()
                .filter(Finding::isBad)
                .map(f -> f.identity() + ": " + f.words().exact())
                .toList();
        assertEquals(List.of(), bad, starting.key());
        assertEquals(List.of(), Dangling.in(starting.rig()));
        assertEquals(List.of(), Questions.of(starting.rig()));
        assertFalse(starting.brief().cells().isEmpty());
        starting.rig()
                .of(org.gullyrun.core.rig.Kind.SOURCE)
                .forEach(source -> assertFalse(LeadsTo.names(reading, source).isEmpty(), source.name()));
        assertEquals(2, starting.about().split("\\. ").length, "explained in two sentences");
        assertTrue(starting.about().endsWith("."));
    }
}
