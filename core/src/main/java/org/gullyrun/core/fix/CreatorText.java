package org.gullyrun.core.fix;

import java.util.List;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;

/** Findings as a text for a chat with the creator: plain sentences, what is heard, what to do. */
public final class CreatorText {
    private CreatorText() {}

    /** One finding; {@code fixes} are its fixes as far as they are known. */
    public static String of(Finding finding, List<Fix> fixes) {
        StringBuilder text = new StringBuilder(finding.words().plain())
                .append("\nListeners notice: ")
                .append(finding.words().noticed())
                .append('\n');
        if (!fixes.isEmpty()) {
            Fix first = fixes.getFirst();
            text.append("Fix: ").append(first.sentence()).append(".");
            if (!first.sideEffects().isEmpty()) {
                text.append(" Side effects: ")
                        .append(String.join(". ", first.sideEffects().words()))
                        .append('.');
            }
            text.append('\n');
        }
        return text.toString();
    }

    /** Everything that is wrong, grouped by root cause. */
    public static String of(Reading reading, RootCauses.Found causes) {
        StringBuilder text = new StringBuilder();
        int number = 0;
        for (RootCauses.Group group : causes.groups()) {
            text.append(++number).append(". ").append(group.fix().sentence()).append(".\n");
            group.findings()
                    .forEach(f -> text.append("   - ").append(f.words().plain()).append('\n'));
        }
        List<Finding> rest = causes.groups().isEmpty() ? reading.findings() : causes.left();
        List<Finding> told =
                rest.stream().filter(f -> f.severity() != Severity.NOTE).toList();
        if (!told.isEmpty()) {
            text.append(causes.groups().isEmpty() ? "" : "Also:\n");
            told.forEach(f -> text.append("- ").append(f.words().plain()).append('\n'));
        }
        return text.isEmpty() ? "Every listener hears what they should.\n" : text.toString();
    }
}
