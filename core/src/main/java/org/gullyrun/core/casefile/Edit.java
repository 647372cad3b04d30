package org.gullyrun.core.casefile;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.gullyrun.core.brief.BriefChange;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.jspecify.annotations.Nullable;

/**
 * One step by which a case is altered: what is undone, redone and journaled as a whole. Every edit knows its inverse.
 */
public sealed interface Edit {

    /**
     * A case with this edit made.
     *
     * @throws Misfit if the case does not stand where the edit takes it from
     */
    Case apply(Case what);

    /** The edit that takes this one back. */
    Edit inverse();

    /** An edit does not fit the case that it is to alter. */
    final class Misfit extends RuntimeException {
        Misfit(String message) {
            super(message);
        }
    }

    /** Changes to the rig of a survey. */
    record OfRig(String survey, List<Change> changes) implements Edit {
        public OfRig {
            changes = List.copyOf(changes);
        }

        @Override
        public Case apply(Case what) {
            Survey before =
                    what.survey(survey).orElseThrow(() -> new Misfit("there is no survey '" + survey + "' any more"));
            try {
                return what.withSurvey(before.withRig(Changes.apply(before.rig(), changes)));
            } catch (Changes.Conflict e) {
                throw new Misfit(String.valueOf(e.getMessage()));
            }
        }

        @Override
        public OfRig inverse() {
            return new OfRig(survey, Changes.inverse(changes));
        }
    }

    /** Changes to the brief. */
    record OfBrief(List<BriefChange> changes) implements Edit {
        public OfBrief {
            changes = List.copyOf(changes);
        }

        @Override
        public Case apply(Case what) {
            try {
                return what.withBrief(BriefChange.apply(what.brief(), changes));
            } catch (IllegalStateException e) {
                throw new Misfit(String.valueOf(e.getMessage()));
            }
        }

        @Override
        public OfBrief inverse() {
            return new OfBrief(
                    changes.stream().map(BriefChange::inverse).toList().reversed());
        }
    }

    /** A survey comes ({@code from} is null), goes ({@code to} is null) or becomes another, at a place of the list. */
    record OfSurvey(
            int place, @Nullable Survey from, @Nullable Survey to) implements Edit {
        @Override
        public Case apply(Case what) {
            List<Survey> surveys = new ArrayList<>(what.surveys());
            if (place < 0 || place > surveys.size() || from != null && place == surveys.size()) {
                throw new Misfit("there is no position " + place + " among the surveys");
            }
            if (from != null && !surveys.remove(place).equals(from)) {
                throw new Misfit("survey '" + from.id() + "' is not as the edit expects");
            }
            if (to != null) {
                if (surveys.stream().anyMatch(s -> s.id().equals(to.id()))) {
                    throw new Misfit("there is a survey '" + to.id() + "' already");
                }
                surveys.add(place, to);
            }
            if (surveys.isEmpty()) {
                throw new Misfit("a case needs at least one survey");
            }
            return what.withSurveys(surveys);
        }

        @Override
        public OfSurvey inverse() {
            return new OfSurvey(place, to, from);
        }
    }

    /** What is said of the case itself. */
    record OfCase(About from, About to) implements Edit {
        @Override
        public Case apply(Case what) {
            if (!About.of(what).equals(from)) {
                throw new Misfit("the case is not as the edit expects");
            }
            return to.in(what);
        }

        @Override
        public OfCase inverse() {
            return new OfCase(to, from);
        }
    }

    /** What is kept of the repair of a survey comes ({@code from} is null), goes ({@code to} is null) or becomes another. */
    record OfWork(
            String survey,
            @Nullable WorkRecord from,
            @Nullable WorkRecord to) implements Edit {
        @Override
        public Case apply(Case what) {
            if (!Objects.equals(what.workOrder(survey), from)) {
                throw new Misfit("the work order of survey '" + survey + "' is not as the edit expects");
            }
            return what.withWorkOrder(survey, to);
        }

        @Override
        public OfWork inverse() {
            return new OfWork(survey, to, from);
        }
    }

    /** Several at once, made in order. */
    record Several(List<Edit> edits) implements Edit {
        public Several {
            edits = List.copyOf(edits);
        }

        @Override
        public Case apply(Case what) {
            Case at = what;
            for (Edit edit : edits) {
                at = edit.apply(at);
            }
            return at;
        }

        @Override
        public Several inverse() {
            return new Several(edits.stream().map(Edit::inverse).toList().reversed());
        }
    }

    /**
     * What a case says of itself.
     *
     * @param title for people
     * @param note a free remark
     * @param showHours how long the show lasts
     * @param knownGood the id of the survey marked, or empty
     * @param terms its own figures and waivers
     */
    record About(String title, String note, double showHours, String knownGood, Terms terms) {
        public About {
            Objects.requireNonNull(title);
            Objects.requireNonNull(note);
            Objects.requireNonNull(knownGood);
        }

        /** What a case says of itself. */
        public static About of(Case what) {
            return new About(what.title(), what.note(), what.showHours(), what.knownGood(), what.terms());
        }

        /** The same with other terms. */
        public About with(Terms others) {
            return new About(title, note, showHours, knownGood, others);
        }

        Case in(Case what) {
            return new Case(
                    title,
                    note,
                    showHours,
                    knownGood,
                    what.surveys(),
                    what.brief(),
                    terms,
                    what.workOrders(),
                    what.extras());
        }
    }
}
