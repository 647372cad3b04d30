/**
 * The audit: what a rig delivers held against its brief, and the findings that follow.
 *
 * <p>{@link org.gullyrun.core.audit.Audit} is the one door. The rules themselves live in {@code audit.rules}; what would
 * fix a finding is worked out in {@code fix}.
 */
@NullMarked
package org.gullyrun.core.audit;

import org.jspecify.annotations.NullMarked;
