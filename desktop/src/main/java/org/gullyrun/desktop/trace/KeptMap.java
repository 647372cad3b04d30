package org.gullyrun.desktop.trace;

/**
 * A map that comes back once nothing is lit any more, and how it was looked at.
 *
 * @param layout what it was drawn of
 * @param sight what of it is in the window
 * @param width of the view for which it was drawn, px
 * @param height of that view, px
 * @param drawn the size in which it was drawn, of that in which letters have their usual size
 * @param x where the view stood over it, px
 * @param y where the view stood over it, px
 * @param by how much nearer it was brought
 * @param moved whether somebody had moved it
 */
record KeptMap(
        MapDrawing drawing,
        MapLayout layout,
        MapSight sight,
        double width,
        double height,
        double drawn,
        double x,
        double y,
        double by,
        boolean moved) {}
