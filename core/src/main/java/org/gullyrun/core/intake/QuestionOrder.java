package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;

/**
 * The open questions of a rig, what decides most first: defaults that something follows, then settings on which findings
 * rest, those that fit what the creator reports before others, then the rest in the order of the call.
 */
public final class QuestionOrder {
    /** What fits the creator's report counts more than any number of other findings. */
    private static final int REPORTED = 10_000;

    private QuestionOrder() {}

    /**
     * The open questions of the rig that was read, in the order in which to ask them.
     *
     * @param reported what the creator reports
     */
    public static List<Question> of(Reading reading, Complaint reported) {
        Rig rig = reading.rig();
        Map<Address, Integer> weights = weights(reading, reported);
        List<Question> all = new ArrayList<>(Questions.of(rig));
        weights.keySet().stream()
                .filter(at -> Questions.leads(rig, at) && all.stream().noneMatch(q -> q.at().equals(at)))
                .sorted(Comparator.comparing(Address::toString))
                .forEach(at -> all.add(Questions.about(rig, at)));
        // The sort is stable: what decides as much stays in the order of the call.
        all.sort(Comparator.comparing((Question q) -> !isOfDefault(rig, q))
                .thenComparingInt(q -> -weights.getOrDefault(q.at(), 0)));
        return List.copyOf(all);
    }

    private static boolean isOfDefault(Rig rig, Question question) {
        Element element = rig.find(question.at().element());
        return element != null
                && element.kind() == Kind.MACHINE
                && Questions.isDefault(question.at().key());
    }

    /** How much hangs on each setting that is not yet known: the findings that rest on it. */
    private static Map<Address, Integer> weights(Reading reading, Complaint reported) {
        Map<Address, Integer> weights = new HashMap<>();
        for (Finding finding : reading.findings()) {
            int weight = finding.severity().weight() * (reading.fits(reported, finding) ? REPORTED : 1);
            if (finding.assumed() && weight > 0) {
                unknown(reading, finding).forEach(at -> weights.merge(at, weight, Integer::sum));
            }
        }
        return weights;
    }

    /** The settings that a finding rests on without their being known. */
    private static Set<Address> unknown(Reading reading, Finding finding) {
        Set<Address> all = new LinkedHashSet<>();
        Evidence evidence = finding.evidence();
        for (Address at : evidence.settings()) {
            Element element = reading.rig().find(at.element());
            if (element != null && Questions.isOpen(element, at.key())) {
                all.add(at);
            }
        }
        if (!evidence.routes().isEmpty()) {
            FlowGraph graph = reading.scenes().get(evidence.scene()).graph();
            evidence.routes().forEach(route -> route.in(graph).forEach(s -> all.addAll(graph.assumed(s))));
        }
        return all;
    }
}
