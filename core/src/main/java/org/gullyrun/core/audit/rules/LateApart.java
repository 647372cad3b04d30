package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Thresholds;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Complaint.What;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.Figures;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/**
 * Do sources that belong together arrive apart, or does a source arrive off its picture?
 *
 * <p>Source of the figures for pictures: ITU-R BT.1359, detectability and acceptability of sound against picture.
 */
final class LateApart implements Rule {
    @Override
    public String id() {
        return "late.apart";
    }

    @Override
    public Topic topic() {
        return Topic.TIME;
    }

    @Override
    public Set<What> heardAs() {
        return Set.of(What.LATE, What.TWICE);
    }

    @Override
    public FixKind fixKind() {
        return FixKind.DELAY;
    }

    @Override
    public String question() {
        return "Do sources that belong together arrive apart, or does sound miss its picture?";
    }

    @Override
    public String severity() {
        return "Apart by more than {apart.minor} minor, {apart.major} major. Off a picture: minor if sound leads by {picture.leads} or lags by {picture.lags}, major from {picture.leads.major} and {picture.lags.major}.";
    }

    /** One source too early or too late somewhere. */
    private record Off(int scene, CellReading cell, double by, Severity severity, String than, boolean picture) {}

    @Override
    public List<Finding> check(AuditContext context) {
        Map<String, List<Integer>> groups = new TreeMap<>();
        List<Integer> shown = new ArrayList<>();
        for (int s = 0; s < context.sources().size(); s++) {
            Element source = context.sources().get(s);
            String together = source.or(Sources.TOGETHER, "");
            if (!together.isEmpty()) {
                groups.computeIfAbsent(together, x -> new ArrayList<>()).add(s);
            }
            if (source.get(Sources.PICTURE_DELAY) != null) {
                shown.add(s);
            }
        }
        Map<String, List<Off>> found = new LinkedHashMap<>();
        groups.values().forEach(group -> group.removeIf(s -> keepsTimeWithin(context, group, s)));
        List<Performance> performances = performances(context);
        if (groups.isEmpty() && shown.isEmpty() && performances.isEmpty()) {
            return List.of();
        }
        for (int o = 0; o < context.outlets().size(); o++) {
            for (int i = 0; i < context.scenes().size(); i++) {
                SceneReading scene = context.scenes().get(i);
                for (List<Integer> group : groups.values()) {
                    add(found, apart(context, i, scene, group, o));
                }
                for (Performance performance : performances) {
                    add(found, outOfTime(context, i, performance, o));
                }
                Outlets.Sort sort = context.outlets().get(o).get(Outlets.SORT);
                if (sort != null && sort.isOutput()) {
                    for (int s : shown) {
                        add(found, offPicture(context, i, scene.cell(s, o)));
                    }
                }
            }
        }
        return found.values().stream().map(all -> tell(context, all)).toList();
    }

    /** Somebody who plays or sings to what they hear: the places of both sources and of the ears. */
    private record Performance(int performer, int source, int ears) {}

    /** All performers of whom it is known what they play to and where they hear it. */
    private static List<Performance> performances(AuditContext context) {
        List<Performance> found = new ArrayList<>();
        for (int p = 0; p < context.sources().size(); p++) {
            Element performer = context.sources().get(p);
            int source = place(context.sources(), performer.get(Sources.KEEPS_TIME));
            int ears = place(context.outlets(), performer.get(Sources.HEARD_AT));
            if (source >= 0 && ears >= 0 && source != p) {
                found.add(new Performance(p, source, ears));
            }
        }
        return found;
    }

