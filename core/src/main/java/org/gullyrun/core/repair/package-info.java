/**
 * What would take findings away: candidate changes from their evidence ({@link
 * org.gullyrun.core.repair.Remedies}), the changes that stand behind them all ({@link org.gullyrun.core.repair.Causes}),
 * what would happen if ({@link org.gullyrun.core.repair.WhatIf}); each verified by applying it to a copy and auditing
 * again.
 */
@NullMarked
package org.gullyrun.core.repair;

import org.jspecify.annotations.NullMarked;
