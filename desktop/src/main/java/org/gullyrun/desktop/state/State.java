package org.gullyrun.desktop.state;

import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FindingFilter;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Leftover;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.flow.FlowGraph;
import org.gullyrun.core.repair.Causes;
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
 * @param causes what stands behind the findings, as far as worked out; it may be that of the reading before
 * @param filter which findings are wanted
 * @param lens what the map shows of the rig
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
        Causes.Found causes,
        FindingFilter filter,
        Lens lens,
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
                causes,
                filter,
                lens,
                undo,
                redo,
                message,
                leftovers,
                night,
                textScale);
    }

    State withHistory(boolean isUnsaved, String back, String again) {
        return new State(
                what, file, isUnsaved, survey, scene, step, selection, hop, reading, shown, remedies, causes, filter,
                lens, back, again, message, leftovers, night, textScale);
    }

    State withFile(@Nullable Path other) {
        return new State(
                what, other, unsaved, survey, scene, step, selection, hop, reading, shown, remedies, causes, filter,
                lens, undo, redo, message, leftovers, night, textScale);
    }

    State withStep(Step other) {
        return new State(
                what, file, unsaved, survey, scene, other, selection, hop, reading, shown, remedies, causes, filter,
                lens, undo, redo, message, leftovers, night, textScale);
    }

    State withHop(int other) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, other, reading, shown, remedies, causes, filter,
                lens, undo, redo, message, leftovers, night, textScale);
    }

    State withMessage(@Nullable Message other) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, hop, reading, shown, remedies, causes, filter,
                lens, undo, redo, other, leftovers, night, textScale);
    }

    State withLook(boolean isNight, double scale) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, hop, reading, shown, remedies, causes, filter,
                lens, undo, redo, message, leftovers, isNight, scale);
    }

    State withLeftovers(List<Leftover> left) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, hop, reading, shown, remedies, causes, filter,
                lens, undo, redo, message, left, night, textScale);
    }

    State withRemedies(@Nullable RemedyList list) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, hop, reading, shown, list, causes, filter, lens,
                undo, redo, message, leftovers, night, textScale);
    }

    State withCauses(Causes.Found found) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, hop, reading, shown, remedies, found, filter, lens,
                undo, redo, message, leftovers, night, textScale);
    }

    State withLens(Lens other) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, hop, reading, shown, remedies, causes, filter,
                other, undo, redo, message, leftovers, night, textScale);
    }

    State withFilter(FindingFilter other) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, hop, reading, shown, remedies, causes, other, lens,
                undo, redo, message, leftovers, night, textScale);
    }

    /** The findings that are wanted, in their order. */
    public List<Finding> wanted() {
        return reading.findings().stream().filter(f -> filter.lets(f, scene)).toList();
    }

    /** The findings that are wanted, in the order in which they stand on the step: by what stands behind them. */
    public List<Finding> listed() {
        List<Finding> wanted = wanted();
        Set<Finding> all = new LinkedHashSet<>();
        for (Causes.Group group : causes.groups()) {
            for (Finding finding : group.findings()) {
                wanted.stream()
                        .filter(f -> f.identity().equals(finding.identity()))
                        .forEach(all::add);
            }
        }
        all.addAll(wanted);
        return List.copyOf(all);
    }

    /** The same with findings that took longer: nothing that is heard is another, so what is shown stays. */
    State deepened(Reading whole) {
        return new State(
                what, file, unsaved, survey, scene, step, selection, hop, whole, shown, remedies, causes, filter, lens,
                undo, redo, message, leftovers, night, textScale);
    }

    /** Whether nothing that is heard differs from another state; findings that took longer may have come. */
    public boolean soundsAs(State other) {
        return reading.scenes() == other.reading.scenes();
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
                causes,
                filter,
                lens,
                undo,
                redo,
                message,
                leftovers,
                night,
                textScale);
    }
}
