/**
 * What a flow graph does: deliveries from each source to each listener, single and blocked routes, loops, dominators and
 * levels. Each can also be worked out from that of another graph and the {@code GraphDifference} between them.
 *
 * <p>When to do so is for {@code flow.reuse}.
 */
@NullMarked
package org.gullyrun.core.flow.route;

import org.jspecify.annotations.NullMarked;
