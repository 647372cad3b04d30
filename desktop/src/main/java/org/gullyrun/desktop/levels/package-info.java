/** Levels and times as a picture: what every listener gets, how loud and when. */
@NullMarked
package org.gullyrun.desktop.levels;

import org.jspecify.annotations.NullMarked;
