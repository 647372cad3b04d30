package org.gullyrun.desktop.state;

import org.gullyrun.core.audit.FindingFilter;

/**
 * Where a person is in the window.
 *
 * @param survey the id of the survey shown
 * @param scene the place of the scene chosen, -1 for all
 * @param step the step shown
 * @param selection what is selected
 * @param hop which rung of the first route is looked at, -1 for none
 * @param filter which findings are wanted
 * @param lens what the map shows of the rig
 */
public record Place(
        String survey, int scene, Step step, Selection selection, int hop, FindingFilter filter, Lens lens) {

    static Place in(String survey) {
        return new Place(survey, -1, Step.TRACE, Selection.NOTHING, -1, FindingFilter.ALL, Lens.LEVELS);
    }

    Place at(String otherSurvey, int otherScene) {
        return new Place(otherSurvey, otherScene, step, selection, hop, filter, lens);
    }

    Place on(Step other) {
        return new Place(survey, scene, other, selection, hop, filter, lens);
    }

    /** Something selected in a scene; the rung looked at stays where the selection does. */
    Place with(Selection other, int otherScene) {
        return new Place(survey, otherScene, step, other, other.equals(selection) ? hop : -1, filter, lens);
    }

    Place lookingAt(int otherHop) {
        return new Place(survey, scene, step, selection, otherHop, filter, lens);
    }

    Place with(FindingFilter other) {
        return new Place(survey, scene, step, selection, hop, other, lens);
    }

    Place with(Lens other) {
        return new Place(survey, scene, step, selection, hop, filter, other);
    }
}
