/**
 * Taking stock of a rig in the order of a call: sheets of rows and columns, what is typed into a cell turned into
 * changes, questions still open, and rigs to start from.
 *
 * <p>Nothing here knows how a sheet is drawn; lists from files are read in {@code inventory}.
 */
@NullMarked
package org.gullyrun.core.intake;

import org.jspecify.annotations.NullMarked;
