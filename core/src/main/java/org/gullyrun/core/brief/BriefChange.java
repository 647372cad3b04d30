package org.gullyrun.core.brief;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/** One entry of the brief going from one value to another; null is <em>not entered</em>. */
public sealed interface BriefChange {

    /** The change that takes this one back. */
    BriefChange inverse();

    /** What one source is to one outlet. */
    record OfCell(
            Brief.Cell cell, @Nullable Wish from, @Nullable Wish to) implements BriefChange {
        @Override
        public OfCell inverse() {
            return new OfCell(cell, to, from);
        }
    }

    /** The level window of a source at an outlet; the cell's scene is empty. */
    record OfWindow(Brief.Cell cell, Brief.@Nullable Window from, Brief.@Nullable Window to) implements BriefChange {
        @Override
        public OfWindow inverse() {
            return new OfWindow(cell, to, from);
        }
    }

    /** By how many dB voice is to be above music at an outlet. */
    record OfVoice(
            String outlet, @Nullable Double from, @Nullable Double to) implements BriefChange {
        @Override
        public OfVoice inverse() {
            return new OfVoice(outlet, to, from);
        }
    }

    /**
     * A brief with the changes made.
     *
     * @throws IllegalStateException if an entry does not stand where a change takes it from
     */
    static Brief apply(Brief brief, List<? extends BriefChange> changes) {
        Map<Brief.Cell, Wish> cells = new TreeMap<>(brief.cells());
        Map<Brief.Cell, Brief.Window> windows = new TreeMap<>(brief.windows());
        Map<String, Double> voices = new TreeMap<>(brief.voiceOverMusic());
        for (BriefChange change : changes) {
            switch (change) {
                case OfCell(Brief.Cell cell, Wish from, Wish to) -> move(cells, cell, from, to);
                case OfWindow(Brief.Cell cell, Brief.Window from, Brief.Window to) -> move(windows, cell, from, to);
                case OfVoice(String outlet, Double from, Double to) -> move(voices, outlet, from, to);
            }
        }
        return new Brief(cells, windows, voices);
    }

    /** Sets, replaces or removes an entry. The change has to fit what is there. */
    private static <K, V> void move(Map<K, V> map, K key, @Nullable V from, @Nullable V to) {
        if (!Objects.equals(map.get(key), from)) {
            throw new IllegalStateException("the brief says " + map.get(key) + " for " + key + ", not " + from);
        }
        if (to == null) {
            map.remove(key);
        } else {
            map.put(key, to);
        }
    }

    /** The changes that lead from one brief to another, in the order of their cells. */
    static List<BriefChange> between(Brief from, Brief to) {
        List<BriefChange> changes = new ArrayList<>();
        for (Brief.Cell cell : keys(from.cells(), to.cells())) {
            if (from.cells().get(cell) != to.cells().get(cell)) {
                changes.add(new OfCell(cell, from.cells().get(cell), to.cells().get(cell)));
            }
        }
        for (Brief.Cell cell : keys(from.windows(), to.windows())) {
            if (!Objects.equals(from.windows().get(cell), to.windows().get(cell))) {
                changes.add(new OfWindow(
                        cell, from.windows().get(cell), to.windows().get(cell)));
            }
        }
        for (String outlet : keys(from.voiceOverMusic(), to.voiceOverMusic())) {
            Double before = from.voiceOverMusic().get(outlet);
            Double after = to.voiceOverMusic().get(outlet);
            if (!Objects.equals(before, after)) {
                changes.add(new OfVoice(outlet, before, after));
            }
        }
        return changes;
    }

    /** The keys of two maps, in order. */
    private static <K extends Comparable<K>> TreeSet<K> keys(Map<K, ?> a, Map<K, ?> b) {
        TreeSet<K> all = new TreeSet<>(a.keySet());
        all.addAll(b.keySet());
        return all;
    }
}
