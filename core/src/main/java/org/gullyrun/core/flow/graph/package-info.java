/**
 * The flow graph of one scene: every point sound can be at, every segment it can take, and the gates that open or close
 * them. {@code Compiler} makes it from a rig.
 *
 * <p>Nothing here asks where sound arrives: that is {@code flow.route}. Whether it should arrive is for {@code audit}.
 */
@NullMarked
package org.gullyrun.core.flow.graph;

import org.jspecify.annotations.NullMarked;
