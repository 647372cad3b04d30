package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.Dominators;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/**
 * Which one element do several musts depend on entirely?
 *
 * <p>Source: dominators of the open graph, seen from each source ({@link Dominators}); a mixer over whose strips a must
 * goes by several routes at once is found by leaving the mixer out.
 */
final class HangsOn implements Rule {
    /** So many musts × points are looked at; a very large show has some 2 000 000. */
    private static final long MOST_PAIRS = 4_000_000;

    @Override
    public String id() {
        return "hangs.on";
    }

    @Override
    public Topic topic() {
        return Topic.RISK;
    }

    @Override
    public String question() {
        return "Does most of the show depend on one thing?";
    }

    @Override
    public String severity() {
        return "A note, from {hangs.on} required deliveries.";
    }

    @Override
    public boolean isDeep() {
        return true;
    }

    @Override
    public List<Finding> check(AuditContext context) {
        long pairs = (long) context.musts().size()
                * context.scenes().getFirst().graph().points();
        if (pairs > MOST_PAIRS) {
            context.leaveUnfinished(this, "the rig is too large to find out what depends on each element");
            return List.of();
        }
        Map<String, Map<Must, Integer>> carried = carried(context);
        List<Finding> findings = new ArrayList<>();
        double least = context.thresholds().of(Threshold.HANGING);
        carried.forEach((id, musts) -> {
            boolean covered = carried.entrySet().stream()
                    .anyMatch(o -> !o.getKey().equals(id) && covers(o.getKey(), o.getValue(), id, musts));
            if (musts.size() >= least && !covered) {
                findings.add(tell(context, context.rig().get(id), musts.keySet()));
            }
        });
        return findings;
    }

    /** Whether an element carries all the musts of another and more; of equal ones the one nearest the source covers. */
    private static boolean covers(String other, Map<Must, Integer> theirs, String id, Map<Must, Integer> own) {
        if (!theirs.keySet().containsAll(own.keySet())) {
            return false;
        }
        if (theirs.size() > own.size()) {
            return true;
        }
        Must first = own.keySet().iterator().next(); // both lie on it, in the same order as on any other
        int order = Integer.compare(theirs.getOrDefault(first, 0), own.getOrDefault(first, 0));
        return order != 0 ? order < 0 : Ids.ORDER.compare(other, id) < 0;
    }

    /**
     * A pair that must arrive. What is said of it are names, which two pairs may share.
     *
     * @param source the place of the source in the rig's list
     * @param outlet the place of the outlet
     */
    private record Must(int source, int outlet) {}

    /** For each element the musts that go through it in every scene in which they arrive, and how far from their source. */
    private static Map<String, Map<Must, Integer>> carried(AuditContext context) {
        Map<String, Map<Must, Integer>> all = new TreeMap<>(Ids.ORDER);
        for (int s = 0; s < context.sources().size(); s++) {
            Element source = context.sources().get(s);
            Map<Integer, List<String>> byOutlet = new TreeMap<>();
            for (int i = 0; i < context.scenes().size(); i++) {
                SceneReading scene = context.scenes().get(i);
                if (context.isAsBefore(i)) {
                    continue;
                }
                Dominators dominators = null;
                for (int o = 0; o < context.outlets().size(); o++) {
                    CellReading cell = scene.cell(s, o);
                    if (cell.wish() != Wish.MUST || !cell.delivery().arrives()) {
                        continue;
                    }
                    dominators = dominators == null
                            ? Dominators.of(scene.view(), scene.graph().point(source.id()))
                            : dominators;
                    Set<String> on = elements(context, scene, cell, dominators);
                    byOutlet.merge(o, new ArrayList<>(on), (before, now) -> {
                        before.retainAll(now);
                        return before;
                    });
                }
            }
            int place = s;
            byOutlet.forEach((o, elements) -> {
                for (int i = 0; i < elements.size(); i++) {
                    all.computeIfAbsent(elements.get(i), x -> new LinkedHashMap<>())
                            .put(new Must(place, o), i);
                }
            });
        }
        return all;
    }

    /** The elements that every route of a cell passes. */
    private static Set<String> elements(
            AuditContext context, SceneReading scene, CellReading cell, Dominators dominators) {
        FlowGraph graph = scene.graph();
        Rig rig = context.rig();
        int outlet = graph.point(cell.outlet().id());
        Set<String> on = new LinkedHashSet<>();
        for (String id : dominators.on(outlet)) {
            add(rig, rig.find(id), on);
        }
        for (int s : cell.delivery().strongest()) {
            Element by = rig.find(graph.segmentElement(s));
            Element program = by == null ? null : rig.program(by);
            if (program != null
                    && program.kind() == Kind.MIXER
                    && !on.contains(program.id())
                    && !dominators.reachesWithout(outlet, p -> belongs(rig, graph.element(p), program))) {
                on.add(program.id());
            }
        }
        on.remove(cell.source().or(Sources.AT, ""));
        on.remove(Choices.listensOn(rig, cell.outlet()));
        return on;
    }

    private static boolean belongs(Rig rig, String element, Element program) {
        Element e = rig.find(element);
        return e != null && rig.program(e) == program;
    }

    /** Adds what an element counts as: strips, buses and inputs count as their program. */
    private static void add(Rig rig, @Nullable Element element, Set<String> on) {
        if (element == null) {
            return;
        }
        Element program = rig.program(element);
        // That everything goes through the production is what it is for.
        if (Capabilities.works(program.kind()) != null && program.kind() != Kind.PRODUCTION) {
            on.add(program.id());
        }
    }

    /** Says which required deliveries depend on one element. */
    private Finding tell(AuditContext context, Element element, Set<Must> musts) {
        Setting<?> setting = Objects.requireNonNull(Capabilities.works(element.kind()));
        List<Hearing> hearings = musts.stream()
                .map(m -> new Hearing(
                        context.sources().get(m.source).name(),
                        context.outlets().get(m.outlet).name()))
                .toList();
        return FindingBuilder.of(id(), Severity.NOTE, element.id())
                .title(musts.size() + " required deliveries depend on " + element.name() + " alone")
                .plain("If " + element.name() + " stopped, "
                        + Hearing.told(hearings, " would lose ", " would go missing"))
                .exact("Every route goes through " + element.name() + ": " + Hearing.first(hearings, 4))
                .cause("there is no second route")
                .noticed("Nothing, while " + element.name() + " works.")
                .setting(element, setting)
                .figure("musts", musts.size(), "")
                .made();
    }
}
