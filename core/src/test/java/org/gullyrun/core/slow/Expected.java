package org.gullyrun.core.slow;

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
import org.gullyrun.core.slow.SlowAudit.Way;

/** The findings about one cell, said once more from the catalogue: identity and severity, the worst of all scenes. */
final class Expected {
    private Expected() {}

    static void of(
            Rig rig,
            Brief brief,
            Element source,
            Element outlet,
            Wish wish,
            List<Way> ways,
            Map<String, Severity> into) {
        String pair = source.id() + ">" + outlet.id();
        Outlets.Sort sort = outlet.get(Outlets.SORT);
        double strength = ways.isEmpty() ? Double.NEGATIVE_INFINITY : SlowAudit.strength(ways);
        List<Way> electric = ways.stream().filter(w -> !w.air()).toList();
        if (sort == Outlets.Sort.FAR_END && outlet.get(Outlets.APPLICATION).equals(source.get(Sources.AT))) {
            if (!ways.isEmpty()) {
                boolean cancels = rig.get(outlet.get(Outlets.APPLICATION)).is(Applications.CANCELS_ECHO, true);
                worst(
                        into,
                        "loop.far-end:" + pair,
                        electric.isEmpty() && cancels
                                ? Severity.NOTE
                                : strength >= -30
                                        ? Severity.CRITICAL
                                        : strength >= -45 ? Severity.MAJOR : Severity.MINOR);
            } else if (wish == Wish.MUST) {
                worst(into, "absent:" + pair, Severity.MAJOR);
            }
            return;
        }
        if (ways.isEmpty()) {
            if (wish == Wish.MUST) {
                worst(into, "absent:" + pair, Severity.MAJOR);
            }
            return;
        }
        if (wish == Wish.NEVER) {
            never(rig, brief, source, outlet, sort, strength, electric, pair, into);
            return;
        }
        double level = source.or(Sources.LEVEL, -20.0) + strength;
        if (wish == Wish.MUST && (strength < -30 || level < -60)) {
            worst(into, "absent:" + pair, Severity.MAJOR);
            return;
        }
        double[] copy = SlowAudit.copy(ways);
        double strongest = SlowAudit.strongest(ways).gain();
        boolean live = sort == Outlets.Sort.LIVE;
        if (copy[0] >= strongest - 20 - 1e-9) {
            boolean stacked = copy[1] <= 0.03 + 1e-9;
            worst(
                    into,
                    "double:" + pair,
                    stacked ? live ? Severity.MAJOR : Severity.MINOR : live ? Severity.CRITICAL : Severity.MAJOR);
        } else if (electric.stream().anyMatch(w -> ways.stream().anyMatch(v -> v != w && v.gain() >= w.gain()))) {
            worst(into, "double.faint:" + pair, Severity.NOTE);
        }
    }

    private static void never(
            Rig rig,
            Brief brief,
            Element source,
            Element outlet,
            Outlets.Sort sort,
            double strength,
            List<Way> electric,
            String pair,
            Map<String, Severity> into) {
        boolean isPrivate = source.is(Sources.PRIVATE, false);
        boolean flagged = isPrivate || source.is(Sources.LICENSED, false);
        if (sort == Outlets.Sort.TRACK && SlowAudit.forOthers(rig, brief, source, outlet) && !flagged) {
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
        boolean kept = isPrivate && !electric.isEmpty() && SlowAudit.strength(electric) >= -60;
        worst(into, "leak:" + pair, kept ? full : byStrength(full, strength));
    }

    private static Severity byStrength(Severity full, double strength) {
        return strength >= -30 ? full : strength >= -50 ? Severity.MINOR : Severity.NOTE;
    }

    private static void worst(Map<String, Severity> into, String identity, Severity severity) {
        into.merge(identity, severity, (a, b) -> a.compareTo(b) < 0 ? a : b);
    }
}
