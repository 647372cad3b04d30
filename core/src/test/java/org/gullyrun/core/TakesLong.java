package org.gullyrun.core;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.Tag;

/**
 * A test among those that take the most time. {@code bin/check} leaves it out, so as to stay under three minutes; with
 * {@code -Plong}, as in continuous integration, and with {@code -Pthorough} it runs.
 */
@Tag("long")
@Target({ElementType.METHOD, ElementType.TYPE})
@Retention(RetentionPolicy.RUNTIME)
public @interface TakesLong {}
