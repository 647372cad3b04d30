package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.SmallRig;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.brief.Waiver;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.junit.jupiter.api.Test;

/** What is drawn as trouble, and what is found, are one: the worst finding about a pair decides. */
class LoudnessTest {
    private static final Set<String> EXPLAIN = Set.of("engine.down", "output.idle", "device.gone", "device.fallback");

    private static Brief brief(Rig rig, Random random) {
        Brief brief = Brief.EMPTY;
        for (Element source : rig.of(Kind.SOURCE)) {
            for (Element outlet : rig.of(Kind.OUTLET)) {
                Wish wish = Wish.values()[random.nextInt(3)];
                brief = brief.with(new Brief.Cell(source.id(), outlet.id(), ""), wish);
            }
        }
        return brief;
    }

    @Test
    void cellsAndFindingsAgreeOnRandomRigsAlsoWhereSomeAreWaived() {
        int loud = 0;
        int calm = 0;
        for (int seed = 0; seed < RandomRigs.many(150, 3_000); seed++) {
            Random random = new Random(seed);
            Rig rig = RandomRigs.of(seed);
            Brief brief = brief(rig, random);
            Reading all = RuleCatalogue.usual().quick().read(rig, brief);
            List<Waiver> waivers = all.findings().stream()
                    .filter(f -> random.nextInt(4) == 0)
                    .map(f -> all.waiver(f, "seen"))
                    .toList();
            Reading reading = RuleCatalogue.on(new Terms(Terms.USUAL.limits(), waivers), 4)
                    .quick()
                    .read(rig, brief);
            for (int i = 0; i < reading.scenes().size(); i++) {
                for (CellReading cell : reading.scenes().get(i).cells()) {
                    boolean is = reading.isLoud(i, cell);
                    String about = "seed " + seed + " scene " + i + " "
                            + cell.source().id() + ">" + cell.outlet().id() + " " + cell.verdict();
                    int scene = i;
                    List<Finding> here = about(reading.findings(), cell);
                    if (here.stream().anyMatch(f -> f.isBad() && f.scenes().contains(scene))) {
                        assertTrue(is, about + ": a bad finding is drawn as good");
                    }
                    if (is) {
                        boolean explained = cell.verdict() == Verdict.MISSING
                                && reading.findings().stream().anyMatch(f -> EXPLAIN.contains(f.rule()));
                        boolean waivedBeside = cell.verdict() == Verdict.MISSING
                                && reading.waived().stream().anyMatch(f -> EXPLAIN.contains(f.rule()));
                        assertTrue(
                                explained || waivedBeside || here.stream().anyMatch(f -> f.severity() != Severity.NOTE),
                                about + ": drawn as trouble, and nothing says why");
                        loud++;
                    } else {
                        calm++;
                    }
                }
            }
        }
        assertTrue(loud > 1_000 && calm > 1_000, loud + " loud, " + calm + " calm");
    }

    private static List<Finding> about(List<Finding> findings, CellReading cell) {
        return findings.stream().filter(f -> f.isAbout(cell)).toList();
    }

    /** A must that is doubled and converted three times: the note about the conversions must not hide the double. */
    @Test
    void aNoteAboutAPairDoesNotCalmWhatIsBadAboutIt() {
        SmallRig rig = new SmallRig()
                .source("ann", SourceClass.VOICE, -20)
                .device("a", Devices.Direction.PLAYBACK, 44_100)
                .device("b", Devices.Direction.RECORDING, 48_000)
                .device("ears", Devices.Direction.PLAYBACK, 44_100)
                .pass("one", "mic-ann", "a", 0, 0)
                .wire("two", "a", "b", 0, 0)
                .pass("three", "b", "ears", 0, 0)
                .pass("again", "b", "ears", 0, 20)
                .ears("o", "ears");
        Brief brief = Brief.EMPTY.with(new Brief.Cell("ann", "o", ""), Wish.MUST);
        Reading reading = RuleCatalogue.usual().read(rig.rig(), brief);
        List<String> rules = new ArrayList<>(about(reading.findings(), reading.worst(0, 0)).stream()
                .map(Finding::rule)
                .toList());
        assertTrue(rules.contains("rate.many") && rules.contains("double"), rules.toString());
        assertTrue(reading.isLoud(0, reading.worst(0, 0)));

        Finding twice = reading.findings().stream()
                .filter(f -> f.rule().equals("double"))
                .findFirst()
                .orElseThrow();
        Terms terms = new Terms(Terms.USUAL.limits(), List.of(reading.waiver(twice, "wanted so")));
        Reading waived = RuleCatalogue.on(terms, 4).read(rig.rig(), brief);
        assertEquals(
                List.of("double:ann>o"),
                waived.waived().stream().map(Finding::identity).toList());
        assertFalse(waived.isLoud(0, waived.worst(0, 0)), "what is waived is calm");
    }
}
