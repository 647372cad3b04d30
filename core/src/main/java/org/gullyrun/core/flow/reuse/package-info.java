/**
 * All that follows from the flow graph of one scene ({@code SceneFlow}), afresh or read on from another version of the rig.
 * {@code Reuse} is the one door: nothing outside of {@code flow} knows what is taken over and what is computed again.
 */
@NullMarked
package org.gullyrun.core.flow.reuse;

import org.jspecify.annotations.NullMarked;
