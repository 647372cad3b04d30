/** Two surveys side by side: which elements are the same, what differs, and which difference is to blame for what. */
@NullMarked
package org.gullyrun.core.compare;

import org.jspecify.annotations.NullMarked;
