package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.ExamplePair;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.audit.rules.RulePages;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.junit.jupiter.api.Test;

/** Each rule finds its example, and not the one without; its page says what comes of that. */
class RulePagesTest {
    private static final Path DOCS = Path.of("../docs/findings");
    private static final Audit AUDIT = RuleCatalogue.usual();

    @Test
    void everyRuleFindsItsExampleAndNotTheOneWithout() {
        Map<String, ExamplePair> pairs = ExamplePair.all();
        List<String> wrong = new ArrayList<>();
        for (Rule rule : RuleCatalogue.ALL) {
            ExamplePair pair = pairs.get(rule.id());
            if (pair == null) {
                wrong.add("no example for " + rule.id());
                continue;
            }
            if (!finds(pair, pair.with())) {
                wrong.add(pair.found() + " is not found, but " + identities(pair, pair.with()));
            }
            if (finds(pair, pair.without())) {
                wrong.add(pair.found() + " is found without");
            }
        }
        assertEquals(List.of(), wrong);
        assertEquals(RuleCatalogue.ALL.size(), pairs.size());
    }

    @Test
    void thePagesSayWhatTheProgramSays() throws IOException {
        Map<String, String> pages = new TreeMap<>();
        StringBuilder list =
                new StringBuilder("# Findings\n\nWhat the audit looks for, worst first. Made from the rules"
                        + " themselves (`mvn -pl core test -Dtest=RulePagesTest -Dgullyrun.write=true`).\n\n"
                        + "| question | id |\n|---|---|\n");
        for (Rule rule : RuleCatalogue.ALL) {
            pages.put(rule.id() + ".md", page(rule, ExamplePair.all().get(rule.id())));
            list.append("| [")
                    .append(rule.question())
                    .append("](")
                    .append(rule.id())
                    .append(".md) | `")
                    .append(rule.id())
                    .append("` |\n");
        }
        list.append("\n## Figures\n\nA case can have its own, in its field `limits`.\n\n"
                + "| key | usual | what happens there | why there |\n|---|---|---|---|\n");
        for (Threshold limit : Threshold.values()) {
            list.append("| `")
                    .append(limit.key())
                    .append("` | ")
                    .append(Threshold.spelled("{" + limit.key() + "}"))
                    .append(" | ")
                    .append(limit.meaning())
                    .append(" | ")
                    .append(limit.source())
                    .append(" |\n");
        }
        pages.put("README.md", list.toString());
        for (Map.Entry<String, String> page : pages.entrySet()) {
            Path file = DOCS.resolve(page.getKey());
            if (Boolean.getBoolean("gullyrun.write")) {
                Files.createDirectories(DOCS);
                Files.writeString(file, page.getValue());
            }
            assertEquals(page.getValue(), Files.readString(file), "run with -Dgullyrun.write=true to make it anew");
        }
        if (!Boolean.getBoolean("gullyrun.write")) {
            assertEquals(pages.get("leak.md"), RulePages.of("leak"), "the pages ship with the program");
        }
    }

    private static Reading read(ExamplePair pair, List<Change> changes) {
        return AUDIT.read(Changes.apply(ExamplePair.GOOD, changes), pair.brief());
    }

    private static boolean finds(ExamplePair pair, List<Change> changes) {
        return read(pair, changes).findings().stream()
                .anyMatch(f -> f.identity().equals(pair.found()));
    }

    private static List<String> identities(ExamplePair pair, List<Change> changes) {
        return read(pair, changes).findings().stream().map(Finding::identity).toList();
    }

    private static String page(Rule rule, ExamplePair pair) {
        Reading reading = read(pair, pair.with());
        Finding finding = reading.findings().stream()
                .filter(f -> f.identity().equals(pair.found()))
                .findFirst()
                .orElseThrow();
        StringBuilder page = new StringBuilder("# " + rule.question() + "\n\n`" + rule.id() + "`. "
                + Threshold.spelled(rule.severity()) + "\n\n## An example\n\nThe sample show, known good");
        page.append(pair.with().isEmpty() ? ", has it" : ", and then: " + said(pair.with()))
                .append(".\n\n> ")
                .append(finding.words().title())
                .append(" (")
                .append(finding.severity().word())
                .append(")\n\n| | |\n|---|---|\n| say to the creator | ")
                .append(finding.words().plain())
                .append(" |\n| exact | ")
                .append(finding.words().exact())
                .append(" |\n| cause | ")
                .append(finding.words().cause())
                .append(" |\n| listeners notice | ")
                .append(finding.words().noticed())
                .append(reported(rule))
                .append(" |\n\n## Fixes\n\n");
        boolean deep = !AUDIT.quick().asks(rule.id());
        List<Fix> fixes = new Fixes(deep ? AUDIT : AUDIT.quick()).find(reading, finding, () -> false);

        fixes.stream()
                .limit(3)
                .forEach(r -> page.append("- ")
                        .append(r.sentence())
                        .append(": ")
                        .append(r.price())
                        .append(".\n"));
        if (fixes.isEmpty()) {
            page.append("No change that could be made fixes this.\n");
        }
        page.append("\n## Not found\n\n")
                .append(
                        pair.without().isEmpty()
                                ? "In the sample show as it is known good.\n"
                                : "In the sample show, known good, and then: " + said(pair.without()) + ".\n");
        return page.toString();
    }

    /** A line with what creators report where a rule finds something; none where that is not heard. */
    private static String reported(Rule rule) {
        String words = Stream.of(Complaint.What.values())
                .filter(rule.heardAs()::contains)
                .map(Complaint.What::word)
                .collect(Collectors.joining("; "));
        return words.isEmpty() ? "" : " |\n| creators report | " + words;
    }

    private static String said(List<Change> changes) {
        Rig changed = Changes.apply(ExamplePair.GOOD, changes);
        return changes.stream()
                .map(c -> Sentences.say(c instanceof Change.Add ? changed : ExamplePair.GOOD, c))
                .map(s -> Character.toLowerCase(s.charAt(0)) + s.substring(1))
                .collect(Collectors.joining("; "));
    }
}
