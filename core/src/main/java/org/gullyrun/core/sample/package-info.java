/** The made-up sample show: all demo data, pictures and tests use it. */
@NullMarked
package org.gullyrun.core.sample;

import org.jspecify.annotations.NullMarked;
