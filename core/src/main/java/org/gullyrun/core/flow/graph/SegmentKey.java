package org.gullyrun.core.flow.graph;

/**
 * A segment by what it is rather than by its number in one graph: the same in every scene and every version of a rig.
 *
 * @param from where it starts
 * @param to where it ends
 * @param element the id of the element that makes it
 */
public record SegmentKey(PointId from, PointId to, String element) {}
