/**
 * What would take a finding away: candidate changes from its evidence, each verified by applying it and auditing again.
 */
@NullMarked
package org.gullyrun.core.repair;

import org.jspecify.annotations.NullMarked;
