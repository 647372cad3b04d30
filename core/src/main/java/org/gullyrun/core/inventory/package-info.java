/** Lists from outside: inventories and question sheets as CSV, devices found on a computer; and the same written out. */
@NullMarked
package org.gullyrun.core.inventory;

import org.jspecify.annotations.NullMarked;
