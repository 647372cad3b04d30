package org.gullyrun.desktop.brief;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Rectangle;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.desktop.look.Glyph;
import org.gullyrun.desktop.look.Nodes;

/**
 * The cells of the brief, a row for each source and a column for each listener. The names of both stay in sight when the cells
 * scroll, and only the cells in sight are in the window: a large rig has ten thousand of them.
 */
final class BriefGrid extends Region {
    private static final double NAMES = 150;
    private static final double ROW = 40;
    private static final double LEFT = 24;

    /** What the grid is of: fills its cells, knows which are marked, and hears what is clicked. */
    interface Content {
        /** Fills a cell, which may have shown another source and listener before. */
        void fill(BriefCell cell, int row, int column);

        /** Whether a cell is among those that the next wish is set in. */
        boolean isMarked(int row, int column);

        /** Whether a cell has the cursor. */
        boolean isCurrent(int row, int column);

        /** A cell was pressed. */
        void press(MouseEvent e, int row, int column);

        /** The name of a source was clicked. */
        void chooseRow(int row);

        /** The name of a listener was clicked. */
        void chooseColumn(int column);
    }

    /** Where a cell is. */
    private record Place(int row, int column) {}

    /** The line under a row, among the cells, and the name beside it. */
    private record Row(Region line, HBox name) {}

    private final Content content;
    private final Pane sheet = new Pane();
    private final Group lines = new Group();
    private final Group cells = new Group();
    private final ScrollPane scroll = new ScrollPane(sheet);
    private final Pane heads = new Pane();
    private final Pane names = new Pane();
    private final Map<Place, BriefCell> shown = new HashMap<>();
    private final Deque<BriefCell> spare = new ArrayDeque<>();
    private final Map<Integer, Row> rows = new HashMap<>();
    private List<Element> sources = List.of();
    private List<Element> outlets = List.of();
    private double u = 1;
    private double wide;
    private double high;

    BriefGrid(Content content) {
        this.content = content;
        scroll.getStyleClass().add("plain-scroll");
        scroll.setFocusTraversable(false);
        Nodes.uncached(scroll);
        lines.setManaged(false);
        cells.setManaged(false);
        sheet.getChildren().addAll(lines, cells);
        for (Pane pinned : List.of(heads, names)) {
            Rectangle clip = new Rectangle();
            clip.widthProperty().bind(pinned.widthProperty());
            clip.heightProperty().bind(pinned.heightProperty());
            pinned.setClip(clip);
            pinned.addEventHandler(ScrollEvent.SCROLL, e -> scroll.fireEvent(e.copyFor(scroll, sheet)));
        }
        getChildren().addAll(scroll, heads, names);
        scroll.hvalueProperty().addListener(x -> follow());
        scroll.vvalueProperty().addListener(x -> follow());
        scroll.viewportBoundsProperty().addListener(x -> follow());
    }

    /** Builds the grid anew, for other rows and columns, another width, or another size of text. */
    void build(List<Element> ofSources, List<Element> ofOutlets, double textScale) {
        sources = ofSources;
        outlets = ofOutlets;
        u = textScale;
        shown.clear();
        spare.clear();
        rows.clear();
        lines.getChildren().clear();
        cells.getChildren().clear();
        names.getChildren().clear();
        ListenerHeads told = new ListenerHeads(outlets, u);
        wide = Math.clamp((getWidth() - 44 - told.beyond() - NAMES * u) / outlets.size(), 44 * u, 74 * u);
        Pane over = told.over(0, wide, content::chooseColumn);
        high = over.getMinHeight();
        heads.getChildren().setAll(over);
        sheet.setPrefSize(outlets.size() * wide + told.beyond(), sources.size() * ROW * u + 20);
        sheet.setMinSize(sheet.getPrefWidth(), sheet.getPrefHeight());
        requestLayout();
        follow();
    }

    /** Fills the cells in sight once more. */
    void refresh() {
        shown.forEach((place, cell) -> content.fill(cell, place.row, place.column));
    }

    /** Moves the names along with the cells, and lays the cells in that have come into sight. */
    private void follow() {
        heads.getChildren().forEach(over -> over.setTranslateX(-left()));
        double width = scroll.getViewportBounds().getWidth();
        double height = scroll.getViewportBounds().getHeight();
        if (sources.isEmpty() || outlets.isEmpty() || width < 1 || height < 1) {
            return;
        }
        double row = ROW * u;
        int top = Math.clamp((long) (top() / row), 0, sources.size() - 1);
        int bottom = Math.clamp((long) ((top() + height) / row), top, sources.size() - 1);
        int left = Math.clamp((long) (left() / wide), 0, outlets.size() - 1);
        int right = Math.clamp((long) ((left() + width) / wide), left, outlets.size() - 1);
        takeOut(top, bottom, left, right);
        for (int r = top; r <= bottom; r++) {
            int at = r;
            rows.computeIfAbsent(r, x -> row(at)).name.setLayoutY(r * row - top());
            for (int c = left; c <= right; c++) {
                Place place = new Place(r, c);
                if (!shown.containsKey(place)) {
                    shown.put(place, layIn(place));
                }
            }
        }
    }

