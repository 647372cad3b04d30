package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;

/** Puts elements of a kind into another order. Lists everywhere follow it, since it is the order of the rig. */
public final class RowOrder {
    private RowOrder() {}

    /** The changes that move an element so many places down its list, or up; none where there is no such place. */
    public static List<Change> moved(Rig rig, Element element, int by) {
        List<Element> order = new ArrayList<>(rig.of(element.kind()));
        int from = order.indexOf(element);
        int to = from + by;
        if (from < 0 || to < 0 || to >= order.size()) {
            return List.of();
        }
        order.add(to, order.remove(from));
        return places(rig, order);
    }

    /** The changes that put sources of one class together, classes and their sources in the order in which they are met. */
    public static List<Change> groupedByClass(Rig rig) {
        List<Object> classes = new ArrayList<>();
        for (Element source : rig.of(Kind.SOURCE)) {
            Object its = source.get(Sources.CLASS);
            if (!classes.contains(its)) {
                classes.add(its);
            }
        }
        List<Element> order = new ArrayList<>(rig.of(Kind.SOURCE));
        order.sort(Comparator.comparingInt(source -> classes.indexOf(source.get(Sources.CLASS))));
        return places(rig, order);
    }

    /** The changes that give elements places in this order. */
    private static List<Change> places(Rig rig, List<Element> order) {
        if (order.equals(rig.of(order.isEmpty() ? Kind.SOURCE : order.getFirst().kind()))) {
            return List.of();
        }
        List<Change> changes = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            Element element = order.get(i);
            Change.Set change = Change.set(rig, element.id(), Common.place(element.kind()), i + 1.0);
            if (change != null) {
                changes.add(change);
            }
        }
        return List.copyOf(changes);
    }
}
