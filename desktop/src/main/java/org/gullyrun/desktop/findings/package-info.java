/** The step Findings: what is wrong, grouped by root cause, each with a cut-out of its routes. */
@NullMarked
package org.gullyrun.desktop.findings;

import org.jspecify.annotations.NullMarked;
