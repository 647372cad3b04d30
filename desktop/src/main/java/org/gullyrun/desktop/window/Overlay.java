package org.gullyrun.desktop.window;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.gullyrun.desktop.find.Action;
import org.gullyrun.desktop.look.Nodes;

/** What is laid over the window: a question, or the sheet of keys. Escape takes it away. */
final class Overlay extends StackPane {
    Overlay() {
        getStyleClass().add("veil");
        setId("overlay");
        setVisible(false);
    }

    /** Asks; the first answer is the one that Enter gives. Each answer closes the question and then acts. */
    void ask(String question, String detail, Map<String, Runnable> answers) {
        HBox buttons = new HBox(8, Nodes.spacer());
        boolean first = true;
        for (Map.Entry<String, Runnable> answer : new LinkedHashMap<>(answers).entrySet()) {
            Button button = new Button(answer.getKey());
            button.getStyleClass().setAll("button", "plain");
            button.setId("answer-"
                    + answer.getKey().toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
            button.setDefaultButton(first);
            button.setOnAction(e -> {
                close();
                answer.getValue().run();
            });
            first = false;
            buttons.getChildren().add(button);
        }
        VBox box = new VBox(10, Nodes.label(question, "section-title"), Nodes.label(detail, "soft"), buttons);
        box.setPadding(new Insets(18, 20, 16, 20));
        show(box, 440);
        applyCss();
        layout(); // a scroll pane takes its content in only now, and only then can it be given the focus
        buttons.getChildren().get(1).requestFocus();
    }

    /** Shows the sheet of keys. */
    void keys(List<Action> actions) {
        Map<String, VBox> groups = new LinkedHashMap<>();
        for (Action action : actions) {
            if (!action.shown().isEmpty()) {
                VBox group = groups.computeIfAbsent(action.group(), name -> {
                    VBox box = new VBox(5, Nodes.label(name, "section-title"));
                    box.setPrefWidth(330);
                    return box;
                });
                var key = Nodes.label(action.shown(), "key-cap");
                key.setWrapText(false);
                key.setMinWidth(Region.USE_PREF_SIZE);
                HBox row = new HBox(10, Nodes.label(action.name()), Nodes.spacer(), key);
                row.setAlignment(Pos.CENTER_LEFT);
                group.getChildren().add(row);
            }
        }
        FlowPane columns = new FlowPane(34, 18);
        columns.setPrefWrapLength(700);
        columns.getChildren().addAll(groups.values());
        Button done = new Button("Close");
        done.getStyleClass().setAll("button", "plain");
        done.setId("close-keys");
        done.setOnAction(e -> close());
        VBox box = new VBox(14, Nodes.label("Keys", "title"), columns, done);
        box.setPadding(new Insets(20, 24, 18, 24));
        show(box, 760);
        applyCss();
        layout();
        done.requestFocus();
    }

    private void show(VBox content, double width) {
        ScrollPane scroll = new ScrollPane(content);
        scroll.getStyleClass().add("plain-scroll");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox panel = new VBox(scroll);
        panel.getStyleClass().add("popup-panel");
        panel.setMaxSize(width, Region.USE_PREF_SIZE);
        getChildren().setAll((Node) panel);
        setVisible(true);
    }

    void close() {
        setVisible(false);
        getChildren().clear();
    }
}
