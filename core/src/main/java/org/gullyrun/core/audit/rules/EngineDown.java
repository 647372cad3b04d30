package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.MissingPair;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/** Is a mixer, processor or production not running that a must needs? */
final class EngineDown implements Rule {
    @Override
    public String id() {
        return "engine.down";
    }

    @Override
    public Topic topic() {
        return Topic.DOWN;
    }

    @Override
    public String question() {
        return "Is a mixer, processor or production stopped that something required needs?";
    }

    @Override
    public String severity() {
        return "Critical.";
    }

    /** Mixers, processors and productions: all that must run for sound to pass. */
    static List<Element> engines(Rig rig) {
        return Stream.of(Kind.MIXER, Kind.PROCESSOR, Kind.PRODUCTION)
                .flatMap(kind -> rig.of(kind).stream())
                .toList();
    }

    static Setting<Boolean> running(Element engine) {
        return Objects.requireNonNull(Capabilities.engine(engine.kind())).running();
    }

    @Override
    public List<Finding> check(AuditContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Element engine : engines(context.rig())) {
            Setting<Boolean> running = running(engine);
            if (engine.is(running, true)) {
                continue;
            }
            List<MissingPair> hanging = context.hangingOn(engine.id(), running.key());
            if (!hanging.isEmpty()) {
                findings.add(new Finding(
                        id(),
                        Finding.Subject.of(List.of(engine.id())),
                        Severity.CRITICAL,
                        List.of(),
                        new Finding.Words(
                                engine.name() + " isn't running",
                                engine.name() + " isn't running, and your sound goes through it.",
                                Say.sentence(
                                        engine.name() + " isn't running. Silent because of it:",
                                        Say.musts(context, hanging)),
                                engine.name() + " is stopped",
                                "Silence everywhere behind it."),
                        Evidence.of(new Address(engine.id(), running.key())),
                        List.of(new Figure("musts", hanging.size(), "")),
                        false));
            }
        }
        return findings;
    }
}
