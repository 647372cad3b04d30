package org.gullyrun.core;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.Tag;

/**
 * One of the tests that take the most time. {@code bin/check} leaves it out, so that a change is checked within a few minutes.
 * It runs with {@code -Plong}, as in continuous integration, and with {@code -Pthorough}.
 */
@Tag("long")
@Target({ElementType.METHOD, ElementType.TYPE})
@Retention(RetentionPolicy.RUNTIME)
public @interface TakesLong {}
