package org.gullyrun.desktop.repair;

import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.repair.WorkOrder;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Planning;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/**
 * The step Repair: how much there is to do and what is known of it, the steps from top to bottom, and beside them what each
 * listener goes through.
 */
public final class RepairView extends BorderPane {
    private final Store store;
    /** How opaque the old steps are while new ones are being worked out. */
    private static final double PALE = 0.45;

    private final VBox head = new VBox(3);
    private final ScrollPane scroll = new ScrollPane();
    private final StepChart chart;

    /** The repair of what the store holds. */
    public RepairView(Store store) {
        this.store = store;
        this.chart = new StepChart(store);
        setId("repair");
        getStyleClass().add("sheet");
        head.setPadding(new Insets(18, 22, 4, 24));
        scroll.getStyleClass().add("plain-scroll");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFocusTraversable(false);
        scroll.setContent(chart);
        Nodes.uncached(scroll);
        setTop(head);
        setCenter(scroll);
        store.watch(this::update);
        scroll.viewportBoundsProperty().addListener((x, was, is) -> {
            if (was.getWidth() != is.getWidth()) {
                draw(store.state());
            }
        });
    }

    /** Draws the plan anew where it, the size of text or what is known of it differs; else moves the line only. */
    private void update(State before, State now) {
        if (now.step() != Step.REPAIR) {
            return; // it is not seen: nothing is drawn until it is
        }
        Planning was = before.planning();
        Planning is = now.planning();
        boolean same = before.step() == now.step()
                && was.plan() == is.plan()
                && was.ways() == is.ways()
                && was.channels() == is.channels()
                && was.isWorking() == is.isWorking()
                && was.onAir() == is.onAir()
                && was.conditions().equals(is.conditions())
                && was.done().equals(is.done())
                && before.alerts().equals(now.alerts())
                && before.textScale() == now.textScale();
        if (!same || head.getChildren().isEmpty()) {
            head.getChildren().setAll(head(now));
            draw(now);
        }
        chart.look(is.step());
        reveal(is.step());
    }

    private void draw(State now) {
        if (now.step() == Step.REPAIR) {
            chart.draw(now, scroll.getViewportBounds().getWidth());
            chart.look(now.planning().step());
            chart.setOpacity(now.planning().keepsConditions() ? 1 : PALE);
        }
    }

    /** Scrolls so far that the step looked at is seen. */
    private void reveal(int step) {
        double room = scroll.getViewportBounds().getHeight();
        double spare = chart.getPrefHeight() - room;
        if (spare > 0 && room > 0) {
            double top = step == 0 ? 0 : chart.top(step + 1);
            double bottom = chart.top(step + 2);
            double at = scroll.getVvalue() * spare;
            if (top < at || bottom > at + room) {
                scroll.setVvalue(Math.clamp((top < at ? top : bottom - room) / spare, 0, 1));
            }
        }
    }

    /** What there is to do, in two lines, and whether the show is on air. */
    private List<Node> head(State state) {
        Planning planning = state.planning();
        WorkPlan plan = planning.plan();
        String title;
        String beneath;
        if (state.alerts().isNotAudited()) {
            title = "Not audited";
            beneath = state.alerts().failure();
        } else if (plan == null) {
            title = planning.isWorking() ? "Looking for the fewest changes …" : "No repair was found";
            beneath = planning.isWorking() ? "" : "Look at the findings one by one.";
        } else if (!planning.keepsConditions()) {
            title = planning.isWorking() ? "Planning anew …" : "No repair was found that way";
            beneath = planning.isWorking()
                    ? "Below are the old steps."
                    : "Below are the old steps. Shift X allows everything again.";
        } else if (plan.steps().isEmpty()) {
            boolean well = plan.repair().left().isEmpty();
            title = well
                    ? planning.done().isEmpty() ? "Nothing to repair" : "Repaired"
                    : "No change repairs what is left";
            beneath = well
                    ? state.judgement().isPossible()
                            ? "Nothing critical or major is left."
                            : "Nothing serious was found, " + state.judgement().missing() + "."
                    : plan.repair().left().size() + " serious findings are left. They are listed under Findings.";
        } else {
            title = title(plan.repair());
            beneath = new WorkOrder("", plan).claims();
        }
        var heading = Nodes.label(title, "title");
        heading.setId("repair-title");
        HBox.setHgrow(heading, Priority.ALWAYS);
        heading.setMaxWidth(Double.MAX_VALUE);
        HBox row = new HBox(12, heading, air(planning));
        row.setAlignment(Pos.CENTER_LEFT);
        var line = Nodes.label(
                beneath
                        + (planning.isWorking() && plan != null && planning.keepsConditions()
                                ? " Working on it …"
                                : ""),
                "soft");
        line.setId("repair-claims");
        List<Node> all = new java.util.ArrayList<>(List.of(row, line));
        if (!planning.conditions().without().isEmpty()) {
            int out = planning.conditions().without().size();
            all.add(Nodes.label(
                    out + (out == 1 ? " setting is" : " settings are")
                            + " ruled out (Shift X allows everything again).",
                    "small",
                    "warn-text"));
        }
        return all;
    }

    private static String title(Repair repair) {
        int changes = repair.changes().size();
        int fixed = repair.resolved().size();
        return changes
                + (changes == 1 ? " change fixes " : " changes fix ")
                + fixed
                + (fixed == 1 ? " finding" : " findings");
    }

    /** On air, or off air. */
    private Node air(Planning planning) {
        ToggleButton on = half("On air", "on-air", planning.onAir(), true);
        ToggleButton off = half("Off air", "off-air", !planning.onAir(), false);
        HBox both = new HBox(on, off);
        both.setMinWidth(USE_PREF_SIZE);
        return both;
    }

    private ToggleButton half(String text, String id, boolean selected, boolean onAir) {
        ToggleButton half = new ToggleButton(text);
        half.setId(id);
        half.getStyleClass().setAll("pill");
        half.setSelected(selected);
        half.setMinWidth(USE_PREF_SIZE);
        half.setAccessibleText(text + (selected ? ", chosen" : ""));
        half.setOnAction(e -> {
            half.setSelected(true);
            store.planner().onAir(onAir);
        });
        return half;
    }
}
