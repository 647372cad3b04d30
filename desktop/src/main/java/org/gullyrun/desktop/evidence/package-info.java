/** The evidence: what is selected, why, its ladder, its settings, and what would take the trouble away. */
@NullMarked
package org.gullyrun.desktop.evidence;

import org.jspecify.annotations.NullMarked;
