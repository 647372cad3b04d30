/** The step Trace: the run map, from its model over its layout to its drawing, folded to what is lit where it is large. */
@NullMarked
package org.gullyrun.desktop.trace;

import org.jspecify.annotations.NullMarked;
