package org.gullyrun.desktop.state;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.ExamplePair;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.rig.Changes;
import org.junit.jupiter.api.Test;

/** What a selection lights. */
class ShownTest {
    @Test
    void everyRulesExampleLightsSomethingOnTheMap() {
        List<String> dark = new ArrayList<>();
        ExamplePair.all().forEach((rule, pair) -> {
            Reading reading = RuleCatalogue.usual().read(Changes.apply(ExamplePair.GOOD, pair.with()), pair.brief());
            for (Finding finding : reading.findings()) {
                Shown shown = Shown.of(reading, new Selection.Trouble(finding.identity()), -1);
                if (finding.rule().equals(rule)
                        && (shown.finding() == null
                                || shown.segments().isEmpty() && shown.points().isEmpty())) {
                    dark.add(finding.identity());
                }
            }
        });
        assertEquals(List.of(), dark);
    }
}
