package org.gullyrun.core.audit.rules;

import java.util.Optional;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.jspecify.annotations.Nullable;

/** Must music or media arrive at a far end whose program lets voices through only? */
final class CallVoiceOnly extends MustRule {
    @Override
    public String id() {
        return "call.voice-only";
    }

    @Override
    public Topic topic() {
        return Topic.CALL;
    }

    @Override
    public FixKind fixKind() {
        return FixKind.FULL_SOUND;
    }

    @Override
    public String question() {
        return "Does a call that drops music have to carry some?";
    }

    @Override
    public String severity() {
        return "Major.";
    }

    @Override
    boolean applies(AuditContext context) {
        return context.rig().of(Kind.APPLICATION).stream().anyMatch(a -> a.is(Applications.VOICE_ONLY, false));
    }

    /** Also where it does not arrive yet: the program would drop it all the same. */
    @Override
    boolean concerns(CellReading cell) {
        return cell.wish() == Wish.MUST;
    }

    @Override
    @Nullable
    Severity judge(AuditContext context, SceneReading scene, CellReading cell) {
        SourceClass is = cell.source().get(Sources.CLASS);
        boolean music = is == SourceClass.MUSIC || is == SourceClass.MEDIA;
        boolean drops = application(context, cell)
                .filter(a -> a.is(Applications.VOICE_ONLY, false))
                .isPresent();
        return music && drops ? Severity.MAJOR : null;
    }

    /** The call that a far end listens through. */
    private static Optional<Element> application(AuditContext context, CellReading cell) {
        return cell.outlet().get(Outlets.SORT) == Outlets.Sort.FAR_END
                ? context.rig().find(cell.outlet().get(Outlets.APPLICATION), Kind.APPLICATION)
                : Optional.empty();
    }

    @Override
    FindingBuilder tell(AuditContext context, int scene, CellReading cell, String inScenes, FindingBuilder told) {
        Element program = application(context, cell).orElseThrow();
        String source = cell.source().name();
        String outlet = cell.outlet().name();
        return told.title(program.name() + " drops music, so " + outlet + " won't hear " + source)
                .plain(program.name() + " takes " + source + " for noise and drops " + Say.verb(source, "it.", "them."))
                .exact(source + " must reach " + outlet + ", and " + program.name() + " drops music", inScenes)
                .cause(program.name() + " is set to voice only")
                .noticed("The others hear " + source + " break up, or not at all.")
                .setting(program, Applications.VOICE_ONLY)
                .evidence(
                        cell.delivery().arrives()
                                ? context.evidence(
                                        scene,
                                        Evidence.Form.ROUTE,
                                        cell.delivery().strongest())
                                : Evidence.of());
    }
}
