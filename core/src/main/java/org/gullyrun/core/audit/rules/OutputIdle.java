package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Sentences;

/** Is an output that the brief has musts for not active? */
final class OutputIdle implements Rule {
    @Override
    public String id() {
        return "output.idle";
    }

    @Override
    public Topic topic() {
        return Topic.DOWN;
    }

    @Override
    public String question() {
        return "Is an output not active that listeners need?";
    }

    @Override
    public String severity() {
        return "Critical.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Element output : context.rig().of(Kind.OUTPUT)) {
            if (output.is(Productions.ACTIVE, true)) {
                continue;
            }
            // Whatever else may be in the way: without the output nothing of it arrives.
            List<String> musts = context.musts().stream()
                    .filter(c -> output.id().equals(c.outlet().get(Outlets.OUTPUT)))
                    .map(c -> c.source().name() + " at " + c.outlet().name())
                    .toList();
            if (!musts.isEmpty()) {
                String program = context.rig().program(output).name();
                findings.add(new Finding(
                        id(),
                        Finding.Subject.of(List.of(output.id())),
                        Severity.CRITICAL,
                        List.of(),
                        new Finding.Words(
                                output.name() + " isn't active",
                                Sentences.called("Output", output.name()) + " in " + program + " hasn't been started.",
                                Say.sentence(
                                        Sentences.called("Output", output.name())
                                                + " isn't active. Silent because of it:",
                                        Say.first(musts, 4)),
                                "the output hasn't been started",
                                "Nobody there gets the show."),
                        Evidence.of(new Address(output.id(), Productions.ACTIVE.key())),
                        List.of(new Figure("musts", musts.size(), "")),
                        false));
            }
        }
        return findings;
    }
}
