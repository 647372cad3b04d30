/**
 * The window itself: it puts the parts together, and holds keys, files, dialogs and what is remembered; and the rehearsal
 * at the build from which the JDK learns what a start needs.
 */
@NullMarked
package org.gullyrun.desktop.window;

import org.jspecify.annotations.NullMarked;
