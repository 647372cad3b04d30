/** The first step: the rig is entered row by row, with the map growing beside it. What cells mean is in the core. */
@NullMarked
package org.gullyrun.desktop.intake;

import org.jspecify.annotations.NullMarked;
