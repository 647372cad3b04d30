package org.gullyrun.core.fix;

import java.util.List;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

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
            tell(reading.rig(), group.findings(), "   - ", text);
        }
        List<Finding> rest = causes.groups().isEmpty() ? reading.findings() : causes.left();
        List<Finding> told =
                rest.stream().filter(f -> f.severity() != Severity.NOTE).toList();
        if (!told.isEmpty()) {
            text.append(causes.groups().isEmpty() ? "" : "Also:\n");
            tell(reading.rig(), told, "- ", text);
        }
        return text.isEmpty() ? "Every listener hears what they should.\n" : text.toString();
    }

    /** One line for the same trouble at several listeners: told of the first, the others are named. */
    private static void tell(Rig rig, List<Finding> findings, String mark, StringBuilder text) {
        for (JoinedFindings row : JoinedFindings.of(rig, findings)) {
            text.append(mark).append(row.first().words().plain());
            if (row.findings().size() > 1) {
                List<String> others = row.findings().stream()
                        .skip(1)
                        .map(f -> rig.name(JoinedFindings.listener(rig, f)))
                        .toList();
                text.append(" The same at ").append(Sentences.list(others)).append('.');
            }
            text.append('\n');
        }
    }
}
