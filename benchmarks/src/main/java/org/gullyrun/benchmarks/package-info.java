/** JMH benchmarks and the generator of large rigs; the figures stand in {@code docs/performance.md}. */
@NullMarked
package org.gullyrun.benchmarks;

import org.jspecify.annotations.NullMarked;
