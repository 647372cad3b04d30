/**
 * How findings can be fixed: candidate changes from their evidence ({@link
 * org.gullyrun.core.fix.Fixes}), the root causes of them all ({@link org.gullyrun.core.fix.RootCauses}),
 * what would happen if ({@link org.gullyrun.core.fix.WhatIf}); each verified by applying it to a copy and auditing
 * again.
 */
@NullMarked
package org.gullyrun.core.fix;

import org.jspecify.annotations.NullMarked;
