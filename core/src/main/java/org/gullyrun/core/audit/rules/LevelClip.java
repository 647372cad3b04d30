package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Complaint.What;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.flow.route.Delivery;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/**
 * Where an engine leaves to a device, or at an outlet: can the sum exceed full scale?
 *
 * <p>Source: copies of one source may meet in phase, so its amplitudes add; different sources do not keep in phase, so
 * their powers add; peaks lie a crest factor above that. Only sources whose level has been entered count.
 */
final class LevelClip implements Rule {
    /**
     * One place in one scene.
     *
     * @param loudest the place of the loudest source in the rig's list
     * @param outlet the place of the outlet in the rig's list; −1 where an engine leaves to a device
     */
    private record Hit(int scene, double peak, int loudest, int point, int outlet) {}

    @Override
    public String id() {
        return "level.clip";
    }

    @Override
    public Topic topic() {
        return Topic.LEVEL;
    }

    @Override
    public Set<What> heardAs() {
        return Set.of(What.TOO_LOUD, What.ROBOTIC);
    }

    @Override
    public FixKind fixKind() {
        return FixKind.LOWER_SUM;
    }

    @Override
    public String question() {
        return "Can the sum of what meets somewhere be too loud?";
    }

    @Override
    public String severity() {
        return "Minor above {clip.minor}, major above {clip.major}; peaks are taken {clip.crest} above the level. Only sources whose level has been entered count.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Map<String, List<Hit>> byPlace = new LinkedHashMap<>();
        double[] powers = powers(context);
        if (Arrays.stream(powers).allMatch(Double::isNaN)) {
            return List.of();
        }
        for (int i = 0; i < context.scenes().size(); i++) {
            SceneReading scene = context.scenes().get(i);
            if (context.isAsBefore(i)) {
                int at = i;
                byPlace.values().forEach(hits -> {
                    Hit last = hits.getLast();
                    if (last.scene == at - 1) {
                        hits.add(new Hit(at, last.peak, last.loudest, last.point, last.outlet));
                    }
                });
                continue;
            }
            Set<Integer> above = new HashSet<>();
            for (Hit hit : atExits(context, i, powers)) {
                above.add(hit.point);
                byPlace.computeIfAbsent(scene.graph().element(hit.point), x -> new ArrayList<>())
                        .add(hit);
            }
            for (int o = 0; o < context.outlets().size(); o++) {
                Sum sum = new Sum();
                for (int s = 0; s < powers.length; s++) {
                    Delivery delivery = scene.cell(s, o).delivery();
                    if (!Double.isNaN(powers[s]) && delivery.arrives()) {
                        sum.add(s, powers[s] * Math.pow(10, delivery.worst() / 10));
                    }
                }
                Hit hit = sum.hit(context, i, scene.outletPoint(o), o);
                if (hit != null && !isToldBefore(scene, hit, above)) {
                    byPlace.computeIfAbsent(context.outlets().get(o).id(), x -> new ArrayList<>())
                            .add(hit);
                }
            }
        }
        List<Finding> findings = new ArrayList<>();
        byPlace.forEach((place, hits) -> findings.add(tell(context, place, hits)));
        return findings;
    }

    /** Whether what makes an outlet too loud comes there through an exit that is too loud, of which that is told. */
    private static boolean isToldBefore(SceneReading scene, Hit hit, Set<Integer> above) {
        return scene.cell(hit.loudest, hit.outlet).delivery().strongest().stream()
                .anyMatch(s -> above.contains(scene.graph().from(s)));
    }

    /** The power of each source at its usual level, 1 at full scale; NaN where no level has been entered. */
    private static double[] powers(AuditContext context) {
        return context.sources().stream()
                .mapToDouble(s -> s.get(Sources.LEVEL) instanceof Double level ? Math.pow(10, level / 10) : Double.NaN)
                .toArray();
    }

    /** What adds up at one place. */
    private static final class Sum {
        private double power;
        private double most;
        private int loudest = -1;

