package org.gullyrun.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.Callable;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Judgement;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.casefile.UnknownField;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.intake.QuestionOrder;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.repair.RepairCauses;
import org.gullyrun.core.rig.Dangling;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code gullyrun audit}: all findings of one survey. */
@Command(
        name = "audit",
        mixinStandardHelpOptions = true,
        description = "Audits a case and lists its findings, worst first.")
final class AuditCommand implements Callable<Integer> {
    /** How long to look for root causes, s. An ordinary rig takes a second; past this the output says that it stopped early. */
    private static final int CAUSES_SECONDS = 20;

    /** How long to look for the fixes of all findings together, s. */
    private static final int FIXES_SECONDS = 30;
    /** So many fixes of a finding are printed as text. */
    private static final int MOST_FIXES = 3;

    @Mixin
    CaseArgument argument = new CaseArgument();

    @Option(names = "--json", description = "As JSON; the fields are described in docs/formats/audit-json.md.")
    boolean json;

    @Option(
            names = "--causes",
            description = "Also list the root causes: the changes that fix groups of findings. Takes a second or two.")
    boolean causes;

    @Option(names = "--fixes", description = "Also list what fixes each finding, the best first. Takes some seconds.")
    boolean fixes;

    @Option(
            names = "--fail-on",
            paramLabel = "SEVERITY",
            description = "Exit with 1 if a finding is at least this severe: ${COMPLETION-CANDIDATES}.")
    @Nullable
    FailOn failOn;

    @Spec
    CommandSpec spec = CommandSpec.create();

    /** The severities that can be failed on. */
    enum FailOn {
        critical,
        major,
        minor
    }

    @Override
    public Integer call() throws Exception {
        CaseArgument.Opened opened = argument.open();
        List<Finding> findings = opened.reading().findings().stream()
                .filter(f -> f.scenes().isEmpty() || f.scenes().stream().anyMatch(opened.scenes()::contains))
                .toList();
        PrintWriter out = spec.commandLine().getOut();
        RootCauses.Found first = causes ? causes(opened) : RootCauses.Found.NOTHING;
        List<Repair> ways = causes && first.done() ? RepairCommand.ways(opened, first, Set.of()) : List.of();
        RootCauses.Found found = ways.isEmpty() ? first : agreed(opened, first, ways.getFirst());
        FindingFixes each = fixes ? FindingFixes.of(opened, shown(opened, findings), FIXES_SECONDS) : FindingFixes.NONE;
        if (json) {
            out.print(Json.write(AuditJson.of(opened, findings, found, ways, each)) + "\n");
        } else {
            text(out, opened, findings, found, ways, each);
        }
        boolean bad = failOn != null
                && findings.stream()
                        .anyMatch(f -> f.severity()
                                .atLeast(Severity.valueOf(failOn.name().toUpperCase(Locale.ROOT))));
        return bad ? Exit.FINDINGS : Exit.OK;
    }

    /** The findings whose fixes are told: of those that are one row in the text, the first. */
    private List<Finding> shown(CaseArgument.Opened opened, List<Finding> findings) {
        return json
                ? findings
                : JoinedFindings.of(opened.survey().rig(), findings).stream()
                        .map(JoinedFindings::first)
                        .toList();
    }

    /** The root causes. */
    private static RootCauses.Found causes(CaseArgument.Opened opened) {
        Audit quick = opened.quickAudit();
        long until = System.nanoTime() + CAUSES_SECONDS * 1_000_000_000L;
        return RootCauses.of(
                opened.fixes(quick),
                quick.read(opened.survey().rig(), opened.what().brief()),
                () -> false,
                () -> System.nanoTime() > until,
                progress -> {});
    }

    /** The root causes as the repair of the whole has them, where that does better. */
    private static RootCauses.Found agreed(CaseArgument.Opened opened, RootCauses.Found first, Repair repair) {
        long until = System.nanoTime() + CAUSES_SECONDS * 1_000_000_000L;
        return new RepairCauses(
                        opened.quickAudit(),
                        opened.goodRig(),
                        repair.before(),
                        opened.conditions(),
                        () -> System.nanoTime() > until)
                .better(first, repair);
    }

