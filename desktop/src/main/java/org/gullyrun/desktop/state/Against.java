package org.gullyrun.desktop.state;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.compare.Difference;
import org.gullyrun.core.compare.HeardDifference;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.runmap.MapDifference;
import org.gullyrun.core.runmap.MapModel;
import org.jspecify.annotations.Nullable;

/**
 * One state of the rig shown against another: what is tried against what is, or now against an earlier survey. Nothing is
 * altered by it.
 *
 * @param asked what is shown, and why
 * @param difference what is different, in words
 * @param scene the place of the scene shown, -1 for all
 * @param map both on one map
 * @param heard what each listener hears, with marks
 * @param heardBefore what each listener hears in the state that it is set against
 * @param held whether the state before is shown for as long as a key is held
 */
public record Against(
        Asked asked,
        Difference difference,
        int scene,
        MapDifference map,
        List<HeardDifference> heard,
        List<Hearing> heardBefore,
        boolean held) {

    /** Why a difference is shown. */
    public enum Kind {
        /** A person tries something. */
        WHAT_IF,
        /** Two surveys are compared. */
        COMPARE,
        /** The pointer rests on a fix. */
        FIX,
        /** A step of a repair is looked at on the map. */
        STEP
    }

    /**
     * What is asked for.
     *
     * @param kind why
     * @param title what the state is that is shown
     * @param than what it is set against
     * @param sentences what was changed, each in a sentence
     * @param changes the changes that lead from the one to the other, in the order of the sentences
     * @param before the state that it is set against, read
     * @param after the state shown, read
     * @param from the step in which it was asked for
     */
    public record Asked(
            Kind kind,
            String title,
            String than,
            List<String> sentences,
            List<Change> changes,
            Reading before,
            Reading after,
            Step from) {
        public Asked {
            sentences = List.copyOf(sentences);
            changes = List.copyOf(changes);
        }
    }

    public Against {
        heard = List.copyOf(heard);
        heardBefore = List.copyOf(heardBefore);
    }

    /** As {@link Asked#kind}. */
    public Kind kind() {
        return asked.kind;
    }

    /** The map to draw: as it is now, or while a key is held, as it was. */
    public MapModel model() {
        return held ? map.before() : map.after();
    }

    /** What each listener hears: as it is now with marks, or while a key is held, as it was. */
    public List<HeardDifference> hearings() {
        return held ? heardBefore.stream().map(HeardDifference::plain).toList() : heard;
    }

    Against holding(boolean other) {
        return new Against(asked, difference, scene, map, heard, heardBefore, other);
    }

    /** One source at one listener in both states, in the worst scene of now or the one chosen; null if it isn't in both. */
    public CellReading @Nullable [] cells(String source, String outlet) {
        CellReading is = cell(asked.after, source, outlet);
        CellReading was = is == null ? null : cell(asked.before, source, outlet);
        return is == null || was == null ? null : new CellReading[] {was, is};
    }

    private @Nullable CellReading cell(Reading reading, String source, String outlet) {
        return Shown.of(reading, new Selection.Pair(source, outlet), sceneIn(reading))
                .cell();
    }

    /** The place of the scene shown in one of the two states, -1 for all; another survey may have them in another order. */
    private int sceneIn(Reading reading) {
        return reading == asked.after ? scene : sceneBefore(asked, scene);
    }

    /** The place before of a scene of now, -1 for all; also if there was no such scene. */
    static int sceneBefore(Asked asked, int scene) {
        return scene < 0 ? -1 : asked.before.placeOf(asked.after.scenes().get(scene));
    }

    /** What is lit on the map: all that differs, or of what is selected, how it is in both. */
    public Shown lit(Selection selection) {
        if (selection instanceof Selection.Nothing || selection instanceof Selection.Trouble) {
            Set<SegmentKey> segments = new HashSet<>(map.came());
            segments.addAll(map.went());
            return new Shown(Math.max(0, scene), List.of(), map.lit(), segments, null, null, false);
        }
        Shown is = lit(asked.after, selection);
        Shown was = lit(asked.before, selection);
        Set<PointId> points = new HashSet<>(is.points());
        points.addAll(was.points());
        Set<SegmentKey> segments = new HashSet<>(is.segments());
        segments.addAll(was.segments());
        return new Shown(is.scene(), List.of(), points, segments, null, is.cell(), false);
    }

    /** What is lit of a selection in one state; of a pair without any route nothing, rather than all that its source reaches. */
    private Shown lit(Reading reading, Selection selection) {
        Shown shown = Shown.of(reading, selection, sceneIn(reading));
        return selection instanceof Selection.Pair && shown.routes().isEmpty() ? Shown.NOTHING : shown;
    }

    /** The segments through which nothing new gets, but something no longer does. */
    public Set<SegmentKey> gone() {
        Set<SegmentKey> gone = new HashSet<>(held ? Set.of() : map.went());
        gone.removeAll(map.came());
        return gone;
    }

    /** The segments through which what is newly wrong gets to its listener. */
    public Set<SegmentKey> wrong() {
        Set<SegmentKey> wrong = new HashSet<>();
        for (Finding finding : held ? List.<Finding>of() : difference.come()) {
            for (Evidence.Trace route : finding.isBad() ? finding.evidence().routes() : List.<Evidence.Trace>of()) {
                var graph = asked.after.scenes().get(finding.evidence().scene()).graph();
                route.in(graph).stream()
                        .filter(graph::isOpen)
                        .map(graph::key)
                        .filter(map.came()::contains)
                        .forEach(wrong::add);
            }
        }
        return wrong;
    }
}
