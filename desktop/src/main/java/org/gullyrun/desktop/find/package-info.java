/** One field for everything: elements, runs, findings and actions. */
@NullMarked
package org.gullyrun.desktop.find;

import org.jspecify.annotations.NullMarked;
