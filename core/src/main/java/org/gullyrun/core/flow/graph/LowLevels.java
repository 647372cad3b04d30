package org.gullyrun.core.flow.graph;

import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;

/** The levels along a route that somebody has turned far down. */
public final class LowLevels {
    /** What is as far down as this, in dB, is no matter of taste. */
    private static final double LOW = -12;

    private LowLevels() {}

    /** Where the levels of some segments, and of what they connect, are far down; the lowest first. */
    public static List<Address> of(FlowGraph graph, Collection<Integer> segments) {
        Rig rig = graph.rig();
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
                .filter(at -> gain(rig, at) <= LOW)
                .sorted(Comparator.comparingDouble(at -> gain(rig, at)))
                .toList();
    }

    /** What a setting is at, in dB; 0 if it is no slider that somebody may have turned down: how far apart things are is none. */
    public static double gain(Rig rig, Address at) {
        Element element = rig.find(at.element());
        Setting<?> setting = element == null ? null : Catalogue.find(element.kind(), at.key());
        return element != null
                        && setting != null
                        && setting.type() instanceof ValueType.Number(String unit, double least, double most)
                        && unit.equals("dB")
                        && setting.kind() != Kind.COUPLING
                        && setting.kind() != Kind.SOURCE
                        && element.raw(setting) instanceof Double gain
                ? gain
                : 0;
    }
}
