package org.gullyrun.core.flow.route;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.jspecify.annotations.Nullable;

/**
 * Lists the simple routes from one point to another, depth first, segments in the order of (end point, element).
 *
 * <p>A step is taken only if the end can still be reached beside the path so far, so every step leads to a route and the
 * time is bounded by the number of routes asked for. Outside loops that is so for every point from which the end can be
 * reached at all; inside a loop the way out of it is looked for again at each step. A search also ends after so many steps
 * ({@link SearchBudget}) and so many segments kept, with <em>at least</em> the routes found.
 */
public final class RouteSearch {
    /** Up to this many routes a number of routes is exact where loops lie on the way. */
    public static final int EXACT = 10_000;

    /** The routes kept have at most so many segments in all: some twenty megabytes. */
    private static final int MOST_KEPT = 1_000_000;

    /**
     * The routes found.
     *
     * @param routes in the order found
     * @param more whether the search ended at its limit with routes left
     * @param steps how many segments were looked at
     */
    public record Found(List<Route> routes, boolean more, long steps) {}

    private final OpenView view;
    private final FlowGraph graph;
    private final int end;
    private final int limit;
    private final Predicate<Route> wanted;
    private final boolean[] reaching;
    private long steps;
    private int kept;
    // These are of use only where loops are: an array for each of many searches would make large rigs slow.
    private boolean[] onPath = {};
    private int[] seen = {};
    private int[] queue = {};
    private int round;
    private int[] path = new int[32];
    private final List<Route> routes = new ArrayList<>();
    private boolean more;

    private RouteSearch(OpenView view, int end, int limit, long steps, Predicate<Route> wanted) {
        this.view = view;
        this.graph = view.graph;
        this.end = end;
        this.limit = limit;
        this.wanted = wanted;
        this.steps = steps;
        this.reaching = view.reachingOne(end);
    }

    /** Lists up to {@code limit} routes between two points. */
    public static Found search(OpenView view, int start, int end, int limit) {
        return search(view, start, end, limit, SearchBudget.steps(view.graph.rig()), route -> true);
    }

    /** Searches all routes between two points that have a loop between them, up to {@value #EXACT}. */
    static Found all(OpenView view, int start, int end) {
        return search(view, start, end, EXACT, SearchBudget.stepsBetweenLoops(view), route -> true);
    }

    /** The first route in the order of search that is wanted, or null if none is among those that can be looked at. */
    public static @Nullable Route first(OpenView view, int start, int end, Predicate<Route> wanted) {
        List<Route> routes = search(view, start, end, 1, SearchBudget.steps(view.graph.rig()), wanted)
                .routes();
        return routes.isEmpty() ? null : routes.getFirst();
    }

    private static Found search(OpenView view, int start, int end, int limit, long steps, Predicate<Route> wanted) {
        RouteSearch search = new RouteSearch(view, end, limit, steps, wanted);
        if (start != end && search.reaching[start]) {
            search.walk(start);
        }
        return new Found(search.routes, search.more, steps - search.steps);
    }

    /** Depth first, in the order that the model fixes. A step that can't reach the listener any more isn't taken. */
    private void walk(int start) {
        int[] next = new int[32];
        int[] points = new int[32];
        int depth = 0;
        points[0] = start;
        next[0] = view.outStart[start];
        mark(start, true);
        while (depth >= 0) {
            int p = points[depth];
            if (next[depth] == view.outStart[p + 1] || more) {
                mark(p, false);
                depth--;
                continue;
            }
            int s = view.out[next[depth]++];
            int q = graph.to(s);
            more = --steps < 0;
            if (!reaching[q] || isOnPath(q)) {
                continue;
            }
            if (q != end && view.looping[q] && !wayOut(q)) {
                continue;
            }
            if (depth == path.length) {
                path = Arrays.copyOf(path, depth * 2);
            }
            path[depth] = s;
            if (q == end) {
                arrived(depth + 1);
                continue;
            }
            depth++;
            if (depth == points.length) {
                points = Arrays.copyOf(points, depth * 2);
                next = Arrays.copyOf(next, depth * 2);
            }
            points[depth] = q;
            next[depth] = view.outStart[q];
            mark(q, true);
        }
    }

    /** Keeps a route that has arrived, if it is wanted. */
    private void arrived(int length) {
        steps -= length;
        if (routes.size() == limit || kept + length > MOST_KEPT) {
            more = true;
            return;
        }
        Route route = Route.of(graph, path, length);
        if (wanted.test(route)) {
            routes.add(route);
            kept += length;
        }
    }

    /** Only a point of a loop can be met again. */
    private void mark(int point, boolean on) {
        if (view.looping[point]) {
            if (onPath.length == 0) {
                onPath = new boolean[graph.points()];
            }
            onPath[point] = on;
        }
    }

    private boolean isOnPath(int point) {
        return view.looping[point] && onPath.length > 0 && onPath[point];
    }

    /** Whether from a point of a loop the end, or a point outside the loop that leads there, is reached beside the path. */
    private boolean wayOut(int start) {
        if (seen.length == 0) {
            seen = new int[graph.points()];
            queue = new int[graph.points()];
        }
        round++;
        int head = 0;
        int tail = 0;
        queue[tail++] = start;
        seen[start] = round;
        while (head < tail) {
            int p = queue[head++];
            for (int i = view.outStart[p]; i < view.outStart[p + 1]; i++) {
                int q = graph.to(view.out[i]);
                steps--;
                if (seen[q] == round || !reaching[q] || isOnPath(q)) {
                    continue;
                }
                if (q == end || view.set[q] != view.set[start]) {
                    return true;
                }
                seen[q] = round;
                queue[tail++] = q;
            }
        }
        return false;
    }
}
