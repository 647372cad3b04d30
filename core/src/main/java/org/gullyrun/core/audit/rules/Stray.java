package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Complaint.What;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;

/** Does an application reach no outlet, whatever way its sound takes? */
final class Stray implements Rule {
    @Override
    public String id() {
        return "stray";
    }

    @Override
    public Topic topic() {
        return Topic.CLUTTER;
    }

    @Override
    public Set<What> heardAs() {
        return Set.of(What.NOTHING);
    }

    @Override
    public FixKind fixKind() {
        return FixKind.OTHER_OUTPUT;
    }

    @Override
    public String question() {
        return "Does a program play where nobody hears it?";
    }

    @Override
    public String severity() {
        return "Minor.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Rig rig = context.rig();
        Set<String> reaching = new HashSet<>();
        for (int i = 0; i < context.scenes().size(); i++) {
            SceneReading scene = context.scenes().get(i);
            if (!context.isAsBefore(i)) {
                boolean[] reaches = scene.view().reaching(scene.graph().outlets());
                for (int p = 0; p < reaches.length; p++) {
                    if (reaches[p] && scene.graph().kind(p) == PointKind.APPLICATION_OUT) {
                        reaching.add(scene.graph().element(p));
                    }
                }
            }
        }
        Set<String> missing = new HashSet<>();
        context.missing().forEach(p -> missing.add(p.source().or(Sources.AT, "")));
        Set<String> sounding = new HashSet<>();
        rig.of(Kind.SOURCE).forEach(s -> sounding.add(s.or(Sources.AT, "")));
        List<Finding> findings = new ArrayList<>();
        for (Element application : rig.of(Kind.APPLICATION)) {
            if (sounding.contains(application.id())
                    && !reaching.contains(application.id())
                    && !missing.contains(application.id())) {
                findings.add(tell(context, application));
            }
        }
        return findings;
    }

    /** Says where the sound ends instead, which is what the technician asks next. */
    private Finding tell(AuditContext context, Element application) {
        Rig rig = context.rig();
        SceneReading scene = context.scenes().getFirst();
        FlowGraph graph = scene.graph();
        int out = graph.point(PointId.out(application.id()));
        List<String> ends = new ArrayList<>();
        if (out >= 0) {
            boolean[] reached = scene.view().reachedFromOne(out);
            for (int p = 0; p < reached.length; p++) {
                int point = p;
                if (reached[p] && p != out && Arrays.stream(graph.out(p)).noneMatch(graph::isOpen)) {
                    ends.add(rig.name(graph.element(point)));
                }
            }
        }
        String where = ends.isEmpty()
                ? "it goes nowhere"
                : "it ends at " + Say.first(List.copyOf(new LinkedHashSet<>(ends)), 3);
        FindingBuilder told = FindingBuilder.of(id(), Severity.MINOR, application.id())
                .title("Nobody hears " + application.name())
                .plain("Nobody hears what " + application.name() + " plays: " + where + ".")
                .exact(
                        application.name() + " reaches no listener",
                        context.scenes().size() > 1 ? "in any scene:" : ":",
                        where)
                .cause(where)
                .noticed("Nobody hears it, and the brief doesn't ask for it.")
                .setting(application, Applications.MUTED);
        for (Element output : rig.in(application.id(), Kind.APP_OUTPUT)) {
            told.setting(output, Applications.PROGRAM_CHOICE);
        }
        return told.made();
    }
}
