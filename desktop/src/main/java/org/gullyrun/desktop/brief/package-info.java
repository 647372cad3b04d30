/** The second step: what every listener must, may and must never get, with the audit's answer in the same cell. */
@NullMarked
package org.gullyrun.desktop.brief;

import org.jspecify.annotations.NullMarked;
