/**
 * The brief: what every listener must, may and must never get, with presets and level windows.
 *
 * <p>What really arrives is worked out in {@code flow}; the two are held against each other in {@code audit}.
 */
@NullMarked
package org.gullyrun.core.brief;

import org.jspecify.annotations.NullMarked;
