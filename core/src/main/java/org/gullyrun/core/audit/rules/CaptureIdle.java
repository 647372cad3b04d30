package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;

/** Does an input, strip or cable have no open route from any source in any scene? */
final class CaptureIdle implements Rule {
    @Override
    public String id() {
        return "capture.idle";
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
        return "Is there an input, strip or cable that no sound reaches?";
    }

    @Override
    public String severity() {
        return "A note.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Rig rig = context.rig();
        List<Finding> findings = new ArrayList<>();
        rig.of(Kind.INPUT).forEach(e -> check(context, e, e.id(), Productions.TAKES, findings));
        rig.of(Kind.STRIP).forEach(e -> check(context, e, e.id(), Mixers.FEED, findings));
        rig.of(Kind.CABLE).forEach(e -> check(context, e, e.or(Links.CABLE_FROM, ""), Links.CABLE_FROM, findings));
        return findings;
    }

    /** Adds a finding if no source reaches the point in any scene. */
    private void check(
            AuditContext context, Element element, String point, Setting<?> setting, List<Finding> findings) {
        for (SceneReading scene : context.scenes()) {
            if (scene.isFed(point) || element.kind() == Kind.INPUT && scene.isCopyFed(element.id())) {
                return;
            }
        }
        if (context.isConsequence(PointId.of(point))) {
            return; // what silences it is told, and clears this with it
        }
        String noun = Sentences.noun(context.rig(), element);
        findings.add(new Finding(
                id(),
                Finding.Subject.of(List.of(element.id())),
                Severity.NOTE,
                List.of(),
                new Finding.Words(
                        "Nothing reaches " + noun,
                        "No sound reaches " + noun + ".",
                        Say.sentence(
                                "No source has an open route to " + noun,
                                context.scenes().size() > 1 ? "in any scene" : ""),
                        "what it takes is silent, or it takes nothing",
                        "Nothing. It clutters the picture when you look for faults."),
                Evidence.of(new Address(element.id(), setting.key())),
                List.of(),
                false));
    }
}
