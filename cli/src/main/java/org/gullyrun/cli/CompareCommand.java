package org.gullyrun.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.compare.Comparison;
import org.gullyrun.core.compare.Matching;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Sentences;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code gullyrun compare}: what changed between two surveys, and which change is to blame for what. */
@Command(
        name = "compare",
        mixinStandardHelpOptions = true,
        description = "Says what changed between two surveys, and which change is to blame for which finding.")
final class CompareCommand implements Callable<Integer> {
    private static final int SECONDS = 60;

    @Parameters(index = "0", paramLabel = "CASE", description = "The case file.")
    Path file = Path.of("");

    @Parameters(
            index = "1",
            arity = "0..1",
            paramLabel = "CASE2",
            description = "Another case file, whose survey is the later one.")
    @Nullable
    Path other;

    @Option(
            names = "--from",
            paramLabel = "S",
            description = "Id or name of the earlier survey; the one marked as known good if not given.")
    @Nullable
    String from;

    @Option(names = "--to", paramLabel = "S", description = "Id or name of the later survey; the first if not given.")
    @Nullable
    String to;

    /** How it is written. */
    static final class Form {
        @Option(names = "--json", description = "As JSON.")
        boolean json;

        @Option(names = "--markdown", description = "As Markdown.")
        boolean markdown;
    }

    @ArgGroup
    Form form = new Form();

    @Spec
    CommandSpec spec = CommandSpec.create();

    @Override
    public Integer call() throws Exception {
        Case first = CaseFiles.open(file);
        Case second = other == null ? first : CaseFiles.open(other);
        Survey earlier = from == null && !first.knownGood().isEmpty()
                ? CaseArgument.survey(first, first.knownGood())
                : CaseArgument.survey(first, from);
        Survey later = CaseArgument.survey(second, to);
        if (first == second && earlier.id().equals(later.id())) {
            throw new UsageProblem("Both are the survey '" + later.id() + "'. Say which with --from and --to.");
        }
        Audit audit = RuleCatalogue.on(second.terms(), second.showHours()).quick();
        long until = System.nanoTime() + SECONDS * 1_000_000_000L;
        Comparison comparison = Comparison.of(
                audit,
                earlier.rig(),
                later.rig(),
                second.brief(),
                Matching.of(earlier.rig(), later.rig()),
                () -> System.nanoTime() > until);
        PrintWriter out = spec.commandLine().getOut();
        if (form.json) {
            out.print(Json.write(plain(comparison)) + "\n");
        } else {
            text(out, comparison, earlier.name(), later.name(), form.markdown);
        }
        return Exit.OK;
    }

    /** As text, or as Markdown. */
    private static void text(PrintWriter out, Comparison comparison, String earlier, String later, boolean markdown) {
        String head = markdown ? "# " : "";
        String part = markdown ? "## " : "";
        String item = markdown ? "- " : "  ";
        out.println(head + "From " + earlier + " to " + later);
        if (markdown) {
            out.println();
        }
        out.println(comparison.summary());
        for (Change change : comparison.toBlame()) {
            out.println();
            out.println(part + comparison.happened(change));
            if (markdown) {
                out.println();
            }
            List<Finding> brings = comparison.broughtBy(change);
            for (JoinedFindings row : JoinedFindings.of(comparison.to().rig(), brings)) {
                out.println(
                        item + row.first().severity().word() + ": " + row.title() + comparison.together(row.first()));
            }
        }
        list(
                out,
                part + "Changes that do no harm:",
                item,
                comparison.harmless().stream().map(comparison::happened).toList());
        list(
                out,
                part + "Resolved since:",
                item,
                comparison.resolved().stream().map(f -> f.words().title()).toList());
        list(
                out,
                part + "No change explains:",
                item,
                comparison.blame().entrySet().stream()
                        .filter(e -> e.getValue().isEmpty())
                        .map(e -> e.getKey().words().title())
                        .toList());
        list(out, part + "To go back as far as needed:", item, back(comparison));
    }

    /** The steps back, as sentences. */
    private static List<String> back(Comparison comparison) {
        List<String> all = new ArrayList<>();
        var rig = comparison.to().rig();
        for (Change change : comparison.back()) {
            all.add(Sentences.say(change instanceof Change.Add ? Changes.apply(rig, comparison.back()) : rig, change));
        }
        return all;
    }

    private static void list(PrintWriter out, String heading, String item, List<String> lines) {
        if (!lines.isEmpty()) {
            out.println();
            out.println(heading);
            lines.forEach(line -> out.println(item + line));
        }
    }

    /** The comparison as plain data. */
    private static Map<String, Object> plain(Comparison comparison) {
        List<Object> changes = new ArrayList<>();
        for (Change change : comparison.changes()) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("sentence", comparison.happened(change));
            one.put("element", change.element());
            one.put("setting", change instanceof Change.Set set ? set.setting().key() : "");
            one.put(
                    "brings",
                    comparison.broughtBy(change).stream().map(Finding::identity).toList());
            changes.add(one);
        }
        Map<String, Object> blame = new LinkedHashMap<>();
        comparison
                .blame()
                .forEach((finding, by) -> blame.put(
                        finding.identity(),
                        by.stream().map(comparison.changes()::indexOf).toList()));
        Map<String, Object> matches = new LinkedHashMap<>();
        comparison.matching().pairs().forEach((id, pair) -> {
            if (!id.equals(pair.id())) {
                matches.put(id, pair.id() + " " + pair.by().word());
            }
        });
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("summary", comparison.summary());
        all.put("changes", changes);
        all.put("blame", blame);
        all.put(
                "resolved",
                comparison.resolved().stream().map(Finding::identity).toList());
        all.put("renamed", matches);
        all.put("back", back(comparison));
        all.put("whole", comparison.isWhole());
        return all;
    }
}
