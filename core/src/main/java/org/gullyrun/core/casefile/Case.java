package org.gullyrun.core.casefile;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * One support job. Immutable.
 *
 * @param title for people
 * @param note a free remark
 * @param showHours how long the show lasts, in hours
 * @param knownGood the id of the survey to compare with when it breaks again; empty if none is marked
 * @param surveys at least one
 * @param brief what every listener must, may and must never get
 * @param terms figures and waivers that are this case's own
 * @param workOrders what is kept of the repairs of its surveys, one for each survey at most
 * @param extras fields of the file that this version does not know
 */
public record Case(
        String title,
        String note,
        double showHours,
        String knownGood,
        List<Survey> surveys,
        Brief brief,
        Terms terms,
        List<WorkRecord> workOrders,
        Map<String, Object> extras) {

    /** The length of a show where none is given, in hours. */
    public static final double USUAL_HOURS = 4;

    /** The longest show, in hours. */
    public static final double MOST_HOURS = 1_000;

    /** A case on the usual terms, with nothing that this version does not know. */
    public Case(String title, String note, double showHours, String knownGood, List<Survey> surveys, Brief brief) {
        this(title, note, showHours, knownGood, surveys, brief, Terms.USUAL, List.of(), Map.of());
    }

    public Case {
        surveys = List.copyOf(surveys);
        workOrders = workOrders.stream()
                .sorted(Comparator.comparing(WorkRecord::survey))
                .toList();
        extras = Map.copyOf(extras);
        if (!(showHours > 0 && showHours <= MOST_HOURS)) {
            throw new IllegalArgumentException("a show lasts more than 0 and at most " + MOST_HOURS + " hours");
        }
        if (surveys.isEmpty()) {
            throw new IllegalArgumentException("a case has at least one survey");
        }
    }

    /** The survey with this id. */
    public Optional<Survey> survey(String id) {
        return surveys.stream().filter(s -> s.id().equals(id)).findFirst();
    }

    /** This case with one of its surveys replaced by another of the same id. */
    public Case withSurvey(Survey changed) {
        return new Case(
                title,
                note,
                showHours,
                knownGood,
                surveys.stream()
                        .map(s -> s.id().equals(changed.id()) ? changed : s)
                        .toList(),
                brief,
                terms,
                workOrders,
                extras);
    }

    /** This case with other surveys, at least one. */
    public Case withSurveys(List<Survey> others) {
        return new Case(title, note, showHours, knownGood, others, brief, terms, workOrders, extras);
    }

    /** This case with another brief. */
    public Case withBrief(Brief other) {
        return new Case(title, note, showHours, knownGood, surveys, other, terms, workOrders, extras);
    }

    /** This case on other terms. */
    public Case withTerms(Terms other) {
        return new Case(title, note, showHours, knownGood, surveys, brief, other, workOrders, extras);
    }

    /** What is kept of the repair of a survey; null if nothing is. */
    public @Nullable WorkRecord workOrder(String survey) {
        return workOrders.stream()
                .filter(w -> w.survey().equals(survey))
                .findFirst()
                .orElse(null);
    }

    /** What isn't possible in a survey, by its work order: settings, and elements without a key. */
    public Set<Address> ruledOut(String survey) {
        WorkRecord kept = workOrder(survey);
        return kept == null
                ? Set.of()
                : kept.ruledOut().stream().map(WorkRecord.RuledOut::at).collect(Collectors.toUnmodifiableSet());
    }

    /** This case with what is kept of the repair of a survey; null for nothing. */
    Case withWorkOrder(String survey, @Nullable WorkRecord order) {
        List<WorkRecord> orders = new ArrayList<>(workOrders);
        orders.removeIf(w -> w.survey().equals(survey));
        if (order != null) {
            orders.add(order);
        }
        return new Case(title, note, showHours, knownGood, surveys, brief, terms, orders, extras);
    }

    /** The rig of the survey marked as known good; null if none is, or for that survey itself. */
    public @Nullable Rig goodRig(String survey) {
        return knownGood.isEmpty() || knownGood.equals(survey)
                ? null
                : survey(knownGood).map(Survey::rig).orElse(null);
    }
}