    /** The place of the element with an id; −1 if there is none. */
    private static int place(List<Element> all, @Nullable String id) {
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).id().equals(id)) {
                return i;
            }
        }
        return -1;
    }

    /** Whether a performer stands in a group with what they keep time with: that is compared by what they hear. */
    private static boolean keepsTimeWithin(AuditContext context, List<Integer> group, int performer) {
        String with = context.sources().get(performer).get(Sources.KEEPS_TIME);
        return with != null && group.contains(place(context.sources(), with));
    }

    /**
     * How far a performer is out of time at a listener: they play when the source has come to their ears, and then it takes
     * their own route; the source takes its own.
     */
    private static @Nullable Off outOfTime(AuditContext context, int place, Performance performance, int outlet) {
        SceneReading scene = context.scenes().get(place);
        CellReading heard = scene.cell(performance.source, performance.ears);
        CellReading played = scene.cell(performance.performer, outlet);
        CellReading source = scene.cell(performance.source, outlet);
        if (outlet == performance.ears || !heard.delivery().arrives() || !isDue(played) || !isDue(source)) {
            return null;
        }
        double late = heard.delivery().strongestDelay()
                + played.delivery().strongestDelay()
                - source.delivery().strongestDelay();
        Thresholds t = context.thresholds();
        if (Math.abs(late) <= t.of(Threshold.APART_MINOR) + 1e-9) {
            return null;
        }
        Severity severity = Math.abs(late) > t.of(Threshold.APART_MAJOR) + 1e-9 ? Severity.MAJOR : Severity.MINOR;
        CellReading early = late > 0 ? source : played;
        String than = (late > 0 ? played : source).source().name();
        return new Off(place, early, Math.abs(late), severity, than, false);
    }

    /** Whether a delivery counts when times are compared. */
    private static boolean isDue(CellReading cell) {
        return cell.delivery().arrives() && cell.wish() != Wish.NEVER;
    }

    /** Adds a pair that is off to those of the same source and listener. */
    private static void add(Map<String, List<Off>> found, @Nullable Off off) {
        if (off != null) {
            String key = off.cell.source().id() + ">" + off.cell.outlet().id();
            found.computeIfAbsent(key, x -> new ArrayList<>()).add(off);
        }
    }

    /** The member of a group that arrives last at a listener, and how much later than the first. */
    private static @Nullable Off apart(
            AuditContext context, int place, SceneReading scene, List<Integer> group, int outlet) {
        List<CellReading> here = group.stream()
                .map(s -> scene.cell(s, outlet))
                .filter(c -> c.delivery().arrives() && c.wish() != Wish.NEVER)
                .sorted((a, b) -> {
                    int order = Figures.compare(
                            a.delivery().strongestDelay(), b.delivery().strongestDelay());
                    return order != 0
                            ? order
                            : Ids.ORDER.compare(a.source().id(), b.source().id());
                })
                .toList();
        if (here.size() < 2) {
            return null;
        }
        CellReading early = here.getFirst();
        CellReading late = here.stream() // of equally late ones too the first by id, whatever the order of the file
                .filter(c -> Figures.compare(
                                c.delivery().strongestDelay(),
                                here.getLast().delivery().strongestDelay())
                        == 0)
                .findFirst()
                .orElseThrow();
        double by = late.delivery().strongestDelay() - early.delivery().strongestDelay();
        Thresholds t = context.thresholds();
        return by > t.of(Threshold.APART_MINOR) + 1e-9
                ? new Off(
                        place,
                        early,
                        by,
                        by > t.of(Threshold.APART_MAJOR) + 1e-9 ? Severity.MAJOR : Severity.MINOR,
                        late.source().name(),
                        false)
                : null;
    }

    /** A source that arrives before or after its own picture; null within the thresholds. */
    private static @Nullable Off offPicture(AuditContext context, int place, CellReading cell) {
        if (!cell.delivery().arrives() || cell.wish() == Wish.NEVER) {
            return null;
        }
        double early =
                cell.source().or(Sources.PICTURE_DELAY, 0.0) - cell.delivery().strongestDelay();
        Thresholds t = context.thresholds();
        boolean bad = early > t.of(Threshold.LEADS_MINOR) + 1e-9 || -early > t.of(Threshold.LAGS_MINOR) + 1e-9;
        boolean worse = early > t.of(Threshold.LEADS_MAJOR) + 1e-9 || -early > t.of(Threshold.LAGS_MAJOR) + 1e-9;
        return bad ? new Off(place, cell, early, worse ? Severity.MAJOR : Severity.MINOR, "its picture", true) : null;
    }

    /** One finding for all listeners of one source: it names the input that needs the delay. */
    private Finding tell(AuditContext context, List<Off> all) {
        all.sort(Comparator.comparing(Off::severity).thenComparingInt(Off::scene));
        Off worst = all.getFirst();
        List<Integer> scenes = all.stream().map(Off::scene).distinct().toList();
        CellReading cell = worst.cell;
        String source = cell.source().name();
        String outlet = cell.outlet().name();
        boolean early = worst.by > 0;
        String how = Say.of(Math.abs(worst.by), "ms") + (early ? " before " : " after ") + worst.than;
        FlowGraph graph = context.scenes().get(worst.scene).graph();
        FindingBuilder told = FindingBuilder.pair(id(), worst.severity, cell.source(), cell.outlet())
                .in(scenes)
                .title(source + Say.verb(source, " arrives ", " arrive ") + how + " at " + outlet)
                .plain("At " + outlet + ", " + source + Say.verb(source, " comes ", " come ") + how + ".")
                .exact(source + Say.verb(source, " comes ", " come ") + how + " at " + outlet, context.in(scenes))
                .cause(early ? "its route is shorter" : "its route is longer")
                .noticed(
                        worst.picture
                                ? "Lips and sound don't match."
                                : "The same thing is heard twice, a moment apart.")
                .evidence(context.evidence(
                        worst.scene, Evidence.Form.ROUTE, cell.delivery().strongest()))
                .assumed(Say.assumed(graph, cell.delivery().strongest()))
                .figure(early ? "delay to add" : "delay to take away", Math.abs(worst.by), "ms");
        cell.delivery().strongest().stream()
                .map(s -> context.rig().find(graph.segmentElement(s), Kind.INPUT))
                .flatMap(Optional::stream)
                .findFirst()
                .ifPresent(input -> told.setting(input, Productions.INPUT_DELAY));
        return told.made();
    }
}
