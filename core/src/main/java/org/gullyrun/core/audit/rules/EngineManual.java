package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Setting;

/** Is an engine on which musts go not started with its machine? */
final class EngineManual implements Rule {
    @Override
    public String id() {
        return "engine.manual";
    }

    @Override
    public Topic topic() {
        return Topic.RISK;
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
        return Objects.requireNonNull(Capabilities.engine(engine.kind())).starts();
    }

    /** How many musts arrive now, in some scene, and would not if the engine did not run. */
    private static int needing(AuditContext context, Element engine) {
        Address running = new Address(engine.id(), EngineDown.running(engine).key());
        Set<String> pairs = new HashSet<>();
        for (int i = 0; i < context.scenes().size(); i++) {
            SceneReading scene = context.scenes().get(i);
            boolean[] cut = new boolean[scene.graph().segments()];
            for (int segment : scene.graph().gated(running)) {
                cut[segment] = true;
            }
            for (int s = 0; s < context.sources().size() && !context.isAsBefore(i); s++) {
                if (!context.mustsThrough(s).containsKey(engine.id())) {
                    continue;
                }
                boolean[] reached = scene.view().reachedWithout(scene.sourcePoint(s), cut);
                for (int o = 0; o < context.outlets().size(); o++) {
                    CellReading cell = scene.cell(s, o);
                    if (cell.wish() == Wish.MUST && cell.delivery().arrives() && !reached[scene.outletPoint(o)]) {
                        pairs.add(s + ">" + o);
                    }
                }
            }
        }
        return pairs.size();
    }

    @Override
    public List<Finding> check(AuditContext context) {
        List<Finding> findings = new ArrayList<>();
        List<Element> manual = EngineDown.engines(context.rig()).stream()
                .filter(e -> !e.is(starts(e), true) && !(e.kind() == Kind.MIXER && e.is(Mixers.HARDWARE, false)))
                .toList();
        if (manual.isEmpty()) {
            return findings;
        }
        Map<String, Integer> through = new HashMap<>();
        for (int s = 0; s < context.sources().size(); s++) {
            context.mustsThrough(s).forEach((program, musts) -> through.merge(program, musts, Integer::sum));
        }
        for (Element engine : manual) {
            int musts = through.getOrDefault(engine.id(), 0) == 0 ? 0 : needing(context, engine);
            if (musts > 0) {
                findings.add(new Finding(
                        id(),
                        Finding.Subject.of(List.of(engine.id())),
                        Severity.MINOR,
                        List.of(),
                        new Finding.Words(
                                engine.name() + " doesn't start with the computer",
                                "After a restart you have to start " + engine.name() + " by hand.",
                                Say.sentence(engine.name() + " doesn't start with its computer; " + musts + " required "
                                        + (musts == 1 ? "delivery depends" : "deliveries depend") + " on it"),
                                engine.name() + " is not among what starts with the computer",
                                "Silence after a restart, until somebody starts it."),
                        Evidence.of(new Address(engine.id(), starts(engine).key())),
                        List.of(new Figure("musts", musts, "")),
                        false));
            }
        }
        return findings;
    }
}
