/** The step Findings: what is wrong, worst first, each with a cut-out of its ways. */
@NullMarked
package org.gullyrun.desktop.findings;

import org.jspecify.annotations.NullMarked;
