package org.gullyrun.core.repair;

import java.util.List;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;

/** Findings as a text for a chat with the creator: plain sentences, what is heard, what to do. */
public final class Letter {
    private Letter() {}

    /** One finding; {@code remedies} are its remedies as far as they are known. */
    public static String of(Finding finding, List<Remedy> remedies) {
        StringBuilder text = new StringBuilder(finding.words().plain())
                .append("\nWhat is noticed: ")
                .append(finding.words().noticed())
                .append('\n');
        if (!remedies.isEmpty()) {
            Remedy first = remedies.getFirst();
            text.append("What helps: ").append(first.sentence()).append(".");
            if (!first.altered().isEmpty()) {
                text.append(" With it ")
                        .append(String.join(", ", first.altered()))
                        .append('.');
            }
            text.append('\n');
        }
        return text.toString();
    }

    /** Everything that is wrong, by what stands behind it. */
    public static String of(Reading reading, Causes.Found causes) {
        StringBuilder text = new StringBuilder();
        int number = 0;
        for (Causes.Group group : causes.groups()) {
            text.append(++number).append(". ").append(group.remedy().sentence()).append(".\n");
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
        return text.isEmpty() ? "Every listener gets what they should.\n" : text.toString();
    }
}
