/**
 * Sound hardware and sound files: what the core must not know. So far the devices of this computer; the simulated
 * devices and the sound check come here too.
 */
@NullMarked
package org.gullyrun.sound;

import org.jspecify.annotations.NullMarked;
