package org.gullyrun.desktop.brief;

import java.util.List;
import java.util.Objects;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
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
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** The grid of sources and outlets. Cells are marked with arrows, Shift and clicks, and set with M, A and N. */
public final class BriefView extends VBox implements BriefGrid.Content {
    private final Store store;
    private final Label where = Nodes.label("", "soft");
    private final Label empty = Nodes.label(
            "The brief says which listener should hear which source. Enter both in Intake first (key 1).", "soft");
    private final BriefGrid grid = new BriefGrid(this);
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
        VBox.setVgrow(grid, Priority.ALWAYS);
        VBox.setMargin(empty, new Insets(8, 20, 0, 24));
        getChildren().addAll(head, empty, grid);
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.TABLE_VIEW);
        grid.widthProperty().addListener(x -> update(store.state(), store.state()));
        store.watch(this::update);
    }

    /** Fills the cells whose verdict or wish differs; builds the grid anew for other sources or listeners. */
    private void update(State before, State now) {
        here = here && now.step() == Step.BRIEF;
        if (now.step() != Step.BRIEF || grid.getWidth() < 100) {
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
                || drawnWidth != grid.getWidth()) {
            draw(now);
        }
        if (!here) {
            here = true;
            Platform.runLater(this::requestFocus);
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
                Platform.runLater(() -> grid.reveal(row, column)); // a grid just built isn't laid out yet
            }
        }
        grid.mark();
        if (row < sources.size() && column < outlets.size()) {
            setAccessibleText("Brief, " + BriefCell.words(reading, row, column, now.scene()));
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
                || drawnWidth != grid.getWidth()) {
            sources = List.copyOf(newSources);
            outlets = List.copyOf(newOutlets);
            build(u);
        } else if (!isEmpty()) {
            grid.refresh();
        }
        drawn = reading;
        drawnScene = now.scene();
        drawnScale = u;
        drawnWidth = grid.getWidth();
    }

    /** Builds the grid anew, which is needed only if rows, columns or the size of text change. */
    private void build(double u) {
        row = Math.clamp(row, 0, Math.max(0, sources.size() - 1));
        column = Math.clamp(column, 0, Math.max(0, outlets.size() - 1));
        fromRow = row;
        fromColumn = column;
        empty.setVisible(isEmpty());
        empty.setManaged(isEmpty());
        grid.setVisible(!isEmpty());
        if (!isEmpty()) {
            grid.build(sources, outlets, u);
        }
    }

    /** Whether there is no cell. */
    private boolean isEmpty() {
        return sources.isEmpty() || outlets.isEmpty();
    }

    @Override
    public void fill(BriefCell cell, int r, int c) {
        State now = store.state();
        cell.show(now.reading(), r, c, now.scene());
    }

    @Override
    public void press(MouseEvent e, int r, int c) {
        requestFocus();
        if (e.isShiftDown()) {
            to(fromRow, fromColumn, r, c);
        } else {
            to(r, c, r, c);
        }
    }

    @Override
    public void chooseRow(int r) {
        to(r, 0, r, outlets.size() - 1);
    }

    @Override
    public void chooseColumn(int c) {
        to(0, c, sources.size() - 1, c);
    }

    /** Marks a block of cells; the last is the one that the evidence is of. */
    private void to(int aRow, int aColumn, int toRow, int toColumn) {
        ofClass = false;
        fromRow = aRow;
        fromColumn = aColumn;
        row = toRow;
        column = toColumn;
        grid.mark();
        store.select(
                new Selection.Pair(sources.get(row).id(), outlets.get(column).id()));
        grid.reveal(row, column);
    }

    @Override
    public boolean isCurrent(int s, int o) {
        return s == row && o == column;
    }

    /** Whether a cell lies in the marked block, or in the marked columns of one class. */
    @Override
    public boolean isMarked(int s, int o) {
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
        if (isEmpty() || e.isMetaDown()) {
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
        grid.mark();
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
