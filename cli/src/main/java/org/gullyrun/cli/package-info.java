/** The terminal and the launcher: commands, exit codes and output. They compute nothing; that is the core's. */
@NullMarked
package org.gullyrun.cli;

import org.jspecify.annotations.NullMarked;