    /** Prints findings as they would be read aloud, worst first. */
    private static void text(
            PrintWriter out,
            CaseArgument.Opened opened,
            List<Finding> findings,
            RootCauses.Found causes,
            List<Repair> ways,
            FindingFixes fixes) {
        out.println(opened.what().title() + " · " + opened.survey().name());
        List<String> counts = new ArrayList<>();
        for (Severity severity : Severity.values()) {
            long n = findings.stream().filter(f -> f.severity() == severity).count();
            if (n > 0) {
                counts.add(n + " " + severity.word() + (severity == Severity.NOTE && n > 1 ? "s" : ""));
            }
        }
        Judgement judged = Judgement.of(
                opened.reading(),
                QuestionOrder.of(opened.reading(), opened.what().terms().complaint())
                        .size());
        out.println(
                !counts.isEmpty()
                        ? String.join(", ", counts)
                        : judged.isPossible()
                                ? "Nothing found: everything is as the brief asks."
                                : "Nothing found, " + judged.missing() + ".");
        if (!opened.reading().waived().isEmpty()) {
            out.println(opened.reading().waived().size() + " waived");
        }
        if (causes.ended() && !causes.groups().isEmpty()) {
            out.println();
            out.println(causes.changes() + (causes.changes() == 1 ? " change fixes " : " changes fix ")
                    + causes.cleared() + " of them" + (causes.changes() == 1 ? ":" : ", applied one after the other:"));
            causes.groups()
                    .forEach(g -> out.println("  " + g.fix().sentence() + " (" + g.price()
                            + (g.standsAlone() ? ")" : ", after those above)")));
        }
        int ruledOut = opened.conditions().without().size();
        if (causes.ended() && ruledOut > 0) {
            out.println(ruledOut + (ruledOut == 1 ? " setting is" : " settings are")
                    + " left alone, as ruled out in Repair.");
        }
        if (ways.size() > 1) {
            Repair first = ways.getFirst();
            out.println();
            out.println("One way to repair " + first.scope() + " (" + first.price() + "):");
            first.sentences().forEach(line -> out.println("    " + line));
            ways.stream().skip(1).forEach(other -> RepairCommand.otherWay(out, first, other));
        }
        if (causes.state() == RootCauses.Progress.OUT_OF_TIME) {
            out.println("Stopped after " + CAUSES_SECONDS
                    + " s before every change was tried. There may be more root causes.");
        }
        opened.reading().unfinished().forEach(u -> out.println(u.sentence()));
        for (JoinedFindings row : JoinedFindings.of(opened.survey().rig(), findings)) {
            out.println();
            out.printf("%-8s  %s%n", row.first().severity().word(), row.title());
            if (row.findings().stream()
                    .anyMatch(f -> opened.reading().fits(opened.what().terms().complaint(), f))) {
                out.println("          As reported.");
            }
            row.findings().forEach(f -> out.println("          " + f.words().exact()));
            row.findings().stream()
                    .map(f -> f.words().noticed())
                    .distinct()
                    .forEach(noticed -> out.println("          Listeners notice: " + noticed));
            fixes.of(row.first()).stream()
                    .limit(MOST_FIXES)
                    .forEach(f -> out.println("          Fix: " + f.sentence() + " (" + f.price() + ")"));
            String none = fixes.none(row.first());
            if (!none.isEmpty()) {
                out.println("          No fix: " + none + ".");
            }
            if (row.findings().stream().anyMatch(Finding::assumed)) {
                out.println("          Based on a setting that is still unknown.");
            }
        }
        List<Dangling> dangling = Dangling.in(opened.survey().rig());
        if (!dangling.isEmpty()) {
            out.println();
            out.println("References to something that doesn't exist:");
            dangling.forEach(d -> out.println("  " + d.at() + " refers to '" + d.to() + "', which " + d.why()));
        }
        String unknown = UnknownField.told(UnknownField.in(opened.what()));
        if (!unknown.isEmpty()) {
            out.println();
            out.println(unknown);
        }
    }
}
