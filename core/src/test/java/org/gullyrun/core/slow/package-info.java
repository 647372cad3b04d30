/** A second, slow and plain calculation of graphs, deliveries, loops and findings, to hold the program's own against. */
package org.gullyrun.core.slow;
