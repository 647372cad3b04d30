package org.gullyrun.desktop.repair;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import javafx.scene.transform.Rotate;
import org.gullyrun.core.repair.Channel;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Planning;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/**
 * The steps from top to bottom, and the listeners as channels that run down past them. A listener that is well all the time
 * has no channel: what matters keeps its room. The step looked at is a band across with a line beneath, where its state begins.
 */
final class StepChart extends Pane {
    private static final double ROW = 42;
    /** Where a sentence takes two lines. */
    private static final double TALL_ROW = 60;
    /** What a row of words keeps beside its sentence: the number, and its margins. */
    private static final double BESIDE_WORDS = 48;
    /** The size of letters of a sentence. */
    private static final double TEXT = 13;

    private static final double SLANT = 92;
    private static final double WIDEST_GAP = 44;
    private static final double NARROWEST_GAP = 25;
    /** What the slanted name of the last channel needs to the right of it. */
    private static final double END = 74;
    /** What the words of a step keep of the width. */
    private static final double LEAST_WORDS = 250;
    /** More than this a step doesn't need: its channels stay near it. */
    private static final double MOST_WORDS = 620;

    private final Store store;
    private final Rectangle band = new Rectangle();
    private final Line edge = new Line();
    private double u = 1;
    private double head;
    private double rowHeight = ROW;
    private int steps;

    StepChart(Store store) {
        this.store = store;
        band.getStyleClass().add("step-band");
        edge.getStyleClass().add("step-edge");
        setId("repair-chart");
    }

    /** The upper edge of a row; row 0 is the rig as it is, row 1 the first step. */
    double top(int row) {
        return head + row * rowHeight;
    }

    /** Draws a plan into a width. */
    void draw(State state, double width) {
        getChildren().clear();
        u = state.textScale();
        Planning planning = state.planning();
        WorkPlan plan = planning.plan();
        steps = plan == null ? 0 : plan.steps().size();
        head = steps == 0 ? 8 * u : SLANT * u;
        rowHeight = ROW * u;
        if (plan == null || steps == 0 || width <= 0) {
            setHeights();
            done(state, width);
            return;
        }
        List<Channel> channels = new ArrayList<>(planning.channels().stream()
                .filter(c -> c.states().stream().anyMatch(s -> s.sort().isTrouble()))
                .toList());
        double right = Math.min(channels.size() * WIDEST_GAP, Math.max(0, width / u - LEAST_WORDS - END)) * u;
        int room = Math.max(1, (int) (right / (NARROWEST_GAP * u)));
        int left = 0;
        if (channels.size() > room) {
            channels.sort(Comparator.comparingLong((Channel c) ->
                    -c.states().stream().filter(s -> s.sort().isTrouble()).count()));
            left = channels.size() - room;
            channels = channels.subList(0, room);
        }
        double gap = channels.isEmpty() ? 0 : Math.min(WIDEST_GAP * u, right / channels.size());
        double first = Math.min(width - END * u - gap * (channels.size() - 1), (MOST_WORDS + 46) * u);
        double words = (channels.isEmpty() ? width : first - 22 * u) - 24 * u;
        rowHeight = (isAnyCut(plan, words - BESIDE_WORDS * u) ? TALL_ROW : ROW) * u;
        setHeights();
        band.setX(8 * u);
        band.setWidth(width - 16 * u);
        band.setHeight(rowHeight);
        edge.setStartX(8 * u);
        edge.setEndX(width - 8 * u);
        getChildren().addAll(band, edge);
        hidden(planning, left, words);
        row(asFound(state), 0, words);
        for (int i = 0; i < steps; i++) {
            row(step(plan, i), i + 1, words);
        }
        for (int c = 0; c < channels.size(); c++) {
            channel(channels.get(c), first + c * gap, width);
        }
    }

    private void setHeights() {
        setPrefHeight(top(steps + 1) + 14 * u);
        setMinHeight(getPrefHeight());
    }

    /** Whether a sentence, bold as when its step is looked at, takes more than one line of a width. */
    private boolean isAnyCut(WorkPlan plan, double width) {
        Font font = Type.strong(TEXT * u);
        return plan.steps().stream().anyMatch(step -> Type.width(step.sentence(), font) > width);
    }

    /** How many listeners have no channel, above the steps. */
    private void hidden(Planning planning, int left, double words) {
        long well = planning.channels().stream()
                .filter(c -> c.states().stream().noneMatch(s -> s.sort().isTrouble()))
                .count();
        List<String> told = new ArrayList<>();
        if (left > 0) {
            told.add(left
                    + (left == 1
                            ? " more listener with less trouble isn't drawn"
                            : " more listeners with less trouble aren't drawn"));
        }
        if (well > 0) {
            told.add(well + (well == 1 ? " listener gets" : " listeners get") + " what they should all the time");
        }
        Label label = Nodes.label(String.join(".\n", told), "caption");
        label.setMaxWidth(words);
        label.setLayoutX(24 * u);
        label.setLayoutY(head - (8 + 16 * told.size()) * u);
        if (!told.isEmpty()) {
            getChildren().add(label);
        }
    }

