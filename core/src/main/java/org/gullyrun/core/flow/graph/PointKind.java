package org.gullyrun.core.flow.graph;

/** What a point of a flow graph stands for. */
public enum PointKind {
    SOURCE,
    APPLICATION_OUT,
    APPLICATION_IN,
    PLAYBACK,
    RECORDING,
    DIRECT,
    STRIP,
    BUS,
    INPUT,
    COPY,
    CUE,
    TRACK,
    OUTLET
}
