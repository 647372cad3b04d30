package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.flow.BlockedWay;
import org.gullyrun.core.flow.Gate;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/** What the rules work on: the rig, the wishes, the scenes computed, and what several rules need alike. */
public final class AuditContext {
    private final Rig rig;
    private final Wishes wishes;
    private final Thresholds thresholds;
    private final List<SceneReading> scenes;
    private @Nullable List<MissingPair> missing;

    AuditContext(Rig rig, Wishes wishes, Thresholds thresholds, List<SceneReading> scenes) {
        this.rig = rig;
        this.wishes = wishes;
        this.thresholds = thresholds;
        this.scenes = scenes;
    }

    /** The rig. */
    public Rig rig() {
        return rig;
    }

    /** What counts of the brief. */
    public Wishes wishes() {
        return wishes;
    }

    /** The figures at which findings begin. */
    public Thresholds thresholds() {
        return thresholds;
    }

    /** All scenes, in the order of the axis. */
    public List<SceneReading> scenes() {
        return scenes;
    }

    /** The sources, in the rig's order. */
    public List<Element> sources() {
        return rig.of(Kind.SOURCE);
    }

    /** The outlets, in the rig's order. */
    public List<Element> outlets() {
        return rig.of(Kind.OUTLET);
    }

    /** All musts that do not arrive somewhere, source by source. Worked out once. */
    public List<MissingPair> missing() {
        if (missing == null) {
            List<MissingPair> found = new ArrayList<>();
            for (int s = 0; s < sources().size(); s++) {
                for (int o = 0; o < outlets().size(); o++) {
                    MissingPair pair = missing(s, o);
                    if (pair != null) {
                        found.add(pair);
                    }
                }
            }
            missing = List.copyOf(found);
        }
        return missing;
    }

    private @Nullable MissingPair missing(int source, int outlet) {
        List<Integer> due = new ArrayList<>();
        Map<Integer, BlockedWay> ways = new LinkedHashMap<>();
        List<Integer> unexplained = new ArrayList<>();
        Set<Gate> explainedBy = new LinkedHashSet<>();
        for (int i = 0; i < scenes.size(); i++) {
            CellReading cell = scenes.get(i).cell(source, outlet);
            if (cell.wish() == Wish.MUST) {
                due.add(i);
                if (cell.verdict() == Verdict.MISSING) {
                    BlockedWay way = scenes.get(i).blocked(cell);
                    ways.put(i, way);
                    Set<Gate> by = explaining(scenes.get(i), cell, way);
                    if (by.isEmpty()) {
                        unexplained.add(i);
                    }
                    explainedBy.addAll(by);
                }
            }
        }
        return ways.isEmpty()
                ? null
                : new MissingPair(
                        sources().get(source),
                        outlets().get(outlet),
                        List.copyOf(due),
                        List.copyOf(ways.keySet()),
                        List.copyOf(unexplained),
                        ways,
                        explainedBy);
    }

    /**
     * The gates of findings of their own for which a must does not arrive: those on its blocked way, and those that
     * would by themselves let it arrive. The blocked way alone is not enough: a shorter one over a switch that nobody
     * means to use would hide that the mixer is down.
     */
    private Set<Gate> explaining(SceneReading scene, CellReading cell, BlockedWay way) {
        Set<Gate> by = new LinkedHashSet<>();
        way.closed().stream().filter(this::isFindingOfItsOwn).forEach(by::add);
        for (Gate gate : scene.graph().closedGates()) {
            if (isFindingOfItsOwn(gate) && scene.arrivesIfOpen(cell, gate)) {
                by.add(gate);
            }
        }
        return by;
    }

    /** Engines that do not run, outputs that are not active and devices that are gone are found by rules of their own. */
    private boolean isFindingOfItsOwn(Gate gate) {
        return switch (gate.sort()) {
            case USABLE, PRESENT -> true;
            case ON ->
                isEngine(gate)
                        || rig.find(gate.at().element(), Kind.OUTPUT).isPresent()
                                && gate.at().key().equals("active");
            default -> false;
        };
    }

    private boolean isEngine(Gate gate) {
        Element element = rig.find(gate.at().element());
        return element != null
                && gate.at().key().equals("running")
                && switch (element.kind()) {
                    case MIXER, PROCESSOR, PRODUCTION -> true;
                    default -> false;
                };
    }

    /** The musts that do not arrive because of a closed gate at an element. */
    public List<MissingPair> hangingOn(String element, String key) {
        return missing().stream()
                .filter(pair -> pair.explainedBy().stream()
                        .anyMatch(g -> g.at().element().equals(element)
                                && (g.at().key().equals(key) || key.equals("usable") && g.sort() == Gate.Sort.PRESENT)))
                .toList();
    }

    /** Scenes as words: "in all scenes", "in Panel and Sky"; empty where there is but one. */
    public String in(List<Integer> places) {
        if (scenes.size() <= 1 || places.isEmpty()) {
            return "";
        }
        if (places.size() == scenes.size()) {
            return "in all scenes";
        }
        List<String> names =
                places.stream().sorted().map(i -> scenes.get(i).name()).toList();
        return "in " + list(names);
    }

    /** "a, b and c". */
    public static String list(List<String> names) {
        return names.size() < 2
                ? String.join("", names)
                : String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.getLast();
    }
}
