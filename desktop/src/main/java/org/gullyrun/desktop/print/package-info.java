/** Documents on paper: pages as PDF, and PDF to a printer. */
@NullMarked
package org.gullyrun.desktop.print;

import org.jspecify.annotations.NullMarked;
