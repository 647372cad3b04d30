/** What is open, selected, shown and undone: the one state that all views draw, and the intents they send. No controls. */
@NullMarked
package org.gullyrun.desktop.state;

import org.jspecify.annotations.NullMarked;
