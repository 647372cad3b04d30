/** The head of the window: case, survey, scenes, find field, undo and redo, verdict. */
@NullMarked
package org.gullyrun.desktop.head;

import org.jspecify.annotations.NullMarked;
