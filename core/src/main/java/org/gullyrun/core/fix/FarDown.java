package org.gullyrun.core.fix;

import java.util.Collection;
import java.util.List;
import java.util.Objects;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.LowLevels;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/** What somebody has turned far down, turned up again. */
final class FarDown {
    private FarDown() {}

    /** Each level of some segments, and of what they connect, that is far down, back to 0 dB; the lowest first. */
    static List<Change> back(Rig rig, FlowGraph graph, Collection<Integer> segments) {
        return LowLevels.of(graph, segments).stream()
                .map(at -> back(rig, at))
                .filter(Objects::nonNull)
                .map(Change.class::cast)
                .toList();
    }

    private static Change.@Nullable Set back(Rig rig, Address at) {
        Element element = rig.get(at.element());
        return Change.setRaw(rig, element.id(), Objects.requireNonNull(Catalogue.find(element.kind(), at.key())), 0.0);
    }
}
