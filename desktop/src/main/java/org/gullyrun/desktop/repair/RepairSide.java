package org.gullyrun.desktop.repair;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.SidePane;
import org.gullyrun.desktop.state.Planning;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** Beside the steps: the one looked at, what to say to the creator, the exact setting, and what comes of it. */
public final class RepairSide extends SidePane {
    /** So many findings are listed. */
    private static final int MOST = 6;

    private final Store store;
    private final List<Offer> offers;
    /** The step for which other fixes were found last, and these. */
    private WorkPlan.@Nullable Step offeredFor;

    private List<Fix> offered = List.of();

    /**
     * Something that can be done with the steps.
     *
     * @param id the id of its row
     * @param name what it is called
     * @param keys the key that does it
     * @param run does it
     */
    public record Offer(String id, String name, String keys, Runnable run) {}

    /** The side of what the store holds. */
    public RepairSide(Store store, List<Offer> offers) {
        super("repair-side");
        this.store = store;
        this.offers = List.copyOf(offers);
        store.watch(this::update);
    }

    private void update(State before, State now) {
        if (now.step() != Step.REPAIR) {
            return;
        }
        boolean same = before.step() == now.step()
                && before.planning() == now.planning()
                && before.textScale() == now.textScale();
        if (!same || box.getChildren().isEmpty()) {
            fit(now.textScale());
            show(() -> content(now));
        }
    }

    /** What is said of the step looked at, or of the whole where there is none. */
    private List<Node> content(State state) {
        Planning planning = state.planning();
        WorkPlan plan = planning.plan();
        WorkPlan.Step step = planning.current();
        List<Node> all = new ArrayList<>();
        if (plan == null || step == null) {
            all.add(Nodes.label(
                    planning.isWorking() ? "Looking for the repair …" : "Nothing to do here", "water-title"));
            all.add(Nodes.label(
                    planning.isWorking()
                            ? "Every change is tried on a copy of the rig."
                            : "Steps come here when something serious is wrong.",
                    "soft"));
            return all;
        }
        if (!planning.keepsConditions()) {
            all.add(Nodes.label(
                    planning.isWorking() ? "Planning anew …" : "No repair was found that way", "water-title"));
            all.add(Nodes.label(
                    planning.isWorking() ? "The new steps come in a moment." : "Shift X allows everything again.",
                    "soft"));
            return all;
        }
        int at = planning.step();
        all.add(Nodes.label("Step " + (at + 1) + " of " + plan.steps().size(), "water-title"));
        part(all, "Say to the creator");
        Label said = Nodes.label("“" + step.sentence() + ".”", "quote");
        said.setId("say");
        all.add(said);
        all.add(Nodes.rule());
        part(all, "Setting");
        all.add(Nodes.label(step.where()));
        if (!step.from().isEmpty() || !step.to().isEmpty()) {
            all.add(Nodes.label(step.from() + " → " + step.to(), "figures"));
        }
        fixed(all, plan, at);
        all.add(Nodes.label("If you stop after this step, " + plan.ifStopped(at) + ".", "soft"));
        all.add(Nodes.label("The basins below show what everybody hears then.", "caption"));
        VBox instead = new VBox(2);
        instead.setId("instead");
        all.add(instead);
        if (step == offeredFor) {
            offer(instead, offered); // other ways have come, or another scene: what was found for the step stays
        } else {
            store.planner().instead(fixes -> {
                offeredFor = step;
                offered = fixes;
                offer(instead, fixes);
            });
        }
        ways(all, planning);
        all.add(Nodes.rule());
        for (Offer offer : offers) {
            all.add(offer(offer));
        }
        return all;
    }

    /** Offers other fixes in place of the step. */
    private void offer(VBox into, List<Fix> fixes) {
        if (fixes.isEmpty()) {
            return;
        }
        into.getChildren().setAll(Nodes.label("Instead", "caption", "apart"));
        for (int i = 0; i < fixes.size(); i++) {
            Fix fix = fixes.get(i);
            Label what = Nodes.label(fix.sentence(), "plain");
            Label price = Nodes.label(fix.price(), "small", fix.isClean() ? "good-text" : "warn-text");
            into.getChildren()
                    .add(new ClickRow(
                            "fix",
                            "instead-" + i,
                            "Instead: " + fix.sentence() + ", " + fix.price(),
                            () -> store.planner().swap(fix),
                            new VBox(what, price)));
        }
    }

    /** What the step fixes, and what goes wrong or is heard by it. */
    private static void fixed(List<Node> all, WorkPlan plan, int at) {
        WorkPlan.Step step = plan.steps().get(at);
        all.add(Nodes.label("After this step", "caption", "apart"));
        List<JoinedFindings> rows = JoinedFindings.of(plan.states().get(at).rig(), step.fixes());
        for (JoinedFindings row : rows.subList(0, Math.min(MOST, rows.size()))) {
            all.add(line("✓", "good-text", row.title()));
        }
        if (rows.size() > MOST) {
            all.add(Nodes.label("and " + (rows.size() - MOST) + " more", "caption"));
        }
        if (rows.isEmpty()) {
            all.add(Nodes.label("It makes way for later steps.", "soft"));
        }
        for (JoinedFindings row : JoinedFindings.of(plan.states().get(at + 1).rig(), step.causes())) {
            all.add(line("!", "bad-text", row.title() + ", until a later step"));
        }
        if (!step.heard().isEmpty()) {
            all.add(line("·", "warn-text", step.heard()));
        }
    }

    private static void part(List<Node> all, String heading) {
        all.add(Nodes.label(heading, "caption"));
    }

    private static Node line(String sign, String tone, String text) {
        Label mark = Nodes.label(sign, "strong", tone);
        mark.setMinWidth(USE_PREF_SIZE);
        Label words = Nodes.label(text);
        return new HBox(7, mark, words);
    }

    private Node offer(Offer offer) {
        Label name = Nodes.label(offer.name, offer.id.equals("step-done") ? "strong" : "plain");
        Label keys = Nodes.label(offer.keys, "key-cap");
        keys.setMinWidth(USE_PREF_SIZE);
        keys.setVisible(!offer.keys.isEmpty());
        return new ClickRow("fix", offer.id, offer.name, offer.run, name, Nodes.spacer(), keys);
    }

    /** Other ways to repair the whole: what they do instead of what, and what they cost. */
    private void ways(List<Node> all, Planning planning) {
        List<Repair> ways = planning.ways();
        if (ways.size() < 2) {
            return;
        }
        Repair first = ways.getFirst();
        all.add(Nodes.rule());
        part(all, (ways.size() == 2 ? "Another way" : "Other ways") + " to repair " + first.scope());
        for (Repair way : ways.subList(1, ways.size())) {
            String does = way.told(way.beyond(first));
            String not = first.told(first.beyond(way));
            Label instead = Nodes.label("instead of: " + not, "small", "soft");
            instead.setManaged(!not.isEmpty());
            instead.setVisible(!not.isEmpty());
            all.add(new ClickRow(
                    "fix",
                    "way-" + ways.indexOf(way),
                    "Another way: " + does + " Instead of: " + not + " " + way.price(),
                    () -> store.planner().take(way),
                    new VBox(1, Nodes.label(does, "plain"), instead, Nodes.label(way.price(), "small", "warn-text"))));
        }
    }
}
