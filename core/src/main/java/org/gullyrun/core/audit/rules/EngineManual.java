package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Setting;

/** Is an engine on which musts go not started with its machine? */
final class EngineManual implements Rule {
    @Override
    public String id() {
        return "engine.manual";
    }

    @Override
    public String question() {
        return "Does somebody have to start by hand what the sound goes through?";
    }

    @Override
    public String severity() {
        return "Minor.";
    }

    private static Setting<Boolean> starts(Element engine) {
        return switch (engine.kind()) {
            case MIXER -> Mixers.STARTS;
            case PROCESSOR -> Links.PROCESSOR_STARTS;
            default -> Productions.STARTS;
        };
    }

    @Override
    public List<Finding> check(AuditContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Element engine : EngineDown.engines(context.rig())) {
            if (engine.is(starts(engine), true)
                    || engine.kind() == org.gullyrun.core.rig.Kind.MIXER && engine.is(Mixers.HARDWARE, false)) {
                continue;
            }
            int musts = throughStrongest(context, engine);
            if (musts > 0) {
                findings.add(new Finding(
                        id(),
                        Finding.Subject.of(List.of(engine.id())),
                        Severity.MINOR,
                        List.of(),
                        new Finding.Words(
                                engine.name() + " does not start with the computer",
                                "After a restart " + engine.name() + " has to be started by hand.",
                                Say.sentence(engine.name() + " does not start with its machine; " + musts
                                        + (musts == 1 ? " must goes" : " musts go") + " through it"),
                                engine.name() + " is not among what starts with the computer",
                                "Silence after a restart, until somebody starts it."),
                        Evidence.of(new Address(engine.id(), starts(engine).key())),
                        List.of(new Figure("musts", musts, "")),
                        false));
            }
        }
        return findings;
    }

    private static int throughStrongest(AuditContext context, Element engine) {
        int count = 0;
        SceneReading first = context.scenes().getFirst();
        for (int i = 0; i < first.cells().size(); i++) {
            for (SceneReading scene : context.scenes()) {
                CellReading cell = scene.cells().get(i);
                if (cell.wish() == Wish.MUST
                        && cell.delivery().strongest().stream().anyMatch(s -> belongs(context, scene, s, engine))) {
                    count++;
                    break;
                }
            }
        }
        return count;
    }

    private static boolean belongs(AuditContext context, SceneReading scene, int segment, Element engine) {
        Element by = context.rig().find(scene.graph().segmentElement(segment));
        return by != null && context.rig().program(by) == engine;
    }
}
