/**
 * Two states of a rig side by side: what listeners hear otherwise ({@link org.gullyrun.core.compare.Difference}); of two surveys
 * also which elements are the same, what was changed, and which change is to blame for what.
 */
@NullMarked
package org.gullyrun.core.compare;

import org.jspecify.annotations.NullMarked;
