package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Thresholds;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** A new rule is one class and one line of a list: the audit, the order of findings and the fixes ask it for the rest. */
class NewRuleTest {

    /** Finds every cable, as if none were wanted. */
    private static final class NoCables implements Rule {
        @Override
        public String id() {
            return "test.no-cables";
        }

        @Override
        public Topic topic() {
            return Topic.CLUTTER;
        }

        @Override
        public FixKind fixKind() {
            return FixKind.REMOVE;
        }

        @Override
        public String question() {
            return "Is a cable there that nobody needs?";
        }

        @Override
        public String severity() {
            return "Critical.";
        }

        @Override
        public List<Finding> check(AuditContext context) {
            List<Finding> findings = new ArrayList<>();
            for (Element cable : context.rig().of(Kind.CABLE)) {
                findings.add(new Finding(
                        id(),
                        Finding.Subject.of(List.of(cable.id())),
                        Severity.CRITICAL,
                        List.of(0),
                        new Finding.Words(
                                cable.name() + " is not wanted", "It is there.", "It is there.", "", "Nothing."),
                        Evidence.of(new Address(cable.id(), "from")),
                        List.of(),
                        false));
            }
            return findings;
        }
    }

    @Test
    void itIsAskedSortedAndFixed() {
        Rig rig = SampleShow.make().surveys().getFirst().rig();
        List<Rule> rules = new ArrayList<>(RuleCatalogue.ALL);
        rules.add(new NoCables());
        Audit audit = new Audit(Thresholds.USUAL, List.of(), rules);
        Reading reading = audit.read(rig, Brief.EMPTY);
        List<Finding> found = reading.findings().stream()
                .filter(f -> f.rule().equals("test.no-cables"))
                .toList();
        assertEquals(rig.of(Kind.CABLE).size(), found.size());
        assertEquals(Topic.CLUTTER, reading.rule(found.getFirst()).topic());
        assertTrue(reading.findings().indexOf(found.getLast()) < reading.count(Severity.CRITICAL), "worst first");
        List<List<Change>> candidates = Candidates.of(reading, found.getFirst());
        String cable = found.getFirst().subject().elements().getFirst();
        assertTrue(
                candidates.stream().anyMatch(c -> c.contains(new Change.Remove(rig.get(cable)))),
                "removing it is among " + candidates);
    }
}
