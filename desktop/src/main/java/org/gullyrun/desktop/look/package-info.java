/** Design tokens, type, glyphs and small controls. Nothing here knows a rig's meaning or the state. */
@NullMarked
package org.gullyrun.desktop.look;

import org.jspecify.annotations.NullMarked;
