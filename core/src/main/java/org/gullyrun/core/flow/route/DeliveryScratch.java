package org.gullyrun.core.flow.route;

import java.util.Arrays;

/** What is needed while one source after the other is followed; made once, so that cost goes by what is reached. */
final class DeliveryScratch {
    final Tally[] at;
    final boolean[] reached;
    /** On or behind a loop: there sums would go round for ever. */
    final boolean[] loops;

    private final OpenView view;
    private final int[] place;
    private final int[] found;

    DeliveryScratch(OpenView view) {
        int points = view.graph.points();
        this.view = view;
        this.at = new Tally[points];
        this.reached = new boolean[points];
        this.loops = new boolean[points];
        this.place = new int[points];
        this.found = new int[points];
        for (int i = 0; i < view.order.length; i++) {
            place[view.order[i]] = i;
        }
    }

    /** The points that a source reaches, each after those that lead to it, but for loops. */
    int[] follow(int source) {
        int count = 0;
        found[count++] = source;
        reached[source] = true;
        for (int next = 0; next < count; next++) {
            for (int i = view.outStart[found[next]]; i < view.outStart[found[next] + 1]; i++) {
                int q = view.graph.to(view.out[i]);
                if (!reached[q]) {
                    reached[q] = true;
                    found[count++] = q;
                }
            }
        }
        int[] places = new int[count];
        for (int i = 0; i < count; i++) {
            places[i] = place[found[i]];
        }
        Arrays.sort(places);
        for (int i = 0; i < count; i++) {
            places[i] = view.order[places[i]];
        }
        for (int p : places) {
            if (loops[p] || view.looping[p]) {
                loops[p] = true;
                for (int i = view.outStart[p]; i < view.outStart[p + 1]; i++) {
                    loops[view.graph.to(view.out[i])] = true;
                }
            }
        }
        return places;
    }

    /** Clears the scratch for the next source. */
    void forget(int[] points) {
        for (int p : points) {
            at[p] = null;
            reached[p] = false;
            loops[p] = false;
        }
    }
}
