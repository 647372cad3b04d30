/** The step Trace: the run map, from its model over its layout to its drawing. */
@NullMarked
package org.gullyrun.desktop.trace;

import org.jspecify.annotations.NullMarked;
