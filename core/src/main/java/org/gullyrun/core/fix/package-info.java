/**
 * How findings can be fixed: candidate changes from their evidence ({@link
 * org.gullyrun.core.fix.Fixes}), the root causes of them all ({@link org.gullyrun.core.fix.RootCauses}),
 * each verified by applying it to a copy and auditing again; and what may happen to a rig, found by what is typed ({@link
 * org.gullyrun.core.fix.WhatIf}).
 */
@NullMarked
package org.gullyrun.core.fix;

import org.jspecify.annotations.NullMarked;
