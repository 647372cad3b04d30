package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.brief.Waiver;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Reads a rig: compiles every scene, works out deliveries and loops, and puts all rules to them.
 *
 * <p>Needs: rig, brief, thresholds, rules. Gives: a {@link Reading}. Cost: for each scene what {@code flow} says, and
 * one pass over sources × outlets for each rule.
 */
public final class Audit {
    private final Thresholds thresholds;
    private final List<Waiver> waivers;
    private final List<Rule> rules;
    private final Complaint complaint;
    private final Set<String> asked;
    /** By id, those that a quick audit does not ask as well: a finding can be of an answer before. */
    private final Map<String, Rule> known;
    /** The place of each rule. */
    private final Map<String, Integer> order = new HashMap<>();

    /** An audit with these figures, waivers and rules. */
    public Audit(Thresholds thresholds, List<Waiver> waivers, List<? extends Rule> rules) {
        this(thresholds, waivers, rules, rules, Complaint.NONE);
    }

    /** The rules that are asked, and all that are known: a waiver or a reading may name one that isn't asked here. */
    private Audit(
            Thresholds thresholds,
            List<Waiver> waivers,
            List<? extends Rule> rules,
            Collection<? extends Rule> known,
            Complaint complaint) {
        this.complaint = complaint;
        this.known = known.stream().collect(Collectors.toUnmodifiableMap(Rule::id, rule -> rule));
        this.thresholds = thresholds;
        this.waivers = List.copyOf(waivers);
        this.rules = List.copyOf(rules);
        this.rules.forEach(r -> order.put(r.id(), order.size()));
        this.asked = this.rules.stream().map(Rule::id).collect(Collectors.toUnmodifiableSet());
    }

    /** This audit without its deep rules: a quick answer, in which what those find is not named. */
    public Audit quick() {
        return new Audit(
                thresholds, waivers, rules.stream().filter(r -> !r.isDeep()).toList(), known.values(), complaint);
    }

    /** This audit with the findings first that fit what is reported. */
    public Audit about(Complaint reported) {
        return new Audit(thresholds, waivers, rules, known.values(), reported);
    }

    /** Whether a rule is among those that are asked. */
    public boolean asks(String rule) {
        return asked.contains(rule);
    }

    /** Whether a rule is one of the deep ones. */
    public boolean isDeep(String rule) {
        return rules.stream().anyMatch(r -> r.isDeep() && r.id().equals(rule));
    }

    /** Reads a rig against a brief. The same rig and brief give the same reading, always. */
    public Reading read(Rig rig, Brief brief) {
        return read(rig, brief, null);
    }

    /** As {@link #read(Rig, Brief)}, computing again only what differs from an earlier reading. */
    public Reading read(Rig rig, Brief brief, @Nullable Reading earlier) {
        return read(rig, brief, earlier, null);
    }

    /**
     * Reads the rig of an earlier reading with some changes made.
     *
     * @throws Changes.Conflict if they do not fit it
     */
    public Reading read(Reading earlier, List<Change> changes) {
        List<SceneReading> tried = changes.size() == 1 && earlier.thresholds().equals(thresholds)
                ? earlier.basis().tried().of(changes.getFirst())
                : null;
        Rig rig = tried == null
                ? Changes.apply(earlier.rig(), changes)
                : tried.getFirst().graph().rig();
        return read(rig, earlier.brief(), earlier, tried);
    }

    /** Reads a rig, taking over from an earlier reading whatever the changes can't have touched. */
    private Reading read(Rig rig, Brief brief, @Nullable Reading earlier, @Nullable List<SceneReading> tried) {
        Reading before = earlier != null && earlier.thresholds().equals(thresholds) ? earlier : null;
        Wishes wishes =
                before == null ? new Wishes(rig, brief) : before.wishes().of(rig, brief);
        List<SceneReading> scenes;
        if (tried != null) {
            scenes = tried;
        } else if (before != null && before.rig() == rig && before.brief() == brief) {
            scenes = before.scenes();
        } else {
            scenes = Scenes.read(rig, wishes, thresholds, before == null ? List.of() : before.scenes());
        }
        KeptFindings kept = before == null ? null : KeptFindings.of(before, rig, brief, scenes);
        AuditContext context = new AuditContext(rig, brief, wishes, thresholds, scenes, kept);
        List<Finding> findings = new ArrayList<>();
        for (Rule rule : rules) {
            List<Finding> same = kept == null
                    ? null
                    : switch (rule.rests()) {
                        case SETTINGS -> kept.ofSettings(rule.id());
                        case LOOPS -> kept.ofLoops(rule.id());
                        case ALL -> null;
                    };
            findings.addAll(same == null ? rule.check(context) : same);
        }
        List<Finding> asFound = List.copyOf(findings);
        findings.sort(Comparator.comparing(
                        (Finding f) -> !Symptoms.fits(complaint, f, Objects.requireNonNull(known.get(f.rule()))))
                .thenComparing(Finding::severity)
                .thenComparingInt(f -> order.getOrDefault(f.rule(), -1))
                .thenComparing(f -> f.subject().text(), Ids.ORDER));
        Set<Finding> waived = new LinkedHashSet<>();
        for (Finding finding : findings) {
            for (Waiver waiver : waivers) {
                if (waiver.finding().equals(finding.identity())
                        && waiver.evidence().equals(Fingerprint.of(finding, scenes))) {
                    waived.add(finding);
                }
            }
        }
        ReadingBasis basis = new ReadingBasis(
                asked,
                known,
                asFound,
                new PairFindings(asFound, waived),
                context.missing(),
                context.mustsThrough(),
                context.tried());
        findings.removeAll(waived);
        return new Reading(
                rig, brief, wishes, thresholds, scenes, findings, List.copyOf(waived), context.unfinished(), basis);
    }
}
