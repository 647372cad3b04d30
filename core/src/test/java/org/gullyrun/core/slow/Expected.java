package org.gullyrun.core.slow;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.slow.SlowAudit.SlowRoute;
import org.jspecify.annotations.Nullable;

/** The findings about one cell, said once more from the catalogue: identity and severity, the worst of all scenes. */
final class Expected {
    private Expected() {}

    static void of(
            Rig rig,
            Brief brief,
            Element source,
            Element outlet,
            String scene,
            Wish wish,
            List<SlowRoute> routes,
            Map<String, Severity> into) {
        String pair = source.id() + ">" + outlet.id();
        Outlets.Sort sort = outlet.get(Outlets.SORT);
        double strength = routes.isEmpty() ? Double.NEGATIVE_INFINITY : SlowAudit.strength(routes);
        List<SlowRoute> electric = routes.stream().filter(w -> !w.air()).toList();
        if (SlowAudit.isOwn(rig, source, outlet)) {
            if (!routes.isEmpty()) {
                boolean cancels = rig.get(outlet.get(Outlets.APPLICATION)).is(Applications.CANCELS_ECHO, true);
                worst(
                        into,
                        "loop.far-end:" + pair,
                        electric.isEmpty() && cancels
                                ? Severity.NOTE
                                : strength >= -30.000000001
                                        ? Severity.CRITICAL
                                        : strength >= -45.000000001 ? Severity.MAJOR : Severity.MINOR);
            }
            return;
        }
        if (routes.isEmpty() || isAbsent(rig, source, outlet, wish, routes)) {
            return;
        }
        if (wish == Wish.NEVER) {
            boolean entered = SlowAudit.isEntered(brief, source, outlet, scene)
                    || SlowGraph.on(source, Sources.SILENT.of(scene.isEmpty() ? "none" : scene));
            never(rig, brief, source, outlet, sort, strength, electric, entered, pair, into);
            return;
        }
        double[] copy = SlowAudit.copy(routes);
        double strongest = SlowAudit.strongest(routes).gain();
        boolean live = sort == Outlets.Sort.LIVE;
        if (copy[0] >= strongest - 20 - 1e-9) {
            boolean stacked = copy[1] <= 0.03 + 1e-9;
            List<Severity> steps =
                    List.of(Severity.CRITICAL, Severity.MAJOR, Severity.MINOR, Severity.NOTE, Severity.NOTE);
            int step = (live ? 0 : 1) + (stacked ? 1 : 0);
            double depth = strongest - copy[0];
            step += depth > 6.000000001 ? 1 : 0;
            worst(into, "double:" + pair, steps.get(depth > 12.000000001 ? Math.max(2, step) : step));
        } else if (electric.stream().anyMatch(w -> routes.stream().anyMatch(v -> v != w && v.gain() >= w.gain()))) {
            worst(into, "double.faint:" + pair, Severity.NOTE);
        }
    }

    /** Whether a must does not arrive, or too faintly to count. */
    static boolean isAbsent(Rig rig, Element source, Element outlet, Wish wish, List<SlowRoute> routes) {
        if (wish != Wish.MUST || routes.isEmpty()) {
            return wish == Wish.MUST;
        }
        boolean ownCall = SlowAudit.isOwn(rig, source, outlet);
        double strength = SlowAudit.strength(routes);
        return !ownCall && (strength < -30.000000001 || source.or(Sources.LEVEL, -20.0) + strength < -60.000000001);
    }

    /** What follows from a must in all scenes in which it is one. */
    static void absent(Element source, Element outlet, Due due, Map<String, Severity> into) {
        Outlets.Sort sort = outlet.get(Outlets.SORT);
        if (due.explained().contains(SlowBlocked.Explained.NO)) {
            into.put(
                    (due.explained().size() == due.scenes() ? "missing:" : "scene.gap:") + source.id() + ">"
                            + outlet.id(),
                    sort == Outlets.Sort.LIVE || sort == Outlets.Sort.EARS ? Severity.CRITICAL : Severity.MAJOR);
        }
    }

    /** In how many scenes something is a must, and for each in which it is absent, whether what is down explains it. */
    record Due(int scenes, List<SlowBlocked.Explained> explained) {
        Due with(SlowBlocked.@Nullable Explained here) {
            List<SlowBlocked.Explained> all = new ArrayList<>(explained);
            if (here != null) {
                all.add(here);
            }
            return new Due(scenes + 1, all);
        }

        /** Whether only ids decide if there is a finding. */
        boolean isUnsure() {
            return explained.contains(SlowBlocked.Explained.UNSURE) && !explained.contains(SlowBlocked.Explained.NO);
        }
    }

    private static void never(
            Rig rig,
            Brief brief,
            Element source,
            Element outlet,
            Outlets.Sort sort,
            double strength,
            List<SlowRoute> electric,
            boolean entered,
            String pair,
            Map<String, Severity> into) {
        boolean isPrivate = source.is(Sources.PRIVATE, false);
        boolean flagged = isPrivate || source.is(Sources.LICENSED, false);
        if (sort == Outlets.Sort.TRACK && SlowAudit.forOthers(rig, brief, source, outlet) && !isPrivate && !entered) {
            worst(into, "track.mixed:" + pair, byStrength(Severity.MAJOR, strength));
            return;
        }
        boolean keeps = sort == Outlets.Sort.ARCHIVE || sort == Outlets.Sort.TRACK;
        Severity full = sort == Outlets.Sort.LIVE
                        || sort == Outlets.Sort.RELAY
                        || sort == Outlets.Sort.FAR_END
                        || flagged && keeps
                ? Severity.CRITICAL
                : Severity.MAJOR;
        boolean kept = isPrivate && !electric.isEmpty() && SlowAudit.strength(electric) >= -60.000000001;
        worst(into, "leak:" + pair, kept ? full : byStrength(full, strength));
    }

    private static Severity byStrength(Severity full, double strength) {
        return strength >= -30.000000001 ? full : strength >= -50.000000001 ? Severity.MINOR : Severity.NOTE;
    }

    private static void worst(Map<String, Severity> into, String identity, Severity severity) {
        into.merge(identity, severity, (a, b) -> a.compareTo(b) < 0 ? a : b);
    }
}
