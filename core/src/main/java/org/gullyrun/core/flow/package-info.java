/**
 * What a rig means: the flow graph of one scene, what it delivers from each source to each outlet, and its loops.
 *
 * <p>Everything here follows from a rig alone. Whether what arrives <em>should</em> arrive is for {@code audit}.
 */
@NullMarked
package org.gullyrun.core.flow;

import org.jspecify.annotations.NullMarked;
