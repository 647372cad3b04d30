/**
 * What the map of a rig shows, whatever draws it: points that people see as one thing put together, scenes laid over one
 * another, two states of a rig on one map, and what is lit folded out of a large map.
 *
 * <p>Sizes, positions and looks belong to the view.
 */
@NullMarked
package org.gullyrun.core.runmap;

import org.jspecify.annotations.NullMarked;
