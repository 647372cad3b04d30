package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Balance;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;

/** Is voice too close to what plays beside it, or is somebody much louder in one scene than in another? */
final class LevelBalance implements Rule {
    @Override
    public String id() {
        return "level.balance";
    }

    @Override
    public Topic topic() {
        return Topic.LEVEL;
    }

    @Override
    public FixKind fixKind() {
        return FixKind.BALANCE;
    }

    @Override
    public String question() {
        return "Is the voice covered by music, or far louder in one scene than in another?";
    }

    @Override
    public String severity() {
        return "Minor if the loudest voice is less than {balance.least} above the rest, or a voice differs by more than {balance.scenes} between scenes. Only sources whose level has been entered count.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        List<Finding> findings = new ArrayList<>();
        if (context.sources().stream().allMatch(s -> s.get(Sources.LEVEL) == null)) {
            return findings;
        }
        for (int o = 0; o < context.outlets().size(); o++) {
            Outlets.Sort sort = context.outlets().get(o).get(Outlets.SORT);
            if (sort == Outlets.Sort.LIVE
                    || sort == Outlets.Sort.ARCHIVE
                    || sort == Outlets.Sort.RELAY
                    || sort == Outlets.Sort.EARS) {
                beside(context, o, findings);
                between(context, o, findings);
            }
        }
        return findings;
    }

    /** Compares the loudest voice that has to be heard with everything that plays beside it. */
    private void beside(AuditContext context, int outlet, List<Finding> into) {
        Element at = context.outlets().get(outlet);
        Double wanted = context.brief().voiceOverMusic().get(at.id());
        double least = wanted == null ? context.thresholds().of(Threshold.BALANCE) : wanted;
        List<Integer> scenes = new ArrayList<>();
        double worst = Double.POSITIVE_INFINITY;
        for (int i = 0; i < context.scenes().size(); i++) {
            double above = Balance.of(context.scenes().get(i), context.sources().size(), outlet)
                    .voiceAboveBed();
            if (above < least - 1e-9) {
                if (above < worst) {
                    worst = above;
                    scenes.addFirst(i);
                } else {
                    scenes.add(i);
                }
            }
        }
        if (scenes.isEmpty()) {
            return;
        }
        SceneReading scene = context.scenes().get(scenes.getFirst());
        Balance balance = Balance.of(scene, context.sources().size(), outlet);
        CellReading voice = Objects.requireNonNull(balance.voice());
        CellReading bed = Objects.requireNonNull(balance.loudestOfBed());
        into.add(FindingBuilder.of(id(), Severity.MINOR, at.id())
                .in(scenes)
                .title(voice.source().name() + Say.verb(voice.source().name(), " is only ", " are only ")
                        + Say.of(worst, "dB") + " above the rest at " + at.name())
                .plain("At " + at.name() + ", " + bed.source().name()
                        + Say.verb(bed.source().name(), " nearly covers ", " nearly cover ")
                        + voice.source().name() + ".")
                .exact(
                        "At " + at.name(),
                        context.in(scenes),
                        "the loudest voice is at " + Say.of(balance.voiceLevel(), "dBFS")
                                + ", music, media, games and system sounds together at "
                                + Say.of(balance.bedLevel(), "dBFS")
                                + ": " + Say.of(worst, "dB") + " apart, wanted " + Say.of(least, "dB"))
                .cause(bed.source().name() + Say.verb(bed.source().name(), " is", " are")
                        + " the loudest next to the voice")
                .noticed("Listeners strain to follow.")
                .evidence(new Evidence(
                        scenes.getFirst(),
                        List.of(
                                context.scenes()
                                        .get(scenes.getFirst())
                                        .trace(
                                                Evidence.Form.ROUTE,
                                                bed.delivery().strongest()),
                                context.scenes()
                                        .get(scenes.getFirst())
                                        .trace(
                                                Evidence.Form.ROUTE,
                                                voice.delivery().strongest())),
                        List.of()))
                .figure("voice above the rest", worst, "dB")
                .figure("wanted", least, "dB")
                .made());
    }

    /** Compares each voice with itself in the other scenes. */
    private void between(AuditContext context, int outlet, List<Finding> into) {
        Element at = context.outlets().get(outlet);
        double most = context.thresholds().of(Threshold.BALANCE_SCENES);
        for (int s = 0; s < context.sources().size(); s++) {
            Element source = context.sources().get(s);
            SourceClass is = source.get(Sources.CLASS);
            if (is != SourceClass.VOICE && is != SourceClass.GUEST || source.get(Sources.LEVEL) == null) {
                continue;
            }
            int loud = -1;
            int quiet = -1;
            for (int i = 0; i < context.scenes().size(); i++) {
                CellReading cell = context.scenes().get(i).cell(s, outlet);
                if (cell.delivery().arrives() && cell.wish() != Wish.NEVER) {
                    loud = loud < 0 || cell.usualLevel() > level(context, loud, s, outlet) ? i : loud;
                    quiet = quiet < 0 || cell.usualLevel() < level(context, quiet, s, outlet) ? i : quiet;
                }
            }
            double by = loud < 0 ? 0 : level(context, loud, s, outlet) - level(context, quiet, s, outlet);
            if (by > most + 1e-9) {
                CellReading cell = context.scenes().get(quiet).cell(s, outlet);
                into.add(FindingBuilder.pair(id(), Severity.MINOR, source, at)
                        .in(List.of(quiet, loud))
                        .title(source.name() + " at " + at.name() + " differs by " + Say.of(by, "dB")
                                + " between scenes")
                        .plain("At " + at.name() + ", " + source.name() + Say.verb(source.name(), " is", " are")
                                + " far louder in one scene than in another.")
                        .exact(source.name() + " at " + at.name() + " at "
                                + Say.of(level(context, loud, s, outlet), "dBFS") + " in "
                                + context.scenes().get(loud).name() + " and at "
                                + Say.of(level(context, quiet, s, outlet), "dBFS") + " in "
                                + context.scenes().get(quiet).name())
                        .cause("the scenes bring it at different levels or by different routes")
                        .noticed("Listeners reach for their volume.")
                        .evidence(context.evidence(
                                quiet, Evidence.Form.ROUTE, cell.delivery().strongest()))
                        .figure("difference", by, "dB")
                        .made());
            }
        }
    }

    /** The usual level of a source at a listener, in dBFS. */
    private static double level(AuditContext context, int scene, int source, int outlet) {
        return context.scenes().get(scene).cell(source, outlet).usualLevel();
    }
}
