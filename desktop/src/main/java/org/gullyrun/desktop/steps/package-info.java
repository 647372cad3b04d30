/** The bar of steps down the left side: Intake, Brief, Trace, Findings. */
@NullMarked
package org.gullyrun.desktop.steps;

import org.jspecify.annotations.NullMarked;
