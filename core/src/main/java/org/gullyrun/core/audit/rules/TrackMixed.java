package org.gullyrun.core.audit.rules;

import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.brief.Complaint.What;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/** Does a dedicated track get something else? */
final class TrackMixed extends PairRule {
    @Override
    public String id() {
        return "track.mixed";
    }

    @Override
    public Topic topic() {
        return Topic.TRACK;
    }

    @Override
    public Set<What> heardAs() {
        return Set.of(What.NOT_MEANT);
    }

    @Override
    public String question() {
        return "Does a track that is meant for one source, or one class of sources, get something else?";
    }

    @Override
    public String severity() {
        return "Major; below {leak.minor} minor, below {leak.note} a note.";
    }

    /** Takes the place of a leak on a dedicated track, unless the source is private or the brief itself says never. */
    static boolean concerns(AuditContext context, CellReading cell) {
        return cell.verdict() == Verdict.LEAK
                && context.wishes().isForOthers(cell.source(), cell.outlet())
                && !cell.source().is(Sources.PRIVATE, false)
                && cell.counting().ground() != Wishes.Ground.ENTERED
                && cell.counting().ground() != Wishes.Ground.SILENT;
    }

    @Override
    @Nullable
    Severity judge(AuditContext context, SceneReading scene, CellReading cell) {
        return concerns(context, cell)
                ? Leak.byStrength(
                        context.thresholds(), Severity.MAJOR, cell.delivery().strength())
                : null;
    }

    @Override
    Telling tell(AuditContext context, int scene, CellReading cell, String inScenes) {
        String source = cell.source().name();
        String outlet = cell.outlet().name();
        List<String> owners = context.sources().stream()
                .filter(s -> context.wishes().dedicatedTo(cell.outlet().id()).contains(s.id()))
                .map(s -> s.name())
                .toList();
        return new Telling(
                new Finding.Words(
                        outlet + " also has " + source,
                        source + Say.verb(source, " is", " are") + " on the track for " + Sentences.list(owners)
                                + ", so you won't be able to separate them later.",
                        Say.sentence(
                                Say.route(
                                        context.scenes().get(scene).graph(),
                                        cell.delivery().strongest()),
                                inScenes + ":",
                                Say.of(cell.delivery().strength(), "dB") + "; the track is for "
                                        + Sentences.list(owners)),
                        "the track is for " + Sentences.list(owners),
                        "Two sources on one track can't be separated."),
                routes(context, scene, cell, 4),
                List.of(new Figure("strength", cell.delivery().strength(), "dB")));
    }
}
