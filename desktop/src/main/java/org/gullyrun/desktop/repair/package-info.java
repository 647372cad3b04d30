/** The step Repair: the changes in a safe order, and what every listener goes through while they are made. */
@NullMarked
package org.gullyrun.desktop.repair;

import org.jspecify.annotations.NullMarked;
