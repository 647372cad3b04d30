/**
 * The rig as it stands: elements as immutable values, their settings, and changes, the single way to alter a rig.
 *
 * <p>This is the ground floor: nothing above may be imported. What a rig <em>means</em> (who hears what) is worked out
 * in {@code flow}; how it is stored, in {@code casefile}.
 */
@NullMarked
package org.gullyrun.core.rig;

import org.jspecify.annotations.NullMarked;
