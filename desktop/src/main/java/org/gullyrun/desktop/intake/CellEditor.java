package org.gullyrun.desktop.intake;

import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.gullyrun.core.intake.Option;
import org.gullyrun.desktop.look.Nodes;
import org.jspecify.annotations.Nullable;

/** The field in the cell that is being typed into, and beneath it what could be meant, best first. */
final class CellEditor {
    private static final int MOST = 7;
    /** Between two columns, in px. */
    private static final double GAP = 6;

    private final TextField field = new TextField();
    private final VBox list = new VBox();
    private List<Option> options = List.of();
    private int chosen = -1;
    private String before = "";
    private boolean asked;
    private boolean picked;

    CellEditor() {
        field.setId("cell");
        field.getStyleClass().add("cell-field");
        list.getStyleClass().add("option-list");
        list.setManaged(false);
        list.setVisible(false);
        list.setId("options");
    }

    TextField field() {
        return field;
    }

    VBox list() {
        return list;
    }

    /** Begins with what stands in the cell, all of it marked, so that typing replaces it. */
    void begin(String text) {
        before = text;
        field.setText(text);
        field.selectAll();
        Nodes.mark(field, "wrong", false);
        offer(List.of());
    }

    boolean isChanged() {
        return !field.getText().equals(before);
    }

    /** What is to be entered: the option chosen, or what was typed. */
    String text() {
        return chosen >= 0 && chosen < options.size() ? options.get(chosen).text() : field.getText();
    }

    /**
     * Whether what would be entered is something new that nobody has asked for: a name that matches nothing may be a slip,
     * or a number in the wrong cell. It is asked for by a plus, by choosing it, or by pressing the key once more; not by
     * clicking elsewhere, however often.
     *
     * @param byKey whether a key enters it
     */
    boolean isNewUnasked(boolean byKey) {
        return !picked
                && !(asked && byKey)
                && chosen >= 0
                && options.get(chosen).isNew()
                && !field.getText().startsWith(Option.NEW);
    }

    /** Takes the next try as asking for it; the option stays in sight, marked. */
    void ask() {
        asked = true;
        Nodes.mark(list.getChildren().get(chosen), "asked", true);
    }

    /** Whether something new is in question. */
    boolean isAsking() {
        return asked && isOpen();
    }

    /** What the option chosen says it is: "new device". */
    String note() {
        return options.get(chosen).note();
    }

    /** Marks what was typed as not valid. */
    void refuse() {
        Nodes.mark(field, "wrong", true);
    }

    boolean isOpen() {
        return list.isVisible();
    }

    /** Offers options; the first is chosen. */
    void offer(List<Option> some) {
        options = some.subList(0, Math.min(MOST, some.size()));
        chosen = options.isEmpty() ? -1 : 0;
        asked = false;
        picked = false;
        for (int i = list.getChildren().size(); i < options.size(); i++) {
            list.getChildren().add(new Row());
        }
        for (int i = 0; i < list.getChildren().size(); i++) {
            ((Row) list.getChildren().get(i)).show(i < options.size() ? options.get(i) : null);
        }
        list.setVisible(!options.isEmpty());
        mark();
    }

    /** Moves the choice among the completions. */
    void choose(int by) {
        chosen = Math.floorMod(chosen + by, options.size());
        picked = true;
        mark();
    }

    /** An option as a row, kept from letter to letter: only what differs is painted anew. */
    private static final class Row extends HBox {
        private final Label shown = Nodes.label("", "plain");
        private final Label note = Nodes.label("", "small", "soft");

        Row() {
            super(14);
            shown.setWrapText(false);
            note.setWrapText(false);
            getChildren().addAll(shown, Nodes.spacer(), note);
            setAlignment(Pos.CENTER_LEFT);
            getStyleClass().add("option");
        }

        /** Shows an option, or nothing. */
        void show(@Nullable Option option) {
            setVisible(option != null);
            setManaged(option != null);
            if (option != null) {
                shown.setText(option.shown());
                note.setText(option.note());
            }
        }
    }

    /** Marks the completion that Enter takes. */
    private void mark() {
        for (int i = 0; i < list.getChildren().size(); i++) {
            Nodes.mark(list.getChildren().get(i), "chosen", i == chosen);
            Nodes.mark(list.getChildren().get(i), "asked", false);
        }
    }

    /** Lets the field take the place of a cell, as wide as its column. */
    void takePlaceOf(Label cell, TableGrid.Line line, double columnWidth) {
        double width = columnWidth - GAP;
        field.setMinWidth(width);
        field.setMaxWidth(width);
        field.setPrefWidth(width);
        HBox.setMargin(field, new Insets(0, GAP, 0, 0));
        line.getChildren().set(line.getChildren().indexOf(cell), field);
        Nodes.mark(line, "current", true);
    }

    /** Gives the cell its place back. */
    void leavePlace() {
        if (field.getParent() instanceof TableGrid.Line line) {
            int at = line.getChildren().indexOf(field);
            line.getChildren().set(at, line.cells.get(at));
            Nodes.mark(line, "current", false);
        }
    }
}
