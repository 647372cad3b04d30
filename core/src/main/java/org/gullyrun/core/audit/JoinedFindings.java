package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/**
 * Findings that tell the same trouble at several listeners, to be shown as one: "Live, Archive and Partner relay hear
 * Clips twice, 12 ms apart". The findings themselves, their identities and fixes, stay as they are.
 *
 * @param findings the findings, worst first; at least one
 * @param title one line for all of them
 * @param brief the same in fewer words, where there is little room: "Live and 2 others hear Clips twice"
 */
public record JoinedFindings(List<Finding> findings, String title, String brief) {
    private static final String AT = " at ";
    /** The figure at the end of a title: ", 12 ms apart". */
    private static final Pattern FIGURE = Pattern.compile(", \\d[^,]*$");

    /** What verbs become when several listeners hear something. */
    private static final List<Map.Entry<String, String>> PLURAL = List.of(
            Map.entry(" hears itself", " hear themselves"),
            Map.entry(" also hears ", " also hear "),
            Map.entry(" doesn't hear ", " don't hear "),
            Map.entry(" hears ", " hear "),
            Map.entry(" peaks at ", " peak at "));

    public JoinedFindings {
        findings = List.copyOf(findings);
    }

    /** The worst of them, which stands for all. */
    public Finding first() {
        return findings.getFirst();
    }

    /** Whether a finding with an identity is among them. */
    public boolean holds(String identity) {
        return findings.stream().anyMatch(f -> f.identity().equals(identity));
    }

    /**
     * Joins findings of one rule about one source in the same scenes that would read the same but for the listener. In a row
     * the worst come first; equally bad ones are in the rig's order of listeners, as everywhere else.
     *
     * @param findings in the order in which they are shown; each row stands where its first finding did
     */
    public static List<JoinedFindings> of(Rig rig, List<Finding> findings) {
        Map<String, List<Finding>> rows = new LinkedHashMap<>();
        for (Finding finding : findings) {
            rows.computeIfAbsent(key(rig, finding), k -> new ArrayList<>()).add(finding);
        }
        List<String> listeners = rig.of(Kind.OUTLET).stream().map(Element::id).toList();
        Comparator<Finding> order =
                Comparator.comparing(Finding::severity).thenComparingInt(f -> listeners.indexOf(listener(rig, f)));
        List<JoinedFindings> joined = new ArrayList<>();
        for (List<Finding> row : rows.values()) {
            row.sort(order);
            Finding first = row.getFirst();
            String title = first.words().title();
            String brief = title;
            if (row.size() > 1) {
                String rest = rest(rig, first);
                List<String> names =
                        row.stream().map(f -> rig.name(listener(rig, f))).toList();
                title = joint(Sentences.list(names), rest);
                brief = joint(Sentences.few(names), rest);
            }
            joined.add(new JoinedFindings(row, title, FIGURE.matcher(brief).replaceFirst("")));
        }
        return List.copyOf(joined);
    }

    /** Findings with the same key are one row: same rule, source, class, scenes and wording. */
    private static String key(Rig rig, Finding finding) {
        String rest = rest(rig, finding);
        return rest.isEmpty()
                ? finding.identity()
                : String.join(
                        "\n",
                        finding.rule(),
                        finding.subject().source(),
                        new TreeSet<>(finding.scenes()).toString(),
                        rest);
    }

    /** A title without its listener, with the verb as it is for several; empty if it doesn't name the listener so. */
    private static String rest(Rig rig, Finding finding) {
        Element outlet = rig.find(listener(rig, finding));
        String title = finding.words().title();
        if (outlet == null) {
            return "";
        }
        if (title.endsWith(AT + outlet.name())) {
            return title.substring(0, title.length() - outlet.name().length());
        }
        String rest =
                title.startsWith(outlet.name()) ? title.substring(outlet.name().length()) : "";
        for (Map.Entry<String, String> verb : PLURAL) {
            if (rest.startsWith(verb.getKey())) {
                return verb.getValue() + rest.substring(verb.getKey().length());
            }
            if (rest.startsWith(verb.getValue())) {
                return rest;
            }
        }
        return "";
    }

    /** The id of the listener that a finding is about; empty if it is about something else. */
    public static String listener(Rig rig, Finding finding) {
        List<String> elements = finding.subject().elements();
        return elements.size() == 1
                ? rig.find(elements.getFirst(), Kind.OUTLET).map(Element::id).orElse("")
                : finding.subject().outlet();
    }

    /** The title of a row: its listeners, and what they have in common. */
    private static String joint(String names, String rest) {
        return rest.endsWith(AT) ? rest + names : names + rest;
    }
}
