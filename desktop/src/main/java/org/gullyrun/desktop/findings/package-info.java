/** The step Findings: what is wrong, under the change that clears it, each with a cut-out of its routes. */
@NullMarked
package org.gullyrun.desktop.findings;

import org.jspecify.annotations.NullMarked;
