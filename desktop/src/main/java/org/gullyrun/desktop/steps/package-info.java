/** The way: the steps of the work, down the left side. */
@NullMarked
package org.gullyrun.desktop.route;

import org.jspecify.annotations.NullMarked;
