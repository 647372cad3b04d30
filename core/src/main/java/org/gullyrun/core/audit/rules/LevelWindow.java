package org.gullyrun.core.audit.rules;

import java.util.Map;
import java.util.Objects;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/** Is a source at an outlet outside the window that the brief sets? */
final class LevelWindow extends MustRule {
    @Override
    public String id() {
        return "level.window";
    }

    @Override
    public Topic topic() {
        return Topic.LEVEL;
    }

    @Override
    public FixKind fixKind() {
        return FixKind.INTO_WINDOW;
    }

    @Override
    public String question() {
        return "Is something louder or quieter than the brief asks for?";
    }

    @Override
    public String severity() {
        return "Minor.";
    }

    @Override
    boolean concerns(CellReading cell) {
        return cell.delivery().arrives() && cell.wish() != Wish.NEVER;
    }

    /** The window that the brief sets for a source that arrives; null if it sets none or the level lies inside. */
    private static Brief.@Nullable Window window(AuditContext context, SceneReading scene, CellReading cell) {
        Map<Brief.Cell, Brief.Window> all = context.brief().windows();
        if (all.isEmpty()) {
            return null;
        }
        String source = cell.source().id();
        String outlet = cell.outlet().id();
        Brief.Window own = all.get(new Brief.Cell(source, outlet, scene.key().scene()));
        return own != null ? own : all.get(new Brief.Cell(source, outlet, ""));
    }

    @Override
    boolean applies(AuditContext context) {
        return !context.brief().windows().isEmpty();
    }

    @Override
    @Nullable
    Severity judge(AuditContext context, SceneReading scene, CellReading cell) {
        Brief.Window window = window(context, scene, cell);
        return window != null && off(window, cell) != 0 ? Severity.MINOR : null;
    }

    /** By how many dB a level lies above the window, negative if below it, 0 inside. */
    private static double off(Brief.Window window, CellReading cell) {
        double level = cell.usualLevel();
        if (window.most() != null && level > window.most() + 1e-9) {
            return level - window.most();
        }
        return window.least() != null && level < window.least() - 1e-9 ? level - window.least() : 0;
    }

    @Override
    FindingBuilder tell(AuditContext context, int scene, CellReading cell, String inScenes, FindingBuilder told) {
        Brief.Window window =
                Objects.requireNonNull(window(context, context.scenes().get(scene), cell));
        double off = off(window, cell);
        String how = off > 0 ? "too loud" : "too quiet";
        String source = cell.source().name();
        String outlet = cell.outlet().name();
        return told.title(source + Say.verb(source, " is ", " are ") + how + " at " + outlet)
                .plain(source + Say.verb(source, " is ", " are ") + Say.of(Math.abs(off), "dB") + " " + how + " at "
                        + outlet + ".")
                .exact(
                        source + " at " + outlet + " at " + Say.of(cell.usualLevel(), "dBFS") + ", "
                                + Say.of(Math.abs(off), "dB") + (off > 0 ? " above" : " below")
                                + " the window in the brief",
                        inScenes)
                .cause("the levels along the route add up to "
                        + Say.of(cell.delivery().strength(), "dB"))
                .noticed(off > 0 ? "It covers the rest." : "It gets lost beside the rest.")
                .evidence(context.evidence(
                        scene, Evidence.Form.ROUTE, cell.delivery().strongest()))
                .figure("level", cell.usualLevel(), "dBFS")
                .figure("outside by", off, "dB")
                .assumed(cell.source().get(Sources.LEVEL) == null);
    }
}
