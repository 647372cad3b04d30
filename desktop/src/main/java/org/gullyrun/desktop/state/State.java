package org.gullyrun.desktop.state;

import java.nio.file.Path;
import java.util.List;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Leftover;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.flow.FlowGraph;
import org.jspecify.annotations.Nullable;

/**
 * Everything the window shows, in one piece. Immutable; {@link Store} makes the next one.
 *
 * @param what the case as it stands
 * @param file where it was opened from or saved to, or null
 * @param unsaved whether it has changes that are in no file
 * @param survey the id of the survey shown
 * @param scene the place of the scene chosen, -1 for all
 * @param step the step shown
 * @param selection what is selected
 * @param hop which rung of the first way is looked at, -1 for none
 * @param reading what is computed of the survey; it may be one change behind the case, and is whole in itself
 * @param shown what the selection lights
 * @param remedies the remedies of the finding shown as far as known, or null
 * @param undo what an undo would take back; empty if there is nothing
 * @param redo what a redo would do again; empty if there is nothing
 * @param message something to tell, or null
 * @param leftovers what windows that ended without saving have left behind, to be decided on
 * @param night whether the night sheet is on
 * @param textScale the size of text, 1 for 100 %
 */
public record State(
        Case what,
        @Nullable Path file,
        boolean unsaved,
        String survey,
        int scene,
        Step step,
        Selection selection,
        int hop,
        Reading reading,
        Shown shown,
        @Nullable RemedyList remedies,
        String undo,
        String redo,
        @Nullable Message message,
        List<Leftover> leftovers,
        boolean night,
        double textScale) {

    /** The survey shown. */
    public Survey surveyShown() {
        return what.survey(survey).orElseThrow();
    }

    /** The graph that the ways shown are of. */
    public FlowGraph graph() {
        return reading.scenes().get(shown.scene()).graph();
    }

    State withSurvey(Case changedCase, String id, int chosenScene) {
        return new State(
                changedCase,
                file,
                unsaved,
                id,
                chosenScene,
                step,
                selection,
                hop,
                reading,
                shown,
                remedies,
                undo,
                redo,
                message,
                leftovers,
                night,
                textScale);
    }

    State withHistory(boolean isUnsaved, String back, String again) {
        return new State(
                what, file, isUnsaved, survey, scene, step, selection, hop, reading, shown, remedies, back, again,
                message, leftovers, night, textScale);
    }

    State withFile(@Nullable Path other) {
        return new State(
                what, other, unsaved, survey, scene, step, selection, hop, reading, shown, remedies, undo, redo,
                message, leftovers, night, textScale);
    }

    State withStep(Step other) {
        return new State(
                what, file, unsaved, survey, scene, other, selection, hop, reading, shown, remedies, undo, redo,
                message, leftovers, night, textScale);
    }

    State withHop(int other) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, other, reading, shown, remedies, undo, redo,
                message, leftovers, night, textScale);
    }

    State withMessage(@Nullable Message other) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, hop, reading, shown, remedies, undo, redo, other,
                leftovers, night, textScale);
    }

    State withLook(boolean isNight, double scale) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, hop, reading, shown, remedies, undo, redo, message,
                leftovers, isNight, scale);
    }

    State withLeftovers(List<Leftover> left) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, hop, reading, shown, remedies, undo, redo, message,
                left, night, textScale);
    }

    State withRemedies(@Nullable RemedyList list) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, hop, reading, shown, list, undo, redo, message,
                leftovers, night, textScale);
    }

    /** Another reading, selection or scene: what is lit follows, all at once. */
    State showing(Reading newest, Selection selected, int chosenScene) {
        int within = chosenScene < newest.scenes().size() ? chosenScene : -1;
        boolean same = selected.equals(selection);
        return new State(
                what,
                file,
                unsaved,
                survey,
                within,
                step,
                selected,
                same ? hop : -1,
                newest,
                Shown.of(newest, selected, within),
                null,
                undo,
                redo,
                message,
                leftovers,
                night,
                textScale);
    }
}
