package org.gullyrun.desktop.steps;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import org.gullyrun.core.audit.Judgement;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** The way: the steps one under the other, joined by a line that is walked down. */
public final class StepBar extends VBox {
    /** The width of the column at 100 % text. */
    public static final double WIDTH = 84;

    private final Store store;
    private final List<Button> steps = new ArrayList<>();
    private final List<Label> states = new ArrayList<>();

    /** The steps of what the store holds. */
    public StepBar(Store store) {
        this.store = store;
        setId("steps");
        getStyleClass().add("steps");
        setAlignment(Pos.TOP_CENTER);
        setPadding(new Insets(18, 0, 0, 0));
        store.watch(this::update);
    }

    /** Shows how far each step is, and which one is open. */
    private void update(State before, State now) {
        if (steps.isEmpty() || before.textScale() != now.textScale()) {
            build(now.textScale());
        }
        int asked = now.answer().questions().size();
        for (Step step : Step.values()) {
            Button button = steps.get(step.ordinal());
            Nodes.mark(button, "selected", step == now.step());
            int open = now.reading().bad().size();
            Judgement judged = now.judgement();
            boolean clear = open == 0 && !now.alerts().isNotAudited() && judged.isPossible();
            String state = switch (step) {
                case INTAKE -> asked == 0 ? "" : asked + " to ask";
                case BRIEF, TRACE -> "";
                case REPAIR -> steps(now);
                case FINDINGS ->
                    now.alerts().isNotAudited()
                            ? "not audited"
                            : now.reading().rig().elements().isEmpty()
                                    ? ""
                                    : open > 0 ? open + " open" : clear ? "clear" : judged.missing();
            };
            Label label = states.get(step.ordinal());
            if (label.getText().equals(state) && before != now) {
                continue; // styles set again are gone through again
            }
            label.setText(state);
            label.getStyleClass()
                    .setAll(
                            "label",
                            "small",
                            clear && step == Step.FINDINGS
                                    ? "good-text"
                                    : open > 0 && step == Step.FINDINGS ? "bad-text" : "warn-text");
            button.setAccessibleText(step.label() + (state.isEmpty() ? "" : ", " + state));
        }
    }

    /** How many steps the repair still has, once it is planned. */
    private static String steps(State now) {
        WorkPlan plan = now.planning().plan();
        if (plan == null || !now.planning().isOf(now.reading()) || plan.steps().isEmpty()) {
            return "";
        }
        return plan.steps().size() + (plan.steps().size() == 1 ? " change" : " changes");
    }

    /** Builds the seven steps, with the line that is walked down. */
    private void build(double u) {
        getChildren().clear();
        steps.clear();
        states.clear();
        setPrefWidth(WIDTH * u);
        setMinWidth(WIDTH * u);
        for (Step step : Step.values()) {
            if (step.ordinal() > 0) {
                Line line = Nodes.line(0, 0, 0, 30 * u, "step-line", "ahead");
                Pane stretch = new Pane(line); // shorter in a low window, where all steps have to be in sight
                stretch.setMaxWidth(1);
                stretch.setMinHeight(4 * u);
                stretch.setPrefHeight(30 * u);
                line.endYProperty().bind(stretch.heightProperty());
                VBox.setMargin(stretch, new Insets(3, 0, 3, 0));
                getChildren().add(stretch);
            }
            Circle ring = new Circle(7.5 * u);
            ring.getStyleClass().add("step-dot");
            Circle core = new Circle(2.8 * u);
            core.getStyleClass().add("step-core");
            Label name = new Label(step.label());
            Label state = new Label();
            VBox stack = new VBox(2, new StackPane(ring, core), name, state);
            stack.setAlignment(Pos.CENTER);
            Button button = new Button();
            button.setGraphic(stack);
            button.getStyleClass().setAll("step-button");
            button.setId("step-" + step.name().toLowerCase(java.util.Locale.ROOT));
            button.setPrefWidth((WIDTH - 4) * u);
            button.setOnAction(e -> store.go(step));
            steps.add(button);
            states.add(state);
            getChildren().add(button);
        }
    }
}
