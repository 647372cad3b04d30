package org.gullyrun.core.audit.rules;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.Clocks;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.DriverPath;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/**
 * Are two physical clocks joined with nothing re-clocking between?
 *
 * <p>Source: two clocks that differ by one part in a million drift apart by 3.6 ms an hour; a buffer of 20 ms is full or
 * empty after 20 / (3.6 · ppm) hours.
 */
final class RateDrift implements Rule {
    private static final double MS_AN_HOUR = 3.6;

    @Override
    public String id() {
        return "rate.drift";
    }

    @Override
    public Topic topic() {
        return Topic.CLOCK;
    }

    @Override
    public FixKind fixKind() {
        return FixKind.RECLOCK;
    }

    @Override
    public String question() {
        return "Are two clocks connected with nothing to keep them in step?";
    }

    @Override
    public String severity() {
        return "A note if the clocks' errors are not known, else minor; major if they slip by {drift.slip} within the show.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Rig rig = context.rig();
        Map<String, Finding> byPair = new TreeMap<>();
        for (Element wire : rig.of(Kind.WIRE)) {
            if (wire.get(Links.WIRE_SIGNAL) == Links.Signal.DIGITAL && !wire.is(Links.WIRE_CONVERTS, false)) {
                join(context, wire, wire.get(Links.WIRE_FROM), wire.get(Links.WIRE_TO), Links.WIRE_CONVERTS, byPair);
            }
        }
        for (Element pass : rig.of(Kind.PASS_THROUGH)) {
            String from = pass.get(Links.PASS_FROM);
            String machine =
                    rig.find(from, Kind.DEVICE).map(d -> d.get(Devices.MACHINE)).orElse(null);
            String to = Choices.device(rig, machine, pass.get(Links.PASS_TO), Direction.PLAYBACK);
            boolean holds = isExclusive(rig, from) || isExclusive(rig, to);
            if (holds && pass.is(Links.PASS_ENABLED, true) && !pass.is(Links.PASS_DIRECT, false)) {
                join(context, pass, from, to, Links.PASS_ENABLED, byPair);
            }
        }
        return List.copyOf(byPair.values());
    }

    /** Whether a device is used past the system's mixing, which would re-clock it. */
    private static boolean isExclusive(Rig rig, @Nullable String device) {
        return rig.find(device, Kind.DEVICE)
                .map(d -> d.or(Devices.PATH, DriverPath.STANDARD).goesAround())
                .orElse(false);
    }

    /** Adds a finding for a pair of clocks that a link joins without anything that re-clocks in between. */
    private void join(
            AuditContext context,
            Element by,
            @Nullable String from,
            @Nullable String to,
            Setting<?> setting,
            Map<String, Finding> byPair) {
        Rig rig = context.rig();
        Element a = rig.find(from, Kind.DEVICE).orElse(null);
        Element b = rig.find(to, Kind.DEVICE).orElse(null);
        if (a == null || b == null) {
            return;
        }
        String one = Clocks.key(a);
        String other = Clocks.key(b);
        String pair = one.compareTo(other) < 0 ? one + "|" + other : other + "|" + one;
        if (!Clocks.isPhysical(a) || !Clocks.isPhysical(b) || one.equals(other) || byPair.containsKey(pair)) {
            return;
        }
        Double errorA = a.get(Devices.CLOCK_ERROR);
        Double errorB = b.get(Devices.CLOCK_ERROR);
        double ppm = errorA != null && errorB != null ? Math.abs(errorA - errorB) : Double.NaN;
        boolean known = !Double.isNaN(ppm);
        if (ppm == 0) {
            return;
        }
        double buffer = context.thresholds().of(Threshold.SLIP);
        double hours = buffer / (ppm * MS_AN_HOUR);
        double show = context.thresholds().showHours();
        Severity severity = !known ? Severity.NOTE : hours <= show + 1e-9 ? Severity.MAJOR : Severity.MINOR;
        String ends = a.name() + " and " + b.name();
        FindingBuilder told = FindingBuilder.of(id(), severity, a.id(), b.id())
                .title(ends + " keep slightly different time" + (known ? ", " + Say.of(ppm, "ppm") + " apart" : ""))
                .plain(ends + " each keep their own time, and " + by.name()
                        + " joins them; sound will click now and then.")
                .exact(
                        by.name() + " joins " + ends + ", and nothing re-clocks between:",
                        known
                                ? Say.of(ppm, "ppm") + " apart, " + Say.of(ppm * MS_AN_HOUR, "ms") + " an hour, a "
                                        + Say.of(buffer, "ms") + " slip after " + Say.hours(hours)
                                : "how far apart their clocks are is unknown")
                .cause("two clocks and nothing to keep them in step")
                .noticed(
                        known && hours <= show + 1e-9
                                ? "A click or a short gap now and then during the show."
                                : "At most a click in a long recording, and sound that slowly drifts from its picture.")
                .setting(by, setting)
                .setting(a, Devices.CLOCK_ERROR)
                .setting(b, Devices.CLOCK_ERROR)
                .assumed(!known);
        if (known) {
            told.figure("apart", ppm, "ppm")
                    .figure("drift", ppm * MS_AN_HOUR, "ms/h")
                    .figure("time to slip", hours, "h");
        }
        byPair.put(pair, told.made());
    }
}
