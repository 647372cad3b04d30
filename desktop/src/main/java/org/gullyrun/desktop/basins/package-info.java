/** The basins: what arrives at each outlet, always in sight. */
@NullMarked
package org.gullyrun.desktop.basins;

import org.jspecify.annotations.NullMarked;
