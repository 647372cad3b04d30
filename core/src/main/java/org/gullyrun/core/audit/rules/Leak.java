package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Thresholds;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.brief.Wishes.Ground;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.Figures;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/** Does a never have an open route? */
final class Leak extends PairRule {
    @Override
    public String id() {
        return "leak";
    }

    @Override
    public Topic topic() {
        return Topic.LEAK;
    }

    @Override
    public String question() {
        return "Does somebody hear what the brief says they never should?";
    }

    @Override
    public String severity() {
        return "Critical at live, relay and far ends, and for private or licensed sources wherever sound is kept; else major. Below {leak.minor} minor, below {leak.note} a note; a private source keeps its severity down to {leak.private}.";
    }

    @Override
    @Nullable
    Severity judge(AuditContext context, SceneReading scene, CellReading cell) {
        if (cell.wish() != Wish.NEVER || cell.verdict() != Verdict.LEAK || cell.ownVoice()) {
            return null;
        }
        return TrackMixed.concerns(context, cell) ? null : severity(context.thresholds(), cell);
    }

    /** By where the sound ends up and how strong it is. What nobody will notice is a note. */
    private static Severity severity(Thresholds t, CellReading cell) {
        Outlets.Sort sort = cell.outlet().get(Outlets.SORT);
        boolean isPrivate = cell.source().is(Sources.PRIVATE, false);
        boolean flagged = isPrivate || cell.source().is(Sources.LICENSED, false);
        Severity full = sort == Outlets.Sort.LIVE
                        || sort == Outlets.Sort.RELAY
                        || sort == Outlets.Sort.FAR_END
                        || flagged && sort != null && sort.keeps()
                ? Severity.CRITICAL
                : Severity.MAJOR;
        if (isPrivate && Figures.reaches(cell.electric().strength(), t.of(Threshold.PRIVATE_KEPT))) {
            return full;
        }
        return byStrength(t, full, cell.delivery().strength());
    }

    /** What listeners get to hear: a private film is no private talk. */
    private static String overheard(Sources.@Nullable SourceClass of) {
        return switch (of) {
            case VOICE, GUEST, CHAT -> "Listeners overhear a private conversation.";
            case MUSIC -> "Listeners hear music that is private.";
            case MEDIA, GAME -> "Listeners hear what plays privately.";
            case ALERT, EFFECT, SYSTEM -> "Listeners hear sounds that are private.";
            case null -> "Listeners hear something private.";
        };
    }

    /** The severity of something forbidden: the fainter, the less. */
    static Severity byStrength(Thresholds t, Severity full, double strength) {
        return Figures.reaches(strength, t.of(Threshold.LEAK_MINOR))
                ? full
                : Figures.reaches(strength, t.of(Threshold.LEAK_NOTE)) ? Severity.MINOR : Severity.NOTE;
    }

    @Override
    Telling tell(AuditContext context, int scene, CellReading cell, String inScenes) {
        String source = cell.source().name();
        String outlet = cell.outlet().name();
        Ground ground = cell.counting().ground();
        FlowGraph graph = context.scenes().get(scene).graph();
        List<Integer> route = cell.delivery().strongest();
        String because = switch (ground) {
            case LICENSED -> " Its licence only covers live.";
            case SILENT -> " " + source + Say.verb(source, " is", " are") + " silent in this scene.";
            case ENTERED, PRIVATE, DEDICATED, NOTHING_ELSE, NOT_SET -> "";
        };
        Outlets.Sort sort = cell.outlet().get(Outlets.SORT);
        String noticed = ground == Ground.LICENSED
                ? "The saved show can be muted or taken down."
                : ground == Ground.PRIVATE
                        ? overheard(cell.source().get(Sources.CLASS))
                        : sort == Outlets.Sort.FAR_END
                                ? "The others in the call hear what is not meant for them."
                                : "Listeners hear what is not meant for them.";
        boolean twice = cell.delivery().copyGain()
                >= cell.delivery().strongestGain() - context.thresholds().of(Threshold.COPY_WITHIN) - 1e-9;
        List<Figure> figures = new ArrayList<>();
        figures.add(new Figure("strength", cell.delivery().strength(), "dB"));
        figures.add(new Figure("routes", cell.delivery().routes(), ""));
        if (twice) {
            figures.add(new Figure("apart", cell.delivery().copyApart(), "ms"));
        }
        return new Telling(
                new Finding.Words(
                        outlet + Say.verb(outlet, " hears ", " hear ") + source + " (never)",
                        told(context, cell, graph) + "." + because,
                        Say.sentence(
                                Say.route(graph, route),
                                inScenes + ":",
                                Say.of(cell.delivery().strength(), "dB") + ", "
                                        + Say.routes(
                                                cell.delivery().routes(),
                                                cell.delivery().atLeast())
                                        + (twice
                                                ? ", doubled, "
                                                        + Say.of(cell.delivery().copyApart(), "ms") + " apart"
                                                : "")),
                        source + Say.verb(source, " goes ", " go ") + Say.through(graph, route),
                        noticed),
                routes(context, scene, cell, 6),
                figures);
    }

    /** How it gets there, to be read to the creator: who plays it where, and who puts it on. */
    private static String told(AuditContext context, CellReading cell, FlowGraph graph) {
        Rig rig = context.rig();
        String source = cell.source().name();
        String outlet = cell.outlet().name();
        List<Integer> route = cell.delivery().strongest();
        String air = Spoken.pickedUp(graph, route);
        if (!air.isEmpty()) {
            return outlet + Say.verb(outlet, " hears ", " hear ") + source + ": " + air;
        }
        List<Spoken.Doing> doings = Spoken.doings(graph, route);
        if (doings.isEmpty()) {
            return source + Say.verb(source, " reaches ", " reach ") + outlet + " " + Say.through(graph, route);
        }
        String plays = Spoken.plays(rig, cell.source());
        Spoken.Doing first = doings.getFirst();
        boolean there = !plays.isEmpty() && first.device().equals(Spoken.playedDevice(rig, cell.source()));
        String how = there
                ? plays + ", and " + first.part() + " in " + first.program().name() + " takes everything played there"
                : first.whole();
        return outlet + Say.verb(outlet, " hears ", " hear ") + source + ": " + how
                + (doings.size() == 1 ? "" : ", and " + doings.getLast().whole());
    }
}
