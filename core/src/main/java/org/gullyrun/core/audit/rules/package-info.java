/** The rules: one small class each, all listed in {@link org.gullyrun.core.audit.rules.RuleCatalogue}. */
@NullMarked
package org.gullyrun.core.audit.rules;

import org.jspecify.annotations.NullMarked;
