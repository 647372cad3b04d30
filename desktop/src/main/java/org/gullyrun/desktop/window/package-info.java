/** The window itself: it puts the parts together, and holds keys, files, dialogs and what is remembered. */
@NullMarked
package org.gullyrun.desktop.window;

import org.jspecify.annotations.NullMarked;
