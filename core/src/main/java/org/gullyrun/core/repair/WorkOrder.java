package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.StringJoiner;
import org.commonmark.node.Node;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.commonmark.renderer.text.TextContentRenderer;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sentences;
import org.jspecify.annotations.Nullable;

/**
 * A plan as a document to hand over: the steps in sentences for the creator with the exact settings for the technician, what
 * everyone will notice, and what to check at the end.
 */
public final class WorkOrder {
    private static final String STYLE = """
            body { font-family: "IBM Plex Sans", sans-serif; max-width: 46em; margin: 2em auto; line-height: 1.5; color: #222; }
            h1, h2 { font-family: "IBM Plex Serif", serif; }
            li { margin-bottom: 0.7em; }
            code { font-family: "IBM Plex Mono", monospace; }
            @media print { body { margin: 0; } li { break-inside: avoid; } }
            """;

    private final String title;
    private final WorkPlan plan;

    /** The work order of a plan, under the title of its case. */
    public WorkOrder(String title, WorkPlan plan) {
        this.title = title;
        this.plan = plan;
    }

    /** As Markdown. */
    public String markdown() {
        StringBuilder out = new StringBuilder("# Work order: " + safe(title) + "\n\n");
        out.append(safe(summary())).append("\n\n");
        if (!plan.steps().isEmpty()) {
            out.append("## Steps\n\n");
        }
        for (int i = 0; i < plan.steps().size(); i++) {
            step(out, i);
        }
        List<String> effects = plan.repair().sideEffects().words();
        if (!effects.isEmpty()) {
            out.append("## What everyone will notice\n\n");
            effects.forEach(e -> out.append("- ").append(safe(e)).append('\n'));
            out.append('\n');
        }
        List<Finding> left = plan.repair().left();
        if (!left.isEmpty()) {
            out.append("## What is left\n\n");
            left.forEach(f -> out.append("- ").append(safe(f.words().title())).append('\n'));
            out.append('\n');
        }
        checks(out);
        return out.toString();
    }

    /** How much there is to do and what is known of it. */
    public String summary() {
        Repair repair = plan.repair();
        int steps = plan.steps().size();
        if (steps == 0) {
            return repair.left().isEmpty()
                    ? "Nothing serious is wrong. There is nothing to repair."
                    : "No change was found that repairs what is wrong.";
        }
        int fixed = repair.resolved().size();
        return steps
                + (steps == 1 ? " change fixes " : " changes fix ")
                + fixed
                + (fixed == 1 ? " finding. " : " findings. ")
                + claims();
    }

    /** What is known of the repair: whether all of it is needed, what is left, and what happens on the way. */
    public String claims() {
        Repair repair = plan.repair();
        int left = repair.left().size();
        String single = plan.steps().size() == 1 && left == 0 ? "Nothing serious is left." : "";
        return !single.isEmpty()
                ? single
                : repair.proof().sentence() + " "
                        + (left == 0
                                ? "Nothing serious is left."
                                : left + " serious " + (left == 1 ? "finding is" : "findings are") + " left.")
                        + " " + order();
    }

    /** What the order keeps from happening, or what goes wrong until a later step: dangers, else findings. */
    private String order() {
        List<String> worse = new ArrayList<>();
        for (int i = 0; i < plan.steps().size(); i++) {
            List<String> dangers = plan.dangers(i);
            List<JoinedFindings> causes = JoinedFindings.of(
                    plan.states().get(i + 1).rig(), plan.steps().get(i).causes());
            if (dangers.isEmpty() && !causes.isEmpty()) {
                worse.add(causes.getFirst().title()
                        + (causes.size() > 1 ? ", and " + (causes.size() - 1) + " more" : ""));
            }
            worse.addAll(dangers);
        }
        String than = plan.exact()
                ? ""
                : worse.isEmpty() ? " Another order may clear the worst sooner." : " A better order may exist.";
        return (worse.isEmpty()
                        ? plan.onAir()
                                ? "In this order nothing gets worse on the way, even on air."
                                : "In this order nothing gets worse on the way."
                        : "On the way: " + String.join(", ", worse) + ".")
                + than;
    }

    /** One numbered step. */
    private void step(StringBuilder out, int place) {
        WorkPlan.Step step = plan.steps().get(place);
        out.append(place + 1).append(". **").append(safe(step.sentence())).append(".**  \n");
        StringJoiner lines = new StringJoiner("\n");
        lines.add("   " + safe(step.where())
                + (step.from().isEmpty() && step.to().isEmpty()
                        ? ""
                        : ": " + safe(step.from()) + " → " + safe(step.to()))
                + "  ");
        String effect = plan.effect(place);
        lines.add("   " + safe(Sentences.capitalized(effect)) + ".  ");
        if (!step.heard().isEmpty()) {
            lines.add("   " + safe(step.heard()) + "  ");
        }
        plan.dangers(place).forEach(d -> lines.add("   Until a later step: " + safe(d) + ".  "));
        out.append(lines).append("\n\n");
    }

    /** What each listener has to hear when all is done, by scene where that differs. */
    private void checks(StringBuilder out) {
        Reading after = plan.repair().after();
        Map<String, String> due = new LinkedHashMap<>();
        for (int o = 0; o < after.rig().of(Kind.OUTLET).size(); o++) {
            Element outlet = after.rig().of(Kind.OUTLET).get(o);
            List<String> musts = new ArrayList<>();
            for (int s = 0; s < after.rig().of(Kind.SOURCE).size(); s++) {
                String scenes = due(after, s, o);
                if (scenes != null) {
                    musts.add(after.rig().of(Kind.SOURCE).get(s).name() + scenes);
                }
            }
            if (!musts.isEmpty()) {
                due.put(outlet.name(), String.join(", ", musts));
            }
        }
        if (!due.isEmpty()) {
            out.append("## Check at the end\n\n");
            due.forEach((outlet, musts) -> out.append("- ")
                    .append(safe(outlet))
                    .append(" must hear: ")
                    .append(safe(musts))
                    .append('\n'));
        }
    }

    /** The scenes in which a source is required, in brackets; empty for all, null for none. */
    private static @Nullable String due(Reading reading, int source, int outlet) {
        List<String> scenes = new ArrayList<>();
        for (SceneReading scene : reading.scenes()) {
            CellReading cell = scene.cell(source, outlet);
            if (cell.wish() == Wish.MUST) {
                scenes.add(scene.name());
            }
        }
        return scenes.isEmpty()
                ? null
                : scenes.size() == reading.scenes().size() ? "" : " (" + String.join(", ", scenes) + ")";
    }

    /** As a page of HTML that can be printed. */
    public String html() {
        Node document = Parser.builder().build().parse(markdown());
        String body = HtmlRenderer.builder().escapeHtml(true).build().render(document);
        return "<!DOCTYPE html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\"/>\n<title>"
                + title.replace("&", "&amp;").replace("<", "&lt;") + "</title>\n<style>\n" + STYLE
                + "</style>\n</head>\n<body>\n" + body + "</body>\n</html>\n";
    }

    /** As plain text for a chat. */
    public String text() {
        return TextContentRenderer.builder()
                        .build()
                        .render(Parser.builder().build().parse(markdown())) + "\n";
    }

    /** A text in which nothing is taken for a mark of Markdown. */
    private static String safe(String text) {
        return text.replaceAll("[\\s\\p{Cntrl}]+", " ").replaceAll("([\\\\`*_{}\\[\\]<>()#+.!|&~-])", "\\\\$1");
    }
}
