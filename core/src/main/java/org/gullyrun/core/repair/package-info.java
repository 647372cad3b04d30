/**
 * The whole repair: the fewest changes that leave nothing serious, the order in which to make them so that as little as
 * possible goes wrong in between, and the work order that tells both; and root causes that agree with the repair ({@link
 * org.gullyrun.core.repair.RepairCauses}).
 */
@NullMarked
package org.gullyrun.core.repair;

import org.jspecify.annotations.NullMarked;
