/** What is open, selected, shown and undone: the one state that all views draw, and the intents they send;
 * the threads that compute it (Analysis), and the case as a file with its journal (CaseSession), and the log of faults. No controls. */
@NullMarked
package org.gullyrun.desktop.state;

import org.jspecify.annotations.NullMarked;
