package org.gullyrun.core.fix;

import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.SegmentSettings;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;
import org.jspecify.annotations.Nullable;

/** The levels along a route that somebody has turned far down. */
final class FarDown {
    /** What is as far down as this, in dB, is no matter of taste. */
    private static final double LEVEL = -12;

    private FarDown() {}

    /** Each level of some segments, and of what they connect, that is far down, back to 0 dB; the lowest first. */
    static List<Change> back(Rig rig, FlowGraph graph, Collection<Integer> segments) {
        Set<Address> levels = new LinkedHashSet<>();
        for (int segment : segments) {
            levels.addAll(SegmentSettings.of(graph, segment));
            for (String id : List.of(
                    graph.segmentElement(segment),
                    graph.element(graph.from(segment)),
                    graph.element(graph.to(segment)))) {
                Element element = rig.find(id);
                if (element != null) {
                    Catalogue.of(element.kind()).stream()
                            .filter(setting -> !setting.isFamily())
                            .forEach(setting -> levels.add(new Address(id, setting.key())));
                }
            }
        }
        return levels.stream()
                .map(at -> back(rig, at))
                .filter(Objects::nonNull)
                .sorted(Comparator.comparingDouble(up -> up.from() instanceof Double now ? now : 0))
                .map(Change.class::cast)
                .toList();
    }

    /** A level back to 0 dB; null if it is none, or isn't far down. */
    private static Change.@Nullable Set back(Rig rig, Address at) {
        Element element = rig.find(at.element());
        Setting<?> setting = element == null ? null : Catalogue.find(element.kind(), at.key());
        return element != null
                        && setting != null
                        && isGain(setting)
                        && element.raw(setting) instanceof Double now
                        && now <= LEVEL
                ? Change.setRaw(rig, element.id(), setting, 0.0)
                : null;
    }

    /** Whether a setting is a slider that somebody may have turned down; how far apart things are is none. */
    private static boolean isGain(Setting<?> setting) {
        return setting.type() instanceof ValueType.Number(String unit, double least, double most)
                && unit.equals("dB")
                && setting.kind() != Kind.COUPLING
                && setting.kind() != Kind.SOURCE;
    }
}