    /** What has been done already, where nothing is left to do. */
    private void done(State state, double width) {
        if (!state.planning().done().isEmpty() && width > 0) {
            int n = state.planning().done().size();
            Label label = Nodes.label(
                    n + (n == 1 ? " step is" : " steps are") + " done. The survey as found is kept as it was.", "soft");
            label.setLayoutX(24 * u);
            label.setLayoutY(8 * u);
            getChildren().add(label);
        }
    }

    /** Places a row of words. */
    private void row(Node row, int place, double words) {
        row.setLayoutX(14 * u);
        row.setLayoutY(top(place));
        if (row instanceof javafx.scene.layout.Region region) {
            region.setPrefSize(words, rowHeight);
            region.setMinSize(words, rowHeight);
            region.setMaxSize(words, rowHeight);
        }
        getChildren().add(row);
    }

    private Node asFound(State state) {
        int done = state.planning().done().size();
        Label name = Nodes.label(
                done == 0 ? "As it is now" : "As it is now, after " + done + (done == 1 ? " step" : " steps"),
                "strong");
        HBox row = new HBox(9, spacer(), name);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private Node spacer() {
        Pane empty = new Pane();
        empty.setMinWidth(24 * u);
        return empty;
    }

    /** One step: its number, what to do, and what comes of it. */
    private Node step(WorkPlan plan, int place) {
        WorkPlan.Step step = plan.steps().get(place);
        Circle ring = new Circle(10 * u);
        ring.getStyleClass().add("step-ring");
        Label number = Nodes.label(Integer.toString(place + 1), "small");
        StackPane sign = new StackPane(ring, number);
        sign.setMinWidth(24 * u);
        Label what = Nodes.label(step.sentence(), "plain");
        what.setId("step-words-" + place);
        what.setWrapText(rowHeight > ROW * u);
        List<String> dangers = plan.dangers(place);
        String effect =
                dangers.isEmpty() ? plan.briefEffect(place) : "until a later step: " + String.join(", ", dangers);
        Label small = Nodes.label(effect, "small", dangers.isEmpty() ? "soft" : "bad-text");
        small.setWrapText(false);
        VBox words = new VBox(1, what, small);
        words.setAlignment(Pos.CENTER_LEFT);
        words.setMinWidth(0);
        HBox.setHgrow(words, Priority.ALWAYS);
        ClickRow row = new ClickRow(
                "step-row",
                "repair-step-" + place,
                "Step " + (place + 1) + ": " + step.sentence() + ", " + effect,
                () -> store.planner().look(place),
                sign,
                words);
        row.setAlignment(Pos.CENTER_LEFT);
        drags(row, place);
        return row;
    }

    /** Lets a step be dragged to another place. */
    private void drags(Node row, int place) {
        double[] grabbed = new double[1];
        row.setOnMousePressed(e -> grabbed[0] = e.getSceneY());
        row.setOnMouseDragged(e -> row.setTranslateY(e.getSceneY() - grabbed[0]));
        row.setOnMouseReleased(e -> {
            int by = (int) Math.round(row.getTranslateY() / rowHeight);
            row.setTranslateY(0);
            if (by != 0) {
                store.planner().look(place);
                store.planner().move(by);
            }
        });
    }

    /** One listener: its name, then its states from top to bottom. */
    private void channel(Channel channel, double x, double width) {
        Text name = Nodes.text(channel.name(), Type.water(13.5 * u), 0, 0, "water");
        // Slanted by half a right angle: neither above the sheet nor beyond its right edge.
        double room = Math.min(head - 24 * u, width - x - 16 * u) * Math.sqrt(2);
        name.setText(Type.fit(channel.name(), name.getFont(), room));
        name.getTransforms().add(new Rotate(-45));
        name.setLayoutX(x + 2 * u);
        name.setLayoutY(head - 10 * u);
        getChildren().add(name);
        Group drawn = new Group();
        drawn.setId("channel-" + channel.outlet());
        int from = 0;
        for (int row = 1; row <= channel.states().size(); row++) {
            boolean ends = row == channel.states().size()
                    || !channel.states().get(row).equals(channel.states().get(from));
            if (ends) {
                ChannelMarks.draw(drawn, channel, from, x, top(from), top(row), u);
                from = row;
            }
        }
        getChildren().add(drawn);
    }

    /** Moves the line to a step, counted from 0. */
    void look(int step) {
        boolean shown = steps > 0;
        band.setVisible(shown);
        edge.setVisible(shown);
        band.setY(top(step + 1));
        edge.setStartY(top(step + 2));
        edge.setEndY(top(step + 2));
        for (int i = 0; i < steps; i++) {
            if (lookup("#repair-step-" + i) instanceof Node row) {
                Nodes.mark(row, "selected", i == step);
            }
        }
    }
}
