package org.gullyrun.desktop.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.intake.Column;
import org.gullyrun.core.intake.LeadsTo;
import org.gullyrun.core.intake.Refused;
import org.gullyrun.core.intake.Section;
import org.gullyrun.core.intake.Sheet;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Dangling;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** The sheet: sections down the side, their tables, and one cell that is typed into. All of it goes by keyboard. */
public final class IntakeView extends StackPane {
    private static final double SECTIONS = 142;

    private final Store store;
    private final VBox sections = new VBox(2);
    private final Map<Section, Label> counts = new LinkedHashMap<>();
    private final Map<Section, Button> buttons = new LinkedHashMap<>();
    private final Label title = Nodes.label("", "title");
    private final Label hint = Nodes.label("", "soft");
    private final VBox tables = new VBox();
    private final ScrollPane scroll = new ScrollPane(tables);
    private final Pane above = new Pane();
    private final CellEditor editor = new CellEditor();
    private final List<TableGrid> grids = new ArrayList<>();
    private final ExecutorService walker = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "gullyrun-leads");
        thread.setDaemon(true);
        return thread;
    });
    private Section section = Section.SOUNDS;
    private double drawnScale;
    private double drawnWidth;
    private @Nullable Rig drawnRig;
    private @Nullable Reading ledFor;

    // Where the cursor is: table, line, column; and from which line on several are marked.
    private int atTable;
    private int atLine;
    private int atColumn;
    private int markedFrom = -1;
    private boolean open;
    private boolean moving;

    /** A sheet of what the store holds. */
    public IntakeView(Store store) {
        this.store = store;
        setId("intake");
        getStyleClass().add("sheet");
        VBox head = new VBox(2, title, hint);
        head.setPadding(new Insets(16, 20, 8, 24));
        sections.setPadding(new Insets(8, 0, 0, 12));
        for (Section each : Section.values()) {
            Label count = Nodes.label("", "soft");
            count.setWrapText(false);
            count.setMinWidth(USE_PREF_SIZE); // a cut number would be another one
            Label name = Nodes.label(each.label());
            name.setWrapText(false);
            HBox row = new HBox(name, Nodes.spacer(), count);
            Button button = new Button();
            button.setGraphic(row);
            button.getStyleClass().setAll("section-tab");
            button.setId("section-" + each.name().toLowerCase(java.util.Locale.ROOT));
            button.setMaxWidth(Double.MAX_VALUE);
            button.setFocusTraversable(false);
            button.setOnAction(e -> go(each));
            counts.put(each, count);
            buttons.put(each, button);
            sections.getChildren().add(button);
        }
        scroll.getStyleClass().add("plain-scroll");
        scroll.setFitToWidth(false);
        Nodes.uncached(scroll);
        scroll.setFocusTraversable(false);
        tables.setPadding(new Insets(4, 16, 60, 16));
        HBox.setHgrow(scroll, Priority.ALWAYS);
        HBox middle = new HBox(sections, scroll);
        VBox.setVgrow(middle, Priority.ALWAYS);
        above.setMouseTransparent(false);
        above.setPickOnBounds(false);
        above.getChildren().add(editor.list());
        getChildren().addAll(new VBox(head, middle), above);
        setAlignment(Pos.TOP_LEFT);
        scroll.vvalueProperty().addListener(x -> placeOptions());
        scroll.widthProperty().addListener(x -> update(store.state(), store.state()));
        TextField field = editor.field();
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        field.addEventFilter(KeyEvent.KEY_TYPED, e -> {
            // In a tick an x sets it and goes on: a row of ticks is a row of x and Tab.
            boolean ticks = open
                    && e.getCharacter().equals("x")
                    && !editor.isChanged()
                    && column().isTick()
                    && !grids.get(atTable).line(atLine).row.isEmpty();
            if (ticks) {
                field.setText("x");
                e.consume();
                step(1);
            }
        });
        field.textProperty().addListener((o, was, is) -> {
            if (open && !moving) {
                offer();
            }
        });
        field.focusedProperty().addListener((o, was, is) -> {
            if (!is && open && !moving) {
                leave();
            }
        });
        store.watch(this::update);
    }

    /** Shows a section, with the cursor in the line for its next row. */
    public void go(Section to) {
        if (!leave()) {
            return;
        }
        section = to;
        drawnRig = null;
        update(store.state(), store.state());
        scroll.setVvalue(0);
        start();
    }

    /** Puts the cursor into the line for the next row of the first table. */
    public void start() {
        if (!grids.isEmpty()) {
            place(0, grids.getFirst().size() - 1, 0);
        }
    }

    /** Puts the cursor into the cell of a setting, as far as the sheet has it. */
    public void goTo(String element, String key) {
        for (Section each : Section.values()) {
            for (Table table : Sheet.of(store.state().surveyShown().rig(), each)) {
                boolean has =
                        table.rows(store.state().surveyShown().rig()).stream().anyMatch(e -> e.id().equals(element));
                if (has && leave()) {
                    section = each;
                    drawnRig = null;
                    update(store.state(), store.state());
                    for (int t = 0; t < grids.size(); t++) {
                        if (grids.get(t).table().key().equals(table.key())) {
                            place(t, grids.get(t).placeOf(element), Sheet.column(table, key));
                        }
                    }
                    return;
                }
            }
        }
        store.select(new Selection.OfElement(element));
    }

    private void update(State before, State now) {
        boolean shown = now.step() == Step.INTAKE;
        if (!shown || scroll.getWidth() < 100) {
            return;
        }
        Rig rig = now.surveyShown().rig();
        if (rig != drawnRig || now.textScale() != drawnScale || scroll.getWidth() != drawnWidth) {
            draw(rig, now.textScale());
        }
        lead(now.reading());
        if (before.step() != now.step()) {
            Platform.runLater(this::start);
        }
    }

    private void draw(Rig rig, double u) {
        title.setText(section.question());
        hint.setText(
                "Type a name, Tab across, Enter for the next row. “?” is not yet known, “+name” something new, x a tick"
                        + (section == Section.LINKS ? ", “-” a wire's name from its ends." : "."));
        sections.setMinWidth(SECTIONS * u);
        sections.setPrefWidth(SECTIONS * u);
        counts.forEach((each, label) -> label.setText(Integer.toString(Sheet.count(rig, each))));
        buttons.forEach((each, button) -> Nodes.mark(button, "selected", each == section));
        List<Table> now = Sheet.of(rig, section);
        boolean same = now.size() == grids.size() && u == drawnScale && scroll.getWidth() == drawnWidth;
        for (int t = 0; same && t < now.size(); t++) {
            same = grids.get(t).fits(now.get(t));
        }
        boolean wasOpen = open;
        String typed = editor.field().getText();
        String row =
                wasOpen && atTable < grids.size() && atLine < grids.get(atTable).size()
                        ? grids.get(atTable).line(atLine).row
                        : "";
        String key =
                wasOpen && atTable < grids.size() ? grids.get(atTable).table().key() : "";
        if (!same) {
            moving = true;
            takeOut();
            grids.clear();
            for (int t = 0; t < now.size(); t++) {
                int place = t;
                grids.add(new TableGrid(
                        now.get(t), u, scroll.getWidth() - 48, (line, column) -> place(place, line, column)));
            }
            tables.getChildren().setAll(grids);
            ledFor = null; // other rows: where they lead has to be said anew
            moving = false;
        }
        for (int t = 0; t < now.size(); t++) {
            grids.get(t).show(now.get(t), rig);
        }
        drawnRig = rig;
        drawnScale = u;
        drawnWidth = scroll.getWidth();
        if (!same && wasOpen) {
            for (int t = 0; t < grids.size(); t++) {
                int line = grids.get(t).placeOf(row);
                if (grids.get(t).table().key().equals(key) && line >= 0) {
                    place(
                            t,
                            line,
                            Math.min(atColumn, grids.get(t).table().columns().size() - 1));
                    editor.field().setText(typed);
                    editor.field().end();
                }
            }
        }
    }

    /** Says in each line where it leads, once that has been worked out. */
    private void lead(Reading reading) {
        if (reading == ledFor) {
            return;
        }
        ledFor = reading;
        List<Element> rows = new ArrayList<>();
        for (TableGrid grid : grids) {
            if (grid.leads()) {
                rows.addAll(grid.table().rows(reading.rig()));
            }
        }
        walker.execute(() -> {
            Map<String, String> said = new HashMap<>();
            rows.forEach(row -> said.put(row.id(), String.join(", ", LeadsTo.names(reading, row))));
            Platform.runLater(() -> {
                for (TableGrid grid : grids) {
                    for (int i = 0; grid.leads() && i < grid.size(); i++) {
                        String names = said.get(grid.line(i).row);
                        if (names != null) {
                            grid.line(i).leads.setText(names.isEmpty() ? "–" : names);
                        }
                    }
                }
            });
        });
    }

    // The cursor.

    private void place(int table, int line, int column) {
        if (!leave()
                || table >= grids.size()
                || line < 0
                || line >= grids.get(table).size()) {
            return;
        }
        atTable = table;
        atLine = line;
        atColumn = grids.get(table).line(line).row.isEmpty() ? 0 : column;
        moving = true;
        TableGrid.Line shown = grids.get(table).line(line);
        Label cell = shown.cells.get(atColumn);
        boolean fresh = shown.row.isEmpty();
        TextField field = editor.field();
        double width = grids.get(table).width(atColumn) - 6;
        field.setMinWidth(width);
        field.setMaxWidth(width);
        field.setPrefWidth(width);
        HBox.setMargin(field, new Insets(0, 6, 0, 0));
        int at = shown.getChildren().indexOf(cell);
        shown.getChildren().set(at, field);
        field.setPromptText(fresh ? cell.getText() : "");
        editor.begin(fresh ? "" : cell.getText());
        Nodes.mark(shown, "current", true);
        open = true;
        applyCss(); // a field marks all its text when it first gets its skin: that has to be over before it is typed
        // into
        field.requestFocus();
        field.selectAll();
        moving = false;
        if (!fresh) {
            store.select(new Selection.OfElement(shown.row));
        }
        reveal(shown);
    }

    private void reveal(Node line) {
        Platform.runLater(() -> {
            Bounds inside = tables.sceneToLocal(line.localToScene(line.getBoundsInLocal()));
            double room = scroll.getViewportBounds().getHeight();
            double spare = tables.getHeight() - room;
            double top = scroll.getVvalue() * spare;
            if (spare > 0 && (inside.getMinY() < top + 30 || inside.getMaxY() > top + room - 40)) {
                scroll.setVvalue(Math.clamp((inside.getMinY() - room / 2) / spare, 0, 1));
            }
            TextField field = editor.field();
            double wide = tables.getWidth() - scroll.getViewportBounds().getWidth();
            if (wide > 1 && field.getScene() != null) {
                Bounds cell = tables.sceneToLocal(field.localToScene(field.getBoundsInLocal()));
                double left = scroll.getHvalue() * wide;
                double right = left + scroll.getViewportBounds().getWidth();
                if (cell.getMinX() < left || cell.getMaxX() > right) {
                    double to = cell.getMinX() < left
                            ? atColumn == 0 ? 0 : cell.getMinX() - 40
                            : cell.getMaxX() - scroll.getViewportBounds().getWidth() + 40;
                    scroll.setHvalue(Math.clamp(to / wide, 0, 1));
                }
            }
            placeOptions();
        });
    }

    /** Where the cursor is: the table and line; null where no cell is open. */
    TableGrid.@Nullable Line current() {
        return open ? grids.get(atTable).line(atLine) : null;
    }

    Table currentTable() {
        return grids.get(atTable).table();
    }

    int currentPlace() {
        return atTable;
    }

    /** Whether the cursor is below the line of a row, in its table. */
    boolean isBelow(String row) {
        return grids.get(atTable).placeOf(row) < atLine;
    }

    int currentColumn() {
        return atColumn;
    }

    TextField field() {
        return editor.field();
    }

    /** Takes the field out of its cell. */
    private void takeOut() {
        TextField field = editor.field();
        if (field.getParent() instanceof TableGrid.Line line) {
            int at = line.getChildren().indexOf(field);
            line.getChildren().set(at, line.cells.get(at));
            Nodes.mark(line, "current", false);
        }
        editor.offer(List.of());
        open = false;
    }

    /** Enters what was typed and leaves the cell; false if it cannot stand there: then the cell keeps the cursor. */
    private boolean leave() {
        if (!open) {
            return true;
        }
        if (editor.isChanged() && !enter()) {
            return false;
        }
        moving = true;
        takeOut();
        moving = false;
        return true;
    }

    private boolean enter() {
        TableGrid grid = grids.get(atTable);
        Table table = grid.table();
        Rig rig = store.state().surveyShown().rig();
        String row = grid.line(atLine).row;
        String text = editor.text();
        try {
            if (row.isEmpty()) {
                if (!text.isBlank()) {
                    List<Change> changes = table.add(rig, text);
                    moving = true;
                    takeOut();
                    moving = false;
                    String id = table.added(changes);
                    store.change(
                            changes,
                            "add the " + table.noun() + " "
                                    + Changes.apply(rig, changes).name(id));
                    atLine = Math.max(0, grids.get(atTable).placeOf(id));
                }
                return true;
            }
            List<Change> all = new ArrayList<>();
            Rig at = rig;
            for (int line : marked()) {
                String id = grid.line(line).row;
                if (!id.isEmpty()) {
                    List<Change> changes = column().enter(at, at.get(id), text);
                    at = Changes.apply(at, changes);
                    all.addAll(changes);
                }
            }
            moving = true;
            takeOut();
            moving = false;
            unmark();
            store.change(all);
            return true;
        } catch (Refused e) {
            editor.refuse();
            store.tell(new Message(
                    "“" + editor.field().getText() + "” cannot stand there: " + e.getMessage() + ".", true));
            return false;
        }
    }

    private Column column() {
        return grids.get(atTable).table().columns().get(atColumn);
    }

    private List<Integer> marked() {
        List<Integer> lines = new ArrayList<>();
        int from = markedFrom < 0 ? atLine : Math.min(markedFrom, atLine);
        int to = markedFrom < 0 ? atLine : Math.max(markedFrom, atLine);
        for (int i = from; i <= to; i++) {
            lines.add(i);
        }
        return lines;
    }

    private void unmark() {
        markedFrom = -1;
        for (TableGrid grid : grids) {
            for (int i = 0; i < grid.size(); i++) {
                Nodes.mark(grid.line(i), "marked", false);
            }
        }
    }

    private void offer() {
        TableGrid grid = grids.get(atTable);
        String row = grid.line(atLine).row;
        Rig rig = store.state().surveyShown().rig();
        Element element = rig.find(row);
        String typed = editor.field().getText();
        editor.offer(
                element == null || typed.isEmpty() || typed.startsWith("+") || typed.equals("?") || !editor.isChanged()
                        ? List.of()
                        : column().options(rig, element, typed));
        placeOptions();
    }

    private void placeOptions() {
        TextField field = editor.field();
        if (open && editor.isOpen() && field.getScene() != null) {
            Bounds bounds = sceneToLocal(field.localToScene(field.getBoundsInLocal()));
            VBox list = editor.list();
            list.applyCss();
            double width = Math.max(field.getWidth(), 260 * drawnScale);
            list.resize(width, list.prefHeight(width));
            double y = bounds.getMaxY() + 2;
            list.relocate(
                    Math.min(bounds.getMinX(), getWidth() - width - 8),
                    y + list.getHeight() > getHeight() ? bounds.getMinY() - list.getHeight() - 2 : y);
        }
    }

    // Keys in the cell.

    private void key(KeyEvent e) {
        boolean handled = true;
        switch (e.getCode()) {
            case TAB -> step(e.isShiftDown() ? -1 : 1);
            case ENTER -> {
                if (e.isShortcutDown()) {
                    whole();
                } else {
                    down(true);
                }
            }
            case DOWN, UP -> {
                int by = e.getCode() == KeyCode.DOWN ? 1 : -1;
                if (e.isShiftDown()) {
                    extend(by);
                } else if (editor.isOpen()) {
                    editor.choose(by);
                } else {
                    vertical(by);
                }
            }
            case PAGE_DOWN, PAGE_UP -> {
                int by = e.getCode() == KeyCode.PAGE_DOWN ? 1 : -1;
                go(Section.values()[Math.floorMod(section.ordinal() + by, Section.values().length)]);
            }
            case ESCAPE -> {
                moving = true;
                boolean changed = editor.isChanged();
                String text =
                        grids.get(atTable).line(atLine).cells.get(atColumn).getText();
                editor.begin(grids.get(atTable).line(atLine).row.isEmpty() ? "" : text);
                moving = false;
                unmark();
                if (!changed) {
                    leave();
                    getScene().getRoot().requestFocus();
                }
            }
            case SPACE -> {
                handled = column().isTick()
                        && !grids.get(atTable).line(atLine).row.isEmpty();
                if (handled) {
                    editor.field().setText(editor.field().getText().isEmpty() ? "x" : "");
                    enterAndStay();
                }
            }
            case DELETE -> {
                handled = e.isShortcutDown();
                if (handled) {
                    remove();
                }
            }
            default -> handled = false;
        }
        if (handled) {
            e.consume();
        }
    }

    private void enterAndStay() {
        int column = atColumn;
        if (leave()) {
            place(atTable, atLine, column);
        }
    }

    /** To the next cell of the row, or the one before; past the end to the next line. */
    private void step(int by) {
        boolean fresh = grids.get(atTable).line(atLine).row.isEmpty();
        boolean nothing = fresh && editor.field().getText().isBlank();
        if (!leave()) {
            return;
        }
        int columns = grids.get(atTable).table().columns().size();
        if (nothing && by > 0) {
            // Nothing more here: on to the next table, or the next section.
            if (atTable + 1 < grids.size()) {
                place(atTable + 1, 0, 0);
            } else {
                go(Section.values()[(section.ordinal() + 1) % Section.values().length]);
            }
            return;
        }
        int to = atColumn + by;
        if (to >= columns) {
            place(atTable, Math.min(atLine + 1, grids.get(atTable).size() - 1), 0);
        } else if (to < 0) {
            vertical(-1);
        } else {
            place(atTable, atLine, to);
        }
    }

    /** To the next row; from the last one to the line for a new one. */
    private void down(boolean toName) {
        boolean fresh = grids.get(atTable).line(atLine).row.isEmpty();
        if (leave()) {
            int last = grids.get(atTable).size() - 1;
            place(
                    atTable,
                    fresh ? last : Math.min(atLine + 1, last),
                    toName && fresh ? 0 : toName ? nextColumn() : atColumn);
        }
    }

    /** Down a column while there are rows; to the name where a new row begins. */
    private int nextColumn() {
        int last = grids.get(atTable).size() - 1;
        return atLine + 1 >= last && grids.get(atTable).table().grows() ? 0 : atColumn;
    }

    private void vertical(int by) {
        int column = atColumn;
        if (!leave()) {
            return;
        }
        int line = atLine + by;
        if (line < 0) {
            if (atTable > 0) {
                place(atTable - 1, grids.get(atTable - 1).size() - 1, 0);
            } else {
                place(atTable, 0, column);
            }
        } else if (line >= grids.get(atTable).size()) {
            if (atTable + 1 < grids.size()) {
                place(atTable + 1, 0, 0);
            } else {
                place(atTable, grids.get(atTable).size() - 1, column);
            }
        } else {
            place(atTable, line, column);
        }
    }

    /** Marks one line more: what is entered then goes into all that are marked. */
    private void extend(int by) {
        int from = markedFrom < 0 ? atLine : markedFrom;
        int to = atLine + by;
        if (to >= 0
                && to < grids.get(atTable).size()
                && !grids.get(atTable).line(to).row.isEmpty()
                && leave()) {
            place(atTable, to, atColumn);
            markedFrom = from;
            for (int i = 0; i < grids.get(atTable).size(); i++) {
                Nodes.mark(grids.get(atTable).line(i), "marked", marked().contains(i));
            }
        }
    }

    /** Enters what is in the cell into the same column of every row of the table. */
    private void whole() {
        TableGrid grid = grids.get(atTable);
        if (!grid.line(atLine).row.isEmpty()) {
            int line = atLine;
            int rows = grid.size() - (grid.table().grows() ? 1 : 0);
            markedFrom = line == 0 ? rows - 1 : 0;
            if (line != 0 && line != rows - 1) {
                // A range has its ends where the cursor is not: take it from the first to the last.
                String text = editor.text();
                moving = true;
                takeOut();
                moving = false;
                place(atTable, rows - 1, atColumn);
                editor.field().setText(text);
                markedFrom = 0;
            }
            if (enter()) {
                place(atTable, line, atColumn);
            }
        }
    }

    private void remove() {
        TableGrid grid = grids.get(atTable);
        String row = grid.line(atLine).row;
        if (row.isEmpty() || !grid.table().grows()) {
            return;
        }
        Rig rig = store.state().surveyShown().rig();
        List<Change> changes = grid.table().remove(rig, row);
        String name = rig.name(row);
        int known = Dangling.in(rig).size();
        List<Dangling> left = Dangling.in(Changes.apply(rig, changes));
        moving = true;
        takeOut();
        moving = false;
        store.change(changes, "remove " + name);
        if (left.size() > known) {
            List<String> names = left.stream()
                    .filter(d -> d.to().equals(row) || rig.find(d.to()) != null)
                    .map(d -> rig.name(d.at().element()))
                    .distinct()
                    .toList();
            store.tell(new Message(
                    "Removed " + name + ". Still named by " + String.join(", ", names) + "; Ctrl Z brings it back.",
                    false));
        }
        place(atTable, Math.min(atLine, grids.get(atTable).size() - 1), 0);
    }
}
