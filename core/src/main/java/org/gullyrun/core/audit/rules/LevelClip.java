package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Limit;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Severity;
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
    public String question() {
        return "Can the sum of what meets somewhere be too loud for the device?";
    }

    @Override
    public String severity() {
        return "Minor above {clip.minor}, major above {clip.major}; peaks are taken {clip.crest} above the level. Only sources whose level has been entered count.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Map<String, List<Hit>> byPlace = new LinkedHashMap<>();
        double least = context.thresholds().of(Limit.CLIP_MINOR) + 1e-9;
        if (context.sources().stream().allMatch(s -> s.get(Sources.LEVEL) == null)) {
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
            for (int exit : scene.graph().exits()) {
                Hit hit = sum(context, i, exit, -1);
                if (hit != null && hit.peak > least) {
                    above.add(exit);
                    String element = scene.graph().element(exit);
                    byPlace.computeIfAbsent(element, x -> new ArrayList<>()).add(hit);
                }
            }
            boolean[] behind = scene.view()
                    .reachedFrom(above.stream().mapToInt(Integer::intValue).toArray());
            for (int o = 0; o < context.outlets().size(); o++) {
                Element outlet = context.outlets().get(o);
                if (behind[scene.graph().point(outlet.id())]) {
                    continue; // it is told of the place before
                }
                Hit hit = sum(context, i, scene.graph().point(outlet.id()), o);
                if (hit != null && hit.peak > least) {
                    byPlace.computeIfAbsent(outlet.id(), x -> new ArrayList<>()).add(hit);
                }
            }
        }
        List<Finding> findings = new ArrayList<>();
        byPlace.forEach((place, hits) -> findings.add(tell(context, place, hits)));
        return findings;
    }

    private static @Nullable Hit sum(AuditContext context, int place, int point, int outlet) {
        SceneReading scene = context.scenes().get(place);
        double power = 0;
        double most = java.lang.Double.NEGATIVE_INFINITY;
        int loudest = -1;
        for (int s = 0; s < context.sources().size(); s++) {
            java.lang.Double level = context.sources().get(s).get(Sources.LEVEL);
            if (level == null) {
                continue;
            }
            double worst = outlet < 0
                    ? scene.worstAt(s, point)
                    : scene.cell(s, outlet).delivery().worst();
            if (worst == worst && worst > java.lang.Double.NEGATIVE_INFINITY) {
                power += Math.pow(10, (level + worst) / 10);
                if (level + worst > most) {
                    most = level + worst;
                    loudest = s;
                }
            }
        }
        if (loudest < 0) {
            return null;
        }
        double peak = 10 * Math.log10(power) + context.thresholds().of(Limit.CREST);
        return peak <= context.thresholds().of(Limit.CLIP_MINOR) ? null : new Hit(place, peak, loudest, point, outlet);
    }

    private static Evidence evidence(AuditContext context, Hit hit) {
        SceneReading scene = context.scenes().get(hit.scene);
        return Evidence.of(
                hit.scene,
                Evidence.Sort.RUN,
                hit.outlet < 0
                        ? scene.strongestTo(context.sources().get(hit.loudest), hit.point)
                        : scene.cell(hit.loudest, hit.outlet).delivery().strongest());
    }

    private Finding tell(AuditContext context, String place, List<Hit> hits) {
        hits.sort(Comparator.comparingDouble((Hit h) -> h.peak).reversed().thenComparingInt(Hit::scene));
        Hit worst = hits.getFirst();
        List<Integer> scenes = hits.stream().map(Hit::scene).toList();
        Element element = context.rig().get(place);
        String name = element.kind() == Kind.PRODUCTION
                ? element.name() + "'s cue"
                : element.kind() == Kind.OUTLET ? element.name() : Sentences.noun(context.rig(), element);
        double peak = worst.peak;
        boolean major = peak > context.thresholds().of(Limit.CLIP_MAJOR) + 1e-9;
        return Told.of(id(), major ? Severity.MAJOR : Severity.MINOR, place)
                .in(scenes)
                .title("Peaks up to " + Say.of(peak, "dBFS") + " at " + name)
                .plain("When everything sounds at once it gets too loud at " + name + ".")
                .exact(
                        "The sum at " + name + " peaks at " + Say.of(peak, "dBFS") + ", loudest "
                                + context.sources().get(worst.loudest).name()
                                + ",",
                        context.in(scenes))
                .cause("levels add up and nothing turns the sum down")
                .noticed("Loud passages crackle or sound harsh.")
                .evidence(evidence(context, worst))
                .figure("peak", peak, "dBFS")
                .made();
    }
}
