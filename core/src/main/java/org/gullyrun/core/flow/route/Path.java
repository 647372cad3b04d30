package org.gullyrun.core.flow.route;

import java.util.AbstractList;
import java.util.Arrays;
import java.util.Iterator;
import org.jspecify.annotations.Nullable;

/**
 * The segments of one route, as a list that shares its beginning with others: a route that goes on over one more segment costs
 * one object, however long it is. Immutable. Going through it takes time and memory by its length; so does {@link #get},
 * but for the last segment.
 */
final class Path extends AbstractList<Integer> {
    private final @Nullable Path before;
    private final int segment;
    private final int length;

    /** A route that goes on from another, or begins (null), over a segment. */
    Path(@Nullable Path before, int segment) {
        this.before = before;
        this.segment = segment;
        this.length = before == null ? 1 : before.length + 1;
    }

    @Override
    public int size() {
        return length;
    }

    @Override
    public Integer get(int index) {
        if (index < 0 || index >= length) {
            throw new IndexOutOfBoundsException(index);
        }
        Path at = this;
        while (at.before != null && at.length > index + 1) {
            at = at.before;
        }
        return at.segment;
    }

    @Override
    public Iterator<Integer> iterator() {
        int[] all = new int[length];
        for (Path at = this; at != null; at = at.before) {
            all[at.length - 1] = at.segment;
        }
        return Arrays.stream(all).iterator();
    }

    /**
     * Compares two routes, null being the empty one: the first segment that differs decides, segment numbers being in the
     * order of (starting point, end point, element); else the shorter comes first.
     */
    static int compare(@Nullable Path a, @Nullable Path b) {
        int lengthA = a == null ? 0 : a.length;
        int lengthB = b == null ? 0 : b.length;
        Path x = a;
        Path y = b;
        while (x != null && x.length > lengthB) {
            x = x.before;
        }
        while (y != null && y.length > lengthA) {
            y = y.before;
        }
        int order = Integer.compare(lengthA, lengthB);
        while (x != y && x != null && y != null) { // once they are one object, so is all before it
            if (x.segment != y.segment) {
                order = Integer.compare(x.segment, y.segment);
            }
            x = x.before;
            y = y.before;
        }
        return order;
    }
}
