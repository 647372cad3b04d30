package org.gullyrun.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Judgement;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.UnknownField;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.intake.Questions;
import org.gullyrun.core.rig.Change;
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

    @Mixin
    CaseArgument argument = new CaseArgument();

    @Option(names = "--json", description = "As JSON; the fields are described in docs/formats/audit-json.md.")
    boolean json;

    @Option(
            names = "--causes",
            description = "Also list the root causes: the changes that fix groups of findings. Takes a second or two.")
    boolean causes;

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
        RootCauses.Found found = causes ? causes(opened) : RootCauses.Found.NOTHING;
        if (json) {
            out.print(Json.write(plain(opened, findings, found)) + "\n");
        } else {
            text(out, opened, findings, found);
        }
        boolean bad = failOn != null
                && findings.stream()
                        .anyMatch(f -> f.severity()
                                .atLeast(Severity.valueOf(failOn.name().toUpperCase(Locale.ROOT))));
        return bad ? Exit.FINDINGS : Exit.OK;
    }

    /** The root causes, or none if they weren't asked for. */
    private static RootCauses.Found causes(CaseArgument.Opened opened) {
        Audit quick = RuleCatalogue.on(opened.what().terms(), opened.what().showHours())
                .quick();
        Reading reading = quick.read(opened.survey().rig(), opened.what().brief());
        long until = System.nanoTime() + CAUSES_SECONDS * 1_000_000_000L;
        return RootCauses.of(
                quick,
                opened.what().goodRig(opened.survey().id()),
                reading,
                () -> false,
                () -> System.nanoTime() > until,
                progress -> {});
    }

    /** Prints findings as they would be read aloud, worst first. */
    private static void text(
            PrintWriter out, CaseArgument.Opened opened, List<Finding> findings, RootCauses.Found causes) {
        out.println(opened.what().title() + " · " + opened.survey().name());
        List<String> counts = new ArrayList<>();
        for (Severity severity : Severity.values()) {
            long n = findings.stream().filter(f -> f.severity() == severity).count();
            if (n > 0) {
                counts.add(n + " " + severity.word() + (severity == Severity.NOTE && n > 1 ? "s" : ""));
            }
        }
        Judgement judged = Judgement.of(
                opened.reading(), Questions.of(opened.survey().rig()).size());
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
            out.println(causes.groups().size() + (causes.groups().size() == 1 ? " change fixes " : " changes fix ")
                    + causes.cleared() + " of them, applied one after the other:");
            causes.groups()
                    .forEach(g -> out.println("  " + g.fix().sentence() + " (" + g.price()
                            + (g.standsAlone() ? ")" : ", after those above)")));
        }
        if (causes.state() == RootCauses.Progress.OUT_OF_TIME) {
            out.println("Stopped after " + CAUSES_SECONDS
                    + " s before every change was tried. There may be more root causes.");
        }
        opened.reading().unfinished().forEach(u -> out.println(u.sentence()));
        for (JoinedFindings row : JoinedFindings.of(opened.survey().rig(), findings)) {
            out.println();
            out.printf("%-8s  %s%n", row.first().severity().word(), row.title());
            row.findings().forEach(f -> out.println("          " + f.words().exact()));
            row.findings().stream()
                    .map(f -> f.words().noticed())
                    .distinct()
                    .forEach(noticed -> out.println("          Listeners notice: " + noticed));
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

    /** All of it as plain maps and lists, for JSON. */
    private static Map<String, Object> plain(
            CaseArgument.Opened opened, List<Finding> findings, RootCauses.Found causes) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("case", opened.what().title());
        all.put("survey", opened.survey().id());
        all.put(
                "findings",
                findings.stream().map(f -> plain(opened.reading(), f)).toList());
        all.put(
                "waived",
                opened.reading().waived().stream()
                        .map(f -> plain(opened.reading(), f))
                        .toList());
        all.put(
                "unfinished",
                opened.reading().unfinished().stream()
                        .map(u -> PlainData.ordered("rule", u.rule(), "why", u.why()))
                        .toList());
        if (causes.ended()) {
            all.put("causesDone", causes.done());
            all.put("causes", causes.groups().stream().map(AuditCommand::plain).toList());
        }
        all.put(
                "dangling",
                Dangling.in(opened.survey().rig()).stream()
                        .map(d -> PlainData.ordered(
                                "element", d.at().element(), "setting", d.at().key(), "to", d.to(), "why", d.why()))
                        .toList());
        all.put(
                "unknownFields",
                UnknownField.in(opened.what()).stream()
                        .map(u -> PlainData.ordered("survey", u.survey(), "element", u.element(), "field", u.field()))
                        .toList());
        return all;
    }

    private static Map<String, Object> plain(RootCauses.Group group) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("sentence", group.fix().sentence());
        one.put(
                "changes",
                group.fix().changes().stream().map(AuditCommand::plain).toList());
        one.put("fixes", group.findings().stream().map(Finding::identity).toList());
        one.put("sideEffects", group.fix().altered());
        return one;
    }

    private static String plain(Change change) {
        return switch (change) {
            case Change.Set set -> "set " + set.element() + "/" + set.setting().key() + " to " + set.to();
            case Change.Add add ->
                "add " + add.what().kind().noun() + " " + add.what().id();
            case Change.Remove remove ->
                "remove " + remove.what().kind().noun() + " " + remove.what().id();
        };
    }

    private static Map<String, Object> plain(Reading reading, Finding finding) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("identity", finding.identity());
        one.put("rule", finding.rule());
        one.put("severity", finding.severity().word());
        if (finding.subject().source().isEmpty()) {
            one.put("elements", finding.subject().elements());
        } else {
            one.put("source", finding.subject().source());
            one.put("outlet", finding.subject().outlet());
        }
        one.put(
                "scenes",
                finding.scenes().stream()
                        .map(i -> reading.scenes().get(i).key().scene())
                        .toList());
        one.put("title", finding.words().title());
        one.put("plain", finding.words().plain());
        one.put("exact", finding.words().exact());
        one.put("cause", finding.words().cause());
        one.put("noticed", finding.words().noticed());
        one.put("assumed", finding.assumed());
        Map<String, Object> figures = new LinkedHashMap<>();
        finding.figures().forEach(f -> figures.put(f.name(), Json.number(f.value())));
        one.put("figures", figures);
        Evidence evidence = finding.evidence();
        one.put(
                "routes",
                evidence.routes().stream()
                        .map(w -> {
                            Map<String, Object> route = new LinkedHashMap<>();
                            route.put("form", w.form().name().toLowerCase(Locale.ROOT));
                            route.put(
                                    "points",
                                    PlainData.points(
                                            reading.scenes()
                                                    .get(evidence.scene())
                                                    .graph(),
                                            w.in(reading.scenes()
                                                    .get(evidence.scene())
                                                    .graph())));
                            return route;
                        })
                        .toList());
        one.put("settings", evidence.settings().stream().map(Object::toString).toList());
        return one;
    }
}
