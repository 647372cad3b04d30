package org.gullyrun.lab;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** The sample show entered in the real window by keys alone. */
class TypistTest {
    private static List<String> names(Rig rig) {
        return rig.elements().stream()
                .filter(e -> e.kind() != Kind.APP_OUTPUT && !Capabilities.isNamedAfterEnds(e.kind()))
                .map(e -> e.kind().noun() + " "
                        + (e.kind() == Kind.ENTRY
                                ? rig.name(e.get(Productions.ENTRY_OF)) + " brings "
                                        + rig.name(e.get(Productions.BRINGS))
                                : e.name()))
                .sorted()
                .toList();
    }

    @Tag("long")
    @Test
    void theWholeSampleShowTypedInSoundsTheSameAndTakesFewKeys() throws Exception {
        Rig want = SampleShow.make().surveys().getFirst().rig();
        Usability.Measured typed = Usability.measure(want, false);
        assertEquals(names(want), names(typed.rig()));
        assertEquals(want.elements().size(), typed.elements());
        assertTrue(typed.strokes() < 14 * want.elements().size(), typed.strokes() + " keys");
        Reading wanted = RuleCatalogue.usual().read(want, Brief.EMPTY);
        Reading is = RuleCatalogue.usual().read(typed.rig(), Brief.EMPTY);
        for (int scene = 0; scene < wanted.scenes().size(); scene++) {
            for (int s = 0; s < want.of(Kind.SOURCE).size(); s++) {
                for (int o = 0; o < want.of(Kind.OUTLET).size(); o++) {
                    var a = wanted.scenes().get(scene).cell(s, o);
                    var b = is.scenes().get(scene).cell(s, o);
                    assertEquals(a.delivery().routes(), b.delivery().routes(), a.source() + " at " + a.outlet());
                    assertEquals(a.usualLevel(), b.usualLevel(), 1e-9, a.source() + " at " + a.outlet());
                }
            }
        }
    }
}
