/** Measures the real window: how soon it answers, what entering a rig costs. Nothing of the window knows of it. */
@NullMarked
package org.gullyrun.desktop.measure;

import org.jspecify.annotations.NullMarked;
