package org.gullyrun.desktop.brief;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.BriefChange;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.intake.RowOrder;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.desktop.look.Glyph;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** The grid of sources and outlets. Cells are marked with arrows, Shift and clicks, and set with M, A and N. */
public final class BriefView extends VBox {
    private static final double NAMES = 150;
    private static final double ROW = 40;

    private final Store store;
    private final VBox rows = new VBox();
    private final ScrollPane scroll = new ScrollPane(rows);
    private final Label where = Nodes.label("", "soft");
    private final List<List<BriefCell>> cells = new ArrayList<>();
    private final List<HBox> lines = new ArrayList<>();
    private List<Element> sources = List.of();
    private List<Element> outlets = List.of();
    private @Nullable Reading drawn;
    private int drawnScene = -2;
    private double drawnScale;
    private double drawnWidth;
    /** Whether the step is this one, and the keys have been turned to the grid for it. */
    private boolean here;

    private int row;
    private int column;
    /** Whether all rows of the cursor's class are marked rather than a block. */
    private boolean ofClass;

    private int fromRow;
    private int fromColumn;

    /** A grid of what the store holds. */
    public BriefView(Store store) {
        this.store = store;
        setId("brief");
        getStyleClass().add("sheet");
        VBox head = new VBox(2, Nodes.label("Who must hear what", "title"), where);
        head.setPadding(new Insets(16, 20, 0, 24));
        scroll.getStyleClass().add("plain-scroll");
        scroll.setFocusTraversable(false);
        Nodes.uncached(scroll);
        rows.setPadding(new Insets(0, 20, 20, 24));
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head, scroll);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.TABLE_VIEW);
        scroll.widthProperty().addListener(x -> update(store.state(), store.state()));
        store.watch(this::update);
    }

    /** Fills the cells whose verdict or wish differs; builds the grid anew for other sources or listeners. */
    private void update(State before, State now) {
        here = here && now.step() == Step.BRIEF;
        if (now.step() != Step.BRIEF || scroll.getWidth() < 100) {
            return;
        }
        Reading reading = now.reading();
        String scene = now.scene() < 0 ? "" : reading.scenes().get(now.scene()).name();
        where.setText(
                scene.isEmpty()
                        ? "● must   ○ may   × never. M, A or N sets the selected cells, Delete clears them. Shift selects"
                                + " more, R the row, O the column, C the class."
                        : "In " + scene
                                + " only: what you set here holds in this scene. M, A or N sets a cell, Delete makes it the"
                                + " same as in all scenes.");
        if (drawn != reading
                || drawnScene != now.scene()
                || drawnScale != now.textScale()
                || drawnWidth != scroll.getWidth()) {
            draw(now);
        }
        if (!here) {
            here = true;
            javafx.application.Platform.runLater(this::requestFocus);
        }
        if (now.selection() instanceof Selection.Pair(String s, String o) && before.selection() != now.selection()) {
            int r = index(sources, s);
            int c = index(outlets, o);
            if (r >= 0 && c >= 0 && (r != row || c != column)) {
                ofClass = false;
                row = r;
                column = c;
                fromRow = r;
                fromColumn = c;
            }
        }
        mark();
        if (row < sources.size() && column < outlets.size()) {
            setAccessibleText("Brief, " + cells.get(row).get(column).getAccessibleText());
        }
    }

    /** The place of an element in a list, −1 if it isn't there. */
    private static int index(List<Element> all, String id) {
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).id().equals(id)) {
                return i;
            }
        }
        return -1;
    }

    /** Draws marks and answers into the cells that are there. */
    private void draw(State now) {
        Reading reading = now.reading();
        List<Element> newSources = reading.rig().of(Kind.SOURCE);
        List<Element> newOutlets = reading.rig().of(Kind.OUTLET);
        double u = now.textScale();
        if (!newSources.equals(sources)
                || !newOutlets.equals(outlets)
                || u != drawnScale
                || drawnWidth != scroll.getWidth()) {
            sources = List.copyOf(newSources);
            outlets = List.copyOf(newOutlets);
            build(u);
        }
        for (int s = 0; s < sources.size(); s++) {
            for (int o = 0; o < outlets.size(); o++) {
                cells.get(s).get(o).show(reading, s, o, now.scene());
            }
        }
        drawn = reading;
        drawnScene = now.scene();
        drawnScale = u;
        drawnWidth = scroll.getWidth();
    }

    /** Builds the grid anew, which is needed only if rows, columns or the size of text change. */
    private void build(double u) {
        rows.getChildren().clear();
        cells.clear();
        lines.clear();
        row = Math.clamp(row, 0, Math.max(0, sources.size() - 1));
        column = Math.clamp(column, 0, Math.max(0, outlets.size() - 1));
        fromRow = row;
        fromColumn = column;
        if (sources.isEmpty() || outlets.isEmpty()) {
            rows.getChildren()
                    .add(Nodes.label(
                            "The brief says which listener should hear which source. Enter both in Intake first (key 1).",
                            "soft"));
            return;
        }
        ListenerHeads heads = new ListenerHeads(outlets, u);
        double wide =
                Math.clamp((scroll.getWidth() - 44 - heads.beyond() - NAMES * u) / outlets.size(), 44 * u, 74 * u);
        rows.getChildren().add(heads.over(NAMES * u, wide, c -> to(0, c, sources.size() - 1, c)));
        for (int s = 0; s < sources.size(); s++) {
            rows.getChildren().add(line(s, u, wide));
        }
    }

    /** The row of a source. */
    private HBox line(int s, double u, double wide) {
        Element source = sources.get(s);
        HBox line = new HBox();
        line.getStyleClass().add("brief-row");
        line.setAlignment(Pos.CENTER_LEFT);
        HBox sign = new HBox(Glyph.of(source.get(Sources.CLASS), 0.9 * u));
        sign.setMinWidth(20 * u);
        sign.setAlignment(Pos.CENTER);
        Label name = Nodes.label(source.name());
        name.setWrapText(false);
        VBox words = new VBox(name);
        words.setAlignment(Pos.CENTER_LEFT);
        String flags = (source.is(Sources.PRIVATE, false) ? "private" : "")
                + (source.is(Sources.LICENSED, false) ? " licensed" : "");
        if (!flags.isEmpty()) {
            words.getChildren().add(Nodes.label(flags.strip(), "caption"));
        }
        HBox title = new HBox(6, sign, words);
        title.setAlignment(Pos.CENTER_LEFT);
        title.setMinWidth(NAMES * u);
        title.setMaxWidth(NAMES * u);
        title.setMinHeight(ROW * u);
        title.setMaxHeight(ROW * u);
        title.setAccessibleText("Select " + source.name());
        title.setOnMouseClicked(e -> to(s, 0, s, outlets.size() - 1));
        line.getChildren().add(title);
        List<BriefCell> mine = new ArrayList<>();
        for (int o = 0; o < outlets.size(); o++) {
            BriefCell cell = new BriefCell(u);
            cell.setMinSize(wide, (ROW - 8) * u);
            cell.setMaxSize(wide, (ROW - 8) * u);
            cell.setId("wish-" + source.id() + "-" + outlets.get(o).id());
            int c = o;
            cell.setOnMousePressed(e -> {
                requestFocus();
                if (e.isShiftDown()) {
                    to(fromRow, fromColumn, s, c);
                } else {
                    to(s, c, s, c);
                }
            });
            mine.add(cell);
            line.getChildren().add(cell);
        }
        cells.add(mine);
        lines.add(line);
        return line;
    }

    /** Marks a block of cells; the last is the one that the evidence is of. */
    private void to(int aRow, int aColumn, int toRow, int toColumn) {
        ofClass = false;
        fromRow = aRow;
        fromColumn = aColumn;
        row = toRow;
        column = toColumn;
        mark();
        store.select(
                new Selection.Pair(sources.get(row).id(), outlets.get(column).id()));
        reveal();
    }

    /** Scrolls the cursor into sight. */
    private void reveal() {
        double room = scroll.getViewportBounds().getHeight();
        double spare = rows.getHeight() - room;
        var bounds = lines.get(row).getBoundsInParent();
        double top = scroll.getVvalue() * spare;
        if (spare > 0 && (bounds.getMinY() < top || bounds.getMaxY() > top + room)) {
            scroll.setVvalue(Math.clamp((bounds.getMinY() - room / 2) / spare, 0, 1));
        }
        double wide = rows.getWidth() - scroll.getViewportBounds().getWidth();
        var cell = cells.get(row).get(column).getBoundsInParent();
        double left = scroll.getHvalue() * wide;
        if (wide > 1
                && (cell.getMinX() < left
                        || cell.getMaxX() + 40
                                > left + scroll.getViewportBounds().getWidth())) {
            scroll.setHvalue(
                    Math.clamp((cell.getMinX() - scroll.getViewportBounds().getWidth() / 2) / wide, 0, 1));
        }
    }

    /** Shows which cells the next wish is set in. */
    private void mark() {
        for (int s = 0; s < cells.size(); s++) {
            for (int o = 0; o < cells.get(s).size(); o++) {
                Nodes.mark(cells.get(s).get(o), "marked", isMarked(s, o));
                Nodes.mark(cells.get(s).get(o), "current", s == row && o == column);
            }
        }
    }

    /** Whether a cell lies in the marked block, or in the marked columns of one class. */
    private boolean isMarked(int s, int o) {
        if (ofClass) {
            return o >= Math.min(column, fromColumn)
                    && o <= Math.max(column, fromColumn)
                    && Objects.equals(
                            sources.get(s).get(Sources.CLASS), sources.get(row).get(Sources.CLASS));
        }
        return s >= Math.min(row, fromRow)
                && s <= Math.max(row, fromRow)
                && o >= Math.min(column, fromColumn)
                && o <= Math.max(column, fromColumn);
    }

    /** Takes a key; whether it meant something here. */
    public boolean key(KeyEvent e) {
        if (cells.isEmpty() || e.isMetaDown()) {
            return false;
        }
        if (e.isAltDown()) {
            boolean moves = e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN;
            if (moves) {
                moveRow(e.getCode() == KeyCode.DOWN ? 1 : -1);
            }
            return moves;
        }
        boolean shift = e.isShiftDown();
        KeyCode code = e.getCode();
        if (e.isShortcutDown()) {
            if (code == KeyCode.A) {
                to(0, 0, sources.size() - 1, outlets.size() - 1);
                return true;
            }
            return false;
        }
        switch (code) {
            case UP -> move(-1, 0, shift);
            case DOWN -> move(1, 0, shift);
            case LEFT -> move(0, -1, shift);
            case RIGHT -> move(0, 1, shift);
            case HOME -> to(shift ? fromRow : row, shift ? fromColumn : 0, row, 0);
            case END -> to(shift ? fromRow : row, shift ? fromColumn : outlets.size() - 1, row, outlets.size() - 1);
            case M -> set(Wish.MUST);
            case A -> set(Wish.MAY);
            case N -> set(Wish.NEVER);
            case DELETE, BACK_SPACE -> set(null);
            case R -> to(row, 0, row, outlets.size() - 1);
            case O -> to(0, column, sources.size() - 1, column);
            case C -> markClass();
            default -> {
                return false;
            }
        }
        return true;
    }

    /** Moves the cursor, and keeps the other corner of the marked block where it was if more is to be marked. */
    private void move(int down, int right, boolean more) {
        int r = Math.clamp(row + down, 0, sources.size() - 1);
        int c = Math.clamp(column + right, 0, outlets.size() - 1);
        to(more ? fromRow : r, more ? fromColumn : c, r, c);
    }

    /** Selects all rows that have the class of the one with the cursor, wherever they are. */
    private void markClass() {
        ofClass = true;
        mark();
    }

    /** Moves the row of the cursor down or up. */
    private void moveRow(int by) {
        Rig rig = store.state().surveyShown().rig();
        Element source = sources.get(row);
        List<Change> changes = RowOrder.moved(rig, rig.get(source.id()), by);
        if (!changes.isEmpty()) {
            int to = row + by;
            store.change(changes, "move " + source.name() + (by > 0 ? " down" : " up"));
            to(to, column, to, column);
        }
    }

    /** Sets the marked cells, in the scene chosen; null makes them not entered. */
    public void set(@Nullable Wish wish) {
        State now = store.state();
        Brief brief = now.what().brief();
        String scene = now.scene() < 0
                ? ""
                : now.reading().scenes().get(now.scene()).key().scene();
        Brief after = brief;
        for (int s = 0; s < sources.size(); s++) {
            for (int o = 0; o < outlets.size(); o++) {
                if (isMarked(s, o)) {
                    after = after.with(
                            new Brief.Cell(sources.get(s).id(), outlets.get(o).id(), scene), wish);
                }
            }
        }
        List<BriefChange> changes = BriefChange.between(brief, after);
        String what = sources.get(row).name() + " at " + outlets.get(column).name();
        store.brief(
                changes,
                (wish == null ? "clear " : "set ")
                        + (changes.size() == 1 ? what : changes.size() + " cells")
                        + (wish == null ? "" : " to " + wish.word()));
    }
}