    /** Takes out what is no longer in sight. */
    private void takeOut(int top, int bottom, int left, int right) {
        shown.entrySet().removeIf(entry -> {
            Place place = entry.getKey();
            boolean out = place.row < top || place.row > bottom || place.column < left || place.column > right;
            if (out) {
                entry.getValue().setVisible(false);
                entry.getValue().setId(null);
                spare.add(entry.getValue());
            }
            return out;
        });
        rows.entrySet().removeIf(entry -> {
            boolean out = entry.getKey() < top || entry.getKey() > bottom;
            if (out) {
                lines.getChildren().remove(entry.getValue().line);
                names.getChildren().remove(entry.getValue().name);
            }
            return out;
        });
    }

    /** A cell at its place. */
    private BriefCell layIn(Place place) {
        BriefCell cell = spare.poll();
        if (cell == null) {
            cell = new BriefCell(u);
            cell.setManaged(false);
            cells.getChildren().add(cell);
        }
        cell.setVisible(true);
        cell.setId("wish-" + sources.get(place.row).id() + "-"
                + outlets.get(place.column).id());
        cell.setOnMousePressed(e -> content.press(e, place.row, place.column));
        cell.resizeRelocate(place.column * wide, (place.row * ROW + 4) * u, wide, (ROW - 8) * u);
        content.fill(cell, place.row, place.column);
        mark(place, cell);
        return cell;
    }

    /** Lays a row in, without its cells. */
    private Row row(int row) {
        Region line = new Region();
        line.getStyleClass().add("brief-row");
        line.setManaged(false);
        line.resizeRelocate(0, row * ROW * u, outlets.size() * wide, ROW * u);
        lines.getChildren().add(line);
        Element source = sources.get(row);
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
        title.getStyleClass().add("brief-row");
        title.setAlignment(Pos.CENTER_LEFT);
        title.setPadding(new Insets(0, 4, 0, 0));
        title.setAccessibleText("Select " + source.name());
        title.setOnMouseClicked(e -> content.chooseRow(row));
        title.setManaged(false);
        title.resize(NAMES * u, ROW * u);
        names.getChildren().add(title);
        return new Row(line, title);
    }

    /** How far the cells are scrolled to the right. */
    private double left() {
        return scroll.getHvalue()
                * spare(sheet.getPrefWidth(), scroll.getViewportBounds().getWidth());
    }

    /** How far they are scrolled down. */
    private double top() {
        return scroll.getVvalue()
                * spare(sheet.getPrefHeight(), scroll.getViewportBounds().getHeight());
    }

    /** How much of the cells is out of sight. */
    private static double spare(double all, double room) {
        return Math.max(0, all - room);
    }

    /** Scrolls a cell into sight. */
    void reveal(int row, int column) {
        double height = scroll.getViewportBounds().getHeight();
        double y = row * ROW * u;
        if (y < top() || y + ROW * u > top() + height) {
            scroll.setVvalue(Math.clamp((y - height / 2) / Math.max(1, spare(sheet.getPrefHeight(), height)), 0, 1));
        }
        double width = scroll.getViewportBounds().getWidth();
        double x = column * wide;
        if (x < left() || x + wide > left() + width) {
            scroll.setHvalue(Math.clamp((x - width / 2) / Math.max(1, spare(sheet.getPrefWidth(), width)), 0, 1));
        }
    }

    /** Marks the cells in sight anew. */
    void mark() {
        shown.forEach(this::mark);
    }

    private void mark(Place place, BriefCell cell) {
        Nodes.mark(cell, "marked", content.isMarked(place.row, place.column));
        Nodes.mark(cell, "current", content.isCurrent(place.row, place.column));
    }

    @Override
    protected void layoutChildren() {
        double left = LEFT + NAMES * u;
        names.resizeRelocate(LEFT, high, NAMES * u, Math.max(0, getHeight() - high));
        heads.resizeRelocate(left, 0, Math.max(0, getWidth() - left), high);
        scroll.resizeRelocate(left, high, Math.max(0, getWidth() - left), Math.max(0, getHeight() - high));
    }
}
