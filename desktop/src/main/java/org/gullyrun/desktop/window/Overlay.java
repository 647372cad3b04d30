package org.gullyrun.desktop.window;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.gullyrun.core.inventory.Preview;
import org.gullyrun.desktop.find.Action;
import org.gullyrun.desktop.look.Caret;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Nodes;
import org.jspecify.annotations.Nullable;

/** A dialog over the window: a question, a form or the sheet of keys. Escape closes it. */
final class Overlay extends StackPane {
    private static final int MOST_ROWS = 300;
    /** How far Page Down and an arrow scroll, of what is in sight. */
    private static final double PAGE = 0.85;

    private static final double LINE = 0.15;

    private Runnable closed = () -> {};
    /** What had the focus before something was laid over the window. */
    private @Nullable Node before;

    private @Nullable Caret caret;

    Overlay() {
        getStyleClass().add(Nodes.DIALOG);
        setId("overlay");
        setVisible(false);
    }

    /** Asks; the first answer is the one that Enter gives. Each answer closes the question and then acts. */
    void ask(String question, String detail, Map<String, Runnable> answers) {
        HBox buttons = new HBox(8, Nodes.spacer());
        boolean first = true;
        for (Map.Entry<String, Runnable> answer : new LinkedHashMap<>(answers).entrySet()) {
            Button button = Nodes.asWritten(new Button(answer.getKey()));
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
        buttons.getChildren().get(1).requestFocus();
    }

    /** Shows the sheet of keys. */
    void keys(List<Action> actions) {
        Map<String, VBox> groups = new LinkedHashMap<>();
        for (Action action : actions) {
            if (!action.shown().isEmpty()) {
                VBox group = groups.computeIfAbsent(action.group(), name -> {
                    VBox box = new VBox(5, Nodes.label(name, "section-title"));
                    box.setPrefWidth(312);
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
        done.requestFocus();
    }

    /** Shows a sheet to be read and closed. */
    void sheet(String title, String under, List<? extends Node> content, double width) {
        Map<String, Runnable> answers = new LinkedHashMap<>();
        answers.put("Close", () -> {});
        sheet(title, under, content, width, answers);
    }

    /** Shows a sheet to be read and answered; each answer closes it and then acts. */
    void sheet(String title, String under, List<? extends Node> content, double width, Map<String, Runnable> answers) {
        VBox box = new VBox(7, Nodes.label(title, "title"));
        if (!under.isEmpty()) {
            box.getChildren().add(Nodes.label(under, "soft"));
        }
        box.getChildren().addAll(content);
        HBox buttons = new HBox(8, Nodes.spacer());
        answers.forEach((name, run) -> {
            Button button = Nodes.asWritten(new Button(name));
            button.getStyleClass().setAll("button", "plain");
            button.setId("answer-" + name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
            button.setOnAction(e -> {
                close();
                run.run();
            });
            buttons.getChildren().add(button);
        });
        box.getChildren().add(buttons);
        box.setPadding(new Insets(20, 24, 18, 24));
        show(box, width);
        buttons.getChildren().get(1).requestFocus();
    }

    /** Shows a sheet with a field that has the cursor; what fills it closes it. */
    void take(String title, List<? extends Node> content, double width, Node field) {
        VBox box = new VBox(9, Nodes.label(title, "title"));
        box.getChildren().addAll(content);
        box.setPadding(new Insets(20, 24, 18, 24));
        show(box, width);
        field.requestFocus();
    }

    /** Something to choose: its title, what it is for, and what choosing it does. */
    record Choice(String title, String about, Runnable action) {}

    /** Lets one be chosen by arrow keys and Enter, or a click. */
    void choose(String title, Map<String, Choice> choices) {
        VBox box = new VBox(4, Nodes.label(title, "title"));
        choices.forEach((key, choice) -> {
            VBox words = new VBox(Nodes.label(choice.title, "strong"));
            if (!choice.about.isEmpty()) {
                words.getChildren().add(Nodes.label(choice.about, "soft"));
            }
            HBox.setHgrow(words, Priority.ALWAYS);
            ClickRow row = new ClickRow(
                    "fix",
                    "choice-" + key,
                    choice.title + ": " + choice.about,
                    () -> {
                        close();
                        choice.action.run();
                    },
                    words);
            box.getChildren().add(row);
        });
        box.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            int by = e.getCode() == KeyCode.DOWN ? 1 : e.getCode() == KeyCode.UP ? -1 : 0;
            int at = box.getChildren().indexOf(box.getScene().getFocusOwner());
            if (by != 0 && at > 0) {
                box.getChildren()
                        .get(Math.clamp(at + by, 1, box.getChildren().size() - 1))
                        .requestFocus();
                e.consume();
            }
        });
        box.setPadding(new Insets(20, 24, 18, 24));
        show(box, 560);
        box.getChildren().get(1).requestFocus();
    }

    /** One line of a form. */
    record Entry(String key, String label, String value) {}

    /** Asks for some texts; {@code done} gives an objection, or an empty text if they are taken. */
    void form(String title, List<Entry> entries, Function<Map<String, String>, String> done) {
        VBox box = new VBox(8, Nodes.label(title, "section-title"));
        Map<String, TextField> fields = new LinkedHashMap<>();
        for (Entry entry : entries) {
            TextField field = new TextField(entry.value);
            field.setId("form-" + entry.key);
            field.setAccessibleText(entry.label);
            fields.put(entry.key, field);
            box.getChildren().addAll(Nodes.label(entry.label, "caption"), field);
        }
        var objection = Nodes.label("", "bad-text");
        Button take = new Button("Keep");
        take.getStyleClass().setAll("button", "plain");
        take.setId("form-keep");
        take.setDefaultButton(true);
        take.setOnAction(e -> {
            Map<String, String> entered = new LinkedHashMap<>();
            fields.forEach((key, field) -> entered.put(key, field.getText()));
            String why = done.apply(entered);
            objection.setText(why);
            if (why.isEmpty()) {
                close();
            }
        });
        Button back = new Button("Cancel");
        back.getStyleClass().setAll("button", "plain");
        back.setOnAction(e -> close());
        box.getChildren().addAll(objection, new HBox(8, Nodes.spacer(), back, take));
        box.setPadding(new Insets(18, 20, 16, 20));
        show(box, 440);
        fields.values().iterator().next().requestFocus();
        fields.values().iterator().next().selectAll();
    }

    /** Shows what taking a list in would do, and does it only when asked. */
    void preview(String title, Preview preview, Runnable take) {
        VBox rows = new VBox(3);
        for (Preview.Mistake mistake : preview.mistakes()
                .subList(0, Math.min(MOST_ROWS, preview.mistakes().size()))) {
            rows.getChildren().add(Nodes.label(mistake.told(), "bad-text"));
        }
        for (Preview.Row row :
                preview.rows().subList(0, Math.min(MOST_ROWS, preview.rows().size()))) {
            var fate = Nodes.label(row.fate().word(), "small", row.fate() == Preview.Fate.LEFT ? "soft" : "good-text");
            fate.setMinWidth(80);
            var name = Nodes.label(row.name(), row.fate() == Preview.Fate.LEFT ? "soft" : "strong");
            HBox line = new HBox(10, fate, name, Nodes.label(row.detail(), "soft"));
            line.setAlignment(Pos.BASELINE_LEFT);
            rows.getChildren().add(line);
        }
        if (preview.rows().size() > MOST_ROWS) {
            rows.getChildren().add(Nodes.label("and " + (preview.rows().size() - MOST_ROWS) + " rows more", "caption"));
        }
        ScrollPane scroll = new ScrollPane(rows);
        scroll.getStyleClass().add("plain-scroll");
        scroll.setFitToWidth(true);
        scroll.setPrefViewportHeight(
                Math.min(330, 24 * (preview.rows().size() + preview.mistakes().size()) + 10));
        String counts = preview.count(Preview.Fate.ADDED) + " new, " + preview.count(Preview.Fate.CHANGED)
                + " changed, " + preview.count(Preview.Fate.LEFT) + " unchanged"
                + (preview.mistakes().isEmpty()
                        ? "."
                        : "; " + preview.mistakes().size() + (preview.mistakes().size() == 1 ? " cell" : " cells")
                                + " can't be read.");
        Button yes = new Button("Import");
        yes.setId("import");
        yes.getStyleClass().setAll("button", "plain");
        yes.setDisable(preview.changes().isEmpty());
        yes.setDefaultButton(true);
        yes.setOnAction(e -> {
            close();
            take.run();
        });
        Button no = new Button("Cancel");
        no.setId("cancel");
        no.getStyleClass().setAll("button", "plain");
        no.setOnAction(e -> close());
        VBox box = new VBox(
                10,
                Nodes.label("Import " + title, "section-title"),
                Nodes.label(counts, "soft"),
                scroll,
                new HBox(8, Nodes.spacer(), no, yes));
        box.setPadding(new Insets(18, 20, 16, 20));
        show(box, 640);
        (yes.isDisabled() ? no : yes).requestFocus();
    }

    /** Shows a sheet over the window and takes the focus. */
    private void show(VBox content, double width) {
        if (!isVisible()) {
            before = getScene() == null ? null : getScene().getFocusOwner();
            caret = before instanceof TextInputControl field ? new Caret(field) : null;
            if (caret != null) {
                caret.keep();
            }
        }
        ScrollPane scroll = new ScrollPane(content);
        scroll.getStyleClass().add("plain-scroll");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox panel = new VBox(scroll);
        panel.getStyleClass().add("popup-panel");
        panel.setMaxSize(width, Region.USE_PREF_SIZE);
        getChildren().setAll((Node) panel);
        setVisible(true);
        // Labels that wrap tell their height only for a width: without it the buttons below them would be cut.
        applyCss();
        double tall = content.prefHeight(width - 16) + 6;
        scroll.setPrefViewportHeight(Math.min(tall, Math.max(200, getHeight() - 120)));
        applyCss();
        layout(); // a scroll pane takes its content in only now, and only then can it be given the focus
    }

    /** Does what a key means while something is laid over the window; false if it is for the control that has the focus. */
    boolean took(KeyEvent e) {
        switch (e.getCode()) {
            case ESCAPE -> close();
            case TAB -> pass(e.isShiftDown() ? -1 : 1);
            case PAGE_DOWN -> scroll(PAGE);
            case PAGE_UP -> scroll(-PAGE);
            case DOWN, UP -> {
                if (!(getScene().getFocusOwner() instanceof Button)) {
                    return false;
                }
                scroll(e.getCode() == KeyCode.DOWN ? LINE : -LINE);
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    /** Passes the focus on within what is laid over the window, never to what is below. */
    private void pass(int by) {
        List<Node> all = Nodes.focusable(this);
        int at = all.indexOf(getScene().getFocusOwner());
        if (!all.isEmpty()) {
            Node next = all.get(Math.floorMod(at + (at < 0 && by < 0 ? 0 : by), all.size()));
            next.requestFocus();
            reveal(next);
        }
    }

    /** Scrolls a control into sight. */
    private void reveal(Node node) {
        ScrollPane pane = pane();
        if (pane == null || pane.getContent() == null) {
            return;
        }
        Node content = pane.getContent();
        double room = pane.getViewportBounds().getHeight();
        double spare = content.getBoundsInLocal().getHeight() - room;
        var place = content.sceneToLocal(node.localToScene(node.getBoundsInLocal()));
        double top = pane.getVvalue() * spare;
        if (spare > 0 && (place.getMinY() < top || place.getMaxY() > top + room)) {
            pane.setVvalue(Math.clamp((place.getMinY() - room / 2) / spare, 0, 1));
        }
    }

    /** Scrolls the sheet by so many screens. */
    private void scroll(double by) {
        ScrollPane pane = pane();
        if (pane != null && pane.getContent() != null) {
            double room = pane.getViewportBounds().getHeight();
            double spare = pane.getContent().getBoundsInLocal().getHeight() - room;
            if (spare > 0) {
                pane.setVvalue(Math.clamp(pane.getVvalue() + by * room / spare, 0, 1));
            }
        }
    }

    /** The innermost pane that can be scrolled: the one of a long list in a dialog, or of the dialog. */
    private @Nullable ScrollPane pane() {
        ScrollPane found = null;
        for (Node node : lookupAll(".scroll-pane")) {
            if (node instanceof ScrollPane pane
                    && pane.getContent() != null
                    && pane.getContent().getBoundsInLocal().getHeight()
                            > pane.getViewportBounds().getHeight() + 1) {
                found = pane;
            }
        }
        return found;
    }

    /** Sets what is done when nothing is laid over the window any more, and the focus cannot go back to where it was. */
    void whenClosed(Runnable then) {
        closed = then;
    }

    /** Closes the sheet and gives the focus back to where it was. */
    void close() {
        setVisible(false);
        getChildren().clear();
        Node back = before;
        before = null;
        if (back == null || back.getScene() != getScene() || !back.isVisible() || Nodes.isInDialog(back)) {
            closed.run();
            return;
        }
        back.requestFocus();
        if (caret != null) {
            caret.restore();
            caret = null;
        }
    }
}
