package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Complaint.What;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;

/** Does an output take a track that nothing feeds in any scene? */
final class TrackEmpty implements Rule {
    @Override
    public String id() {
        return "track.empty";
    }

    @Override
    public Topic topic() {
        return Topic.TRACK;
    }

    @Override
    public Set<What> heardAs() {
        return Set.of(What.NOTHING);
    }

    @Override
    public FixKind fixKind() {
        return FixKind.GATES;
    }

    @Override
    public String question() {
        return "Does an output take a track that nothing goes to?";
    }

    @Override
    public String severity() {
        return "Minor.";
    }

    /** Whether a listener who hears a track misses a source that it should hear: then that is the trouble. */
    private static boolean isMissedBySomebody(AuditContext context, Element production, int track) {
        return context.missing().stream()
                .anyMatch(pair -> context.rig()
                        .find(pair.outlet().get(Outlets.OUTPUT), Kind.OUTPUT)
                        .filter(output -> context.rig().owner(output) == production)
                        .filter(output -> output.is(Productions.TAKES_TRACK.of(track), false))
                        .isPresent());
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Rig rig = context.rig();
        List<Finding> findings = new ArrayList<>();
        for (Element output : rig.of(Kind.OUTPUT)) {
            Element production = rig.owner(output);
            if (production == null || !production.is(Productions.RUNNING, true)) {
                continue; // that it is not running is the trouble
            }
            List<Integer> empty = Productions.ticked(output, Productions.TAKES_TRACK).stream()
                    .filter(n -> context.scenes().stream().noneMatch(s -> s.isFed(PointId.track(production.id(), n)))
                            && !isMissedBySomebody(context, production, n)
                            && !context.isConsequence(PointId.track(production.id(), n)))
                    .toList();
            if (!empty.isEmpty()) {
                String names = Say.tracks(rig, production, empty);
                FindingBuilder told = FindingBuilder.of(id(), Severity.MINOR, output.id())
                        .title("Nothing goes to " + names
                                + (names.contains(output.name()) ? "" : ", which " + output.name() + " takes"))
                        .plain("In " + production.name() + ", nothing goes to " + names + ", so there is only silence.")
                        .exact(
                                "No source has an open route to " + names,
                                context.scenes().size() > 1 ? "in any scene" : "")
                        .cause("no input with sound goes to it")
                        .noticed("The track is there and stays silent.");
                empty.forEach(n -> told.setting(output, Productions.TAKES_TRACK.of(n)));
                findings.add(told.made());
            }
        }
        return findings;
    }
}
