package org.gullyrun.desktop.trace;

import java.util.Set;
import javafx.geometry.Bounds;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.SegmentKey;

/**
 * What is known of a part of a map before it is drawn.
 *
 * @param key what it is found by
 * @param look all that its looks depend on
 * @param bounds where it is, in the map's own measure; nothing of it reaches beyond
 * @param keys the segments with which any of it is lit
 * @param points the points with which any of it is lit
 */
record MapPlan(Object key, Object look, Bounds bounds, Set<SegmentKey> keys, Set<PointId> points) {}
