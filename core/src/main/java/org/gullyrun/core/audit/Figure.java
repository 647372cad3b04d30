package org.gullyrun.core.audit;

/**
 * A number that a finding states.
 *
 * @param name what it is, a stable name in lower case
 * @param value the number
 * @param unit its unit; empty if it has none
 */
public record Figure(String name, double value, String unit) {}
