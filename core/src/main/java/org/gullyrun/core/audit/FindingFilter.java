package org.gullyrun.core.audit;

import org.jspecify.annotations.Nullable;

/**
 * Which findings are wanted.
 *
 * @param least the least severity; null for any
 * @param outlet the id of the outlet they are about; empty for any
 * @param source the id of the source they are about; empty for any
 * @param rule the id of the rule; empty for any
 */
public record FindingFilter(@Nullable Severity least, String outlet, String source, String rule) {
    /** Everything. */
    public static final FindingFilter ALL = new FindingFilter(null, "", "", "");

    /** Whether a finding is wanted; {@code scene} is the place of the scene looked at, -1 for all. */
    public boolean lets(Finding finding, int scene) {
        return (least == null || finding.severity().atLeast(least))
                && (outlet.isEmpty() || outlet.equals(finding.subject().outlet()) || isOn(finding, outlet))
                && (source.isEmpty() || source.equals(finding.subject().source()))
                && (rule.isEmpty() || rule.equals(finding.rule()))
                && (scene < 0 || finding.scenes().isEmpty() || finding.scenes().contains(scene));
    }

    private static boolean isOn(Finding finding, String id) {
        return finding.subject().elements().contains(id);
    }

    /** Whether anything is left out. */
    public boolean isAll() {
        return equals(ALL);
    }

    /** This filter with another least severity. */
    public FindingFilter withLeast(@Nullable Severity severity) {
        return new FindingFilter(severity, outlet, source, rule);
    }

    /** This filter with another outlet. */
    public FindingFilter withOutlet(String id) {
        return new FindingFilter(least, id, source, rule);
    }

    /** This filter with another source. */
    public FindingFilter withSource(String id) {
        return new FindingFilter(least, outlet, id, rule);
    }

    /** This filter with another rule. */
    public FindingFilter withRule(String id) {
        return new FindingFilter(least, outlet, source, id);
    }
}
