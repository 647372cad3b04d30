/**
 * Cases and their files: JSON, versioned, readable in a diff, saved atomically.
 *
 * <p>The format is described in {@code docs/formats/case.md} and its schema beside it. What a case means is worked out
 * elsewhere; here it is only kept and never lost.
 */
@NullMarked
package org.gullyrun.core.casefile;

import org.jspecify.annotations.NullMarked;
