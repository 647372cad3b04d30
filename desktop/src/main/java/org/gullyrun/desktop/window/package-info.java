/**
 * The window itself: it puts the parts together, and holds keys, files, dialogs and what is remembered; and what makes its start
 * and its first answers quick (rehearsal at the build, exercise after the start).
 */
@NullMarked
package org.gullyrun.desktop.window;

import org.jspecify.annotations.NullMarked;
