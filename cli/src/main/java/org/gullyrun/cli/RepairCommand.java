package org.gullyrun.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.casefile.AtomicFile;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.repair.Conditions;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.repair.WholeRepair;
import org.gullyrun.core.repair.WorkOrder;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.core.rig.Address;
import org.gullyrun.desktop.print.PdfPages;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code gullyrun repair}: the fewest changes that leave nothing serious, in a safe order. */
@Command(
        name = "repair",
        mixinStandardHelpOptions = true,
        description = "Says which changes repair the rig, in an order in which as little as possible goes wrong.")
final class RepairCommand implements Callable<Integer> {
    private static final int SECONDS = 60;

    @Mixin
    CaseArgument argument = new CaseArgument();

    @Option(names = "--off-air", description = "The show isn't on air: only loops and the people at the rig count.")
    boolean offAir;

    @Option(
            names = "--without",
            paramLabel = "ELEMENT[/SETTING]",
            description = "A setting that can't be changed, or the id of what a step would add or remove;"
                    + " may be given several times.")
    List<String> without = new ArrayList<>();

    /** How it is written. */
    static final class Form {
        @Option(names = "--json", description = "As JSON.")
        boolean json;

        @Option(names = "--markdown", description = "As a work order in Markdown.")
        boolean markdown;

        @Option(names = "--html", description = "As a work order in HTML.")
        boolean html;

        @Option(names = "--pdf", paramLabel = "FILE", description = "As a work order in a PDF file.")
        @Nullable
        Path pdf;
    }

    @ArgGroup
    Form form = new Form();

    @Spec
    CommandSpec spec = CommandSpec.create();

    @Override
    public Integer call() throws Exception {
        CaseArgument.Opened opened = argument.open();
        Audit audit = opened.quickAudit();
        Set<Address> ruledOut = RuledOutSettings.of(
                opened.survey().rig(),
                without,
                opened.conditions().without(),
                out -> ways(opened, RootCauses.Found.NOTHING, out));
        List<Repair> repairs = ways(opened, RootCauses.Found.NOTHING, ruledOut);
        if (repairs.isEmpty()) {
            throw new FileProblem(
                    argument.file.getFileName() + ": this rig is too large to be repaired as a whole within " + SECONDS
                            + " s. 'gullyrun audit --fixes' lists the fixes of single findings.");
        }
        WorkPlan plan = WorkPlan.of(audit, repairs.getFirst(), !offAir);
        WorkOrder order = new WorkOrder(opened.what().title(), plan);
        PrintWriter out = spec.commandLine().getOut();
        if (form.json) {
            out.print(Json.write(plain(plan, order, repairs.subList(1, repairs.size()))) + "\n");
        } else if (form.markdown) {
            out.print(order.markdown());
        } else if (form.html) {
            out.print(order.html());
        } else if (form.pdf != null) {
            AtomicFile.write(form.pdf, PdfPages.of(order.html()));
            out.println("Wrote " + form.pdf);
        } else {
            text(out, opened, plan, order, repairs.subList(1, repairs.size()));
        }
        return Exit.OK;
    }

    /**
     * Whole ways to repair the survey, the best first; none if there was no time for one. What was ruled out in the window isn't
     * possible here either.
     *
     * @param known the root causes of the survey where nothing more is ruled out, if they have been worked out
     */
    static List<Repair> ways(CaseArgument.Opened opened, RootCauses.Found known, Set<Address> ruledOut) {
        Audit audit = opened.quickAudit();
        Reading reading = audit.read(opened.survey().rig(), opened.what().brief());
        Set<Address> without = new HashSet<>(ruledOut);
        without.addAll(opened.conditions().without());
        long until = System.nanoTime() + SECONDS * 1_000_000_000L;
        return new WholeRepair(
                        audit,
                        opened.goodRig(),
                        reading,
                        new Conditions(without, List.of()),
                        () -> System.nanoTime() > until)
                .knowing(known)
                .find(progress -> {});
    }

    /** As text for the terminal. */
    private static void text(
            PrintWriter out, CaseArgument.Opened opened, WorkPlan plan, WorkOrder order, List<Repair> others) {
        out.println(opened.what().title() + " · " + opened.survey().name());
        out.println(order.summary());
        for (int i = 0; i < plan.steps().size(); i++) {
            WorkPlan.Step step = plan.steps().get(i);
            out.println();
            out.printf("%2d  %s%n", i + 1, step.sentence());
            if (!step.to().isEmpty()) {
                out.println("    " + step.where() + ": " + step.from() + " → " + step.to());
            }
            out.println("    " + plan.effect(i));
            if (!step.heard().isEmpty()) {
                out.println("    " + step.heard());
            }
            plan.dangers(i).forEach(d -> out.println("    until a later step: " + d));
        }
        List<String> effects = plan.repair().sideEffects().words();
        if (!effects.isEmpty()) {
            out.println();
            out.println("What everyone will notice:");
            effects.forEach(e -> out.println("    " + e));
        }
        others.forEach(other -> otherWay(out, plan.repair(), other));
        List<Finding> left = plan.repair().left();
        if (!left.isEmpty()) {
            out.println();
            out.println("What is left:");
            left.forEach(f ->
                    out.printf("    %-8s  %s%n", f.severity().word(), f.words().title()));
        }
    }

    /** Another way to repair a rig: what it does in place of what, and what it costs. */
    static void otherWay(PrintWriter out, Repair first, Repair other) {
        out.println();
        out.println("Another way (" + other.price() + "):");
        other.sentences(other.beyond(first)).forEach(line -> out.println("    " + line));
        if (!first.beyond(other).isEmpty()) {
            out.println("  instead of:");
            first.sentences(first.beyond(other)).forEach(line -> out.println("    " + line));
        }
    }

    /** A whole way to repair a rig as plain data. */
    static Map<String, Object> plain(Repair way) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("price", way.price());
        one.put("approaches", way.where());
        one.put(
                "changes",
                way.changes().stream().map(c -> Conditions.about(c).toString()).toList());
        one.put("steps", way.sentences());
        return one;
    }

    /** The plan as plain data. */
    private static Map<String, Object> plain(WorkPlan plan, WorkOrder order, List<Repair> others) {
        List<Object> steps = new ArrayList<>();
        for (int i = 0; i < plan.steps().size(); i++) {
            WorkPlan.Step step = plan.steps().get(i);
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("sentence", step.sentence());
            one.put("element", Conditions.about(step.change()).element());
            one.put("setting", Conditions.about(step.change()).key());
            one.put("from", step.from());
            one.put("to", step.to());
            one.put("fixes", step.fixes().stream().map(Finding::identity).toList());
            one.put("causes", step.causes().stream().map(Finding::identity).toList());
            one.put("heard", step.heard());
            one.put("dangers", plan.dangers(i));
            steps.add(one);
        }
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("summary", order.summary());
        all.put("proof", plan.repair().proof().name());
        all.put("onAir", plan.onAir());
        all.put("exactOrder", plan.exact());
        all.put("steps", steps);
        all.put("sideEffects", plan.repair().sideEffects().words());
        all.put("left", plan.repair().left().stream().map(Finding::identity).toList());
        all.put("otherWays", others.stream().map(RepairCommand::plain).toList());
        return all;
    }
}