        /** Adds in power: sources don't move in step, unlike copies of one source. */
        void add(int source, double more) {
            power += more;
            if (more > most) {
                most = more;
                loudest = source;
            }
        }

        /** The place where the sum may exceed the threshold, or null where it can't: average power plus the crest factor. */
        @Nullable
        Hit hit(AuditContext context, int scene, int point, int outlet) {
            double peak = 10 * Math.log10(power) + context.thresholds().of(Threshold.CREST);
            return loudest < 0 || peak <= context.thresholds().of(Threshold.CLIP_MINOR) + 1e-9
                    ? null
                    : new Hit(scene, peak, loudest, point, outlet);
        }
    }

    /** Where engines leave to devices in a scene, in order, as far as it is too loud there. */
    private static List<Hit> atExits(AuditContext context, int place, double[] powers) {
        SceneReading scene = context.scenes().get(place);
        int[] exits = scene.graph().exits();
        Sum[] sums = new Sum[exits.length];
        for (int s = 0; s < powers.length; s++) {
            if (Double.isNaN(powers[s])) {
                continue;
            }
            int[] reached = scene.deliveries().exitsOf(scene.sourcePoint(s));
            double[] amplitudes = scene.deliveries().amplitudesAt(scene.sourcePoint(s));
            for (int e = 0, at = 0; e < reached.length; e++) {
                while (exits[at] != reached[e]) {
                    at++; // both are in order
                }
                sums[at] = sums[at] == null ? new Sum() : sums[at];
                sums[at].add(s, powers[s] * amplitudes[e] * amplitudes[e]);
            }
        }
        List<Hit> hits = new ArrayList<>();
        for (int at = 0; at < exits.length; at++) {
            // What leaves to no device, or to one that is not there, clips nothing.
            boolean leaves = scene.view().leaves(exits[at]);
            Hit hit = sums[at] == null || !leaves ? null : sums[at].hit(context, place, exits[at], -1);
            if (hit != null) {
                hits.add(hit);
            }
        }
        return hits;
    }

    /** The strongest routes of the sources that make the peak. */
    private static Evidence evidence(AuditContext context, Hit hit) {
        SceneReading scene = context.scenes().get(hit.scene);
        return context.evidence(
                hit.scene,
                Evidence.Form.ROUTE,
                hit.outlet < 0
                        ? scene.strongestTo(context.sources().get(hit.loudest), hit.point)
                        : scene.cell(hit.loudest, hit.outlet).delivery().strongest());
    }

    /** One finding for a place at which the sum is too loud, in whatever scenes. */
    private Finding tell(AuditContext context, String place, List<Hit> hits) {
        hits.sort(Comparator.comparingDouble((Hit h) -> h.peak).reversed().thenComparingInt(Hit::scene));
        Hit worst = hits.getFirst();
        List<Integer> scenes = hits.stream().map(Hit::scene).toList();
        Element element = context.rig().get(place);
        String name = element.kind() == Kind.PRODUCTION
                ? element.name() + "'s cue"
                : element.kind() == Kind.OUTLET ? element.name() : Sentences.noun(context.rig(), element);
        double peak = worst.peak;
        boolean major = peak > context.thresholds().of(Threshold.CLIP_MAJOR) + 1e-9;
        return FindingBuilder.of(id(), major ? Severity.MAJOR : Severity.MINOR, place)
                .in(scenes)
                .title((element.kind() == Kind.OUTLET ? name : Sentences.capitalized(name))
                        + Say.verb(name, " peaks", " peak") + " at " + Say.of(peak, "dBFS"))
                .plain("When everything plays at once, it gets too loud at " + name + ".")
                .exact(
                        "The sum at " + name + " peaks at " + Say.of(peak, "dBFS") + "; loudest is "
                                + context.sources().get(worst.loudest).name(),
                        context.in(scenes))
                .cause("levels add up and nothing turns the sum down")
                .noticed("Loud passages crackle or sound harsh.")
                .evidence(evidence(context, worst))
                .figure("peak", peak, "dBFS")
                .made();
    }
}
