package org.gullyrun.desktop.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;
import org.gullyrun.desktop.look.Type;

/** One table as it is drawn: a heading, a line for each row, and a line for the next one. Lines are changed in place. */
final class TableGrid extends VBox {
    private static final PseudoClass PROMPT = PseudoClass.getPseudoClass("prompt");

    private static final double LETTER = 7.4;
    private static final double GAP = 14;
    private static final double LEADS = 130;
    /** Below this width a sheet of many columns has no room for where its rows lead. */
    private static final double NARROW = 900;
    /** What is left of where a row leads in a sheet of many columns. */
    private static final double LEAST_LEADS = 44;
    /** How large the letters are that say where a row leads, as the style sheet has it. */
    private static final double LEADS_LETTERS = 11.7;

    /**
     * One line: the labels of its cells, and where the row leads. They are in the window only once the line has come into sight:
     * styles and layout of hundreds of lines take seconds.
     */
    static final class Line extends HBox {
        final String row;
        private final List<Node> parts = new ArrayList<>();
        final List<Label> cells = new ArrayList<>();
        final Label leads = Nodes.label("", "water", "small");
        final TrackCrossings crossings = new TrackCrossings();

        Line(String row) {
            this.row = row;
            getStyleClass().add("sheet-row");
            setAlignment(Pos.CENTER_LEFT);
        }

        /** Brings its cells into the window. */
        void comeIntoSight() {
            if (getChildren().isEmpty()) {
                getChildren().setAll(parts);
            }
        }
    }

    private final double u;
    private final BiConsumer<Integer, Integer> onCell;
    private final boolean narrow;
    private final HBox head = new HBox();
    private final VBox body = new VBox();
    private final Map<String, Line> lines = new HashMap<>();
    private final List<Line> order = new ArrayList<>();
    private Table table;
    private List<Double> widths = List.of();
    private double leadsRoom;

    TableGrid(Table table, double textScale, double width, BiConsumer<Integer, Integer> onCell) {
        this.table = table;
        this.u = textScale;
        this.onCell = onCell;
        getStyleClass().add("sheet-table");
        this.narrow = width < NARROW * textScale;
        widths = widths(table, width);
        if (!table.title().isEmpty()) {
            Label title = Nodes.label(table.title(), "section-title");
            VBox.setMargin(title, new Insets(16 * u, 0, 2, 0));
            getChildren().add(title);
        }
        head.getStyleClass().add("sheet-head");
        head.setViewOrder(-1); // over the lines, where it stays in sight
        for (int c = 0; c < table.columns().size(); c++) {
            head.getChildren().add(sized(Nodes.label(table.columns().get(c).head(), "caption"), c));
        }
        if (crossings() > 0) {
            Label tracks = Nodes.label("tracks", "caption");
            tracks.setMinWidth(crossings());
            tracks.setMaxWidth(crossings());
            head.getChildren().add(tracks);
        }
        if (leads()) {
            head.getChildren().add(Nodes.label("leads to", "caption"));
        }
        getChildren().addAll(head, body);
    }

    Table table() {
        return table;
    }

    /** How many lines there are, the one for the next row included. */
    int size() {
        return order.size();
    }

    Line line(int place) {
        return order.get(place);
    }

    /**
     * Keeps the heading in sight while any line of the table is.
     *
     * @param top where the sight begins, from the top of the table
     */
    void keepHeading(double top) {
        double most = getHeight() - head.getLayoutY() - 2 * head.getHeight();
        head.setTranslateY(Math.clamp(top - head.getLayoutY(), 0, Math.max(0, most)));
        Nodes.mark(head, "lifted", head.getTranslateY() > 0);
    }

    /**
     * Brings the cells of lines into the window that are in sight.
     *
     * @param top where the sight begins, from the top of the table
     * @param bottom where it ends
     */
    void comeIntoSight(double top, double bottom) {
        for (Line line : order) {
            double at = body.getLayoutY() + line.getLayoutY();
            if (line.getHeight() > 0 && at < bottom && at + line.getHeight() > top) { // 0: it isn't laid out yet
                line.comeIntoSight();
            }
        }
    }

    /** Marks some lines, and no others. */
    void mark(List<Integer> places) {
        for (int i = 0; i < order.size(); i++) {
            Nodes.mark(order.get(i), "marked", places.contains(i));
        }
    }

    /** The place of a row, −1 if the table doesn't have it. */
    int placeOf(String row) {
        for (int i = 0; i < order.size(); i++) {
            if (order.get(i).row.equals(row)) {
                return i;
            }
        }
        return -1;
    }

    double width(int column) {
        return widths.get(column);
    }

    /** Whether rows say at their end where they lead. */
    boolean leads() {
        return switch (table.kind()) {
            case MACHINE, SCENE, GROUP, MIXER, PRODUCTION -> false;
            case DEVICE, CABLE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APPLICATION, APP_OUTPUT, STRIP ->
                table.grows();
            case INPUT -> table.grows() && !narrow; // its crossings say it
            case BUS, ENTRY, OUTPUT, SOURCE, OUTLET -> table.grows();
        };
    }

    /** Says in a line where it leads: as many names as there is room for, the others when the pointer rests on them. */
    void lead(Line line, List<String> names) {
        String all = String.join(", ", names);
        String said = Type.fit(names, Type.water(LEADS_LETTERS * u), leadsRoom - 2);
        line.leads.setText(names.isEmpty() ? "–" : said);
        Tooltips.say(line.leads, said.equals(all) ? "" : all);
    }

    /** The width of the crossings of inputs with tracks; 0 in other sheets. */
    private double crossings() {
        return table.kind() == Kind.INPUT && table.grows() ? TrackCrossings.WIDTH * u : 0;
    }

    /** Widths of columns: each gets what its texts need, as far as there is room. */
    private List<Double> widths(Table of, double width) {
        double[] wanted = of.columns().stream()
                .mapToDouble(c -> Math.max(c.letters() * LETTER, c.head().length() * LETTER * 0.88) * u
                        + (of.columns().size() > 8 ? GAP - 5 : GAP))
                .toArray();
        // The first cell of the last line says what can be typed there.
        double prompt = of.grows() ? (prompt(of).length() * LETTER + GAP) * u : 0;
        wanted[0] = Math.max(wanted[0], prompt);
        double all = java.util.Arrays.stream(wanted).sum();
        double crossings = crossings();
        double room = width
                - (narrow && crossings > 0 ? 20 : 34)
                - crossings
                - (leads() ? (wanted.length < 8 ? LEADS : LEAST_LEADS) * u : 0);
        if (all < room && wanted.length > 1) {
            // Names take what is left over, but not all of it: eyes have to find the next column.
            wanted[0] += Math.min(room - all, 60 * u);
        } else if (all > room) {
            // Too wide: columns with long values give way, down to six tenths; beyond that the sheet scrolls.
            double longOnes = 0;
            for (int c = 0; c < wanted.length; c++) {
                longOnes += of.columns().get(c).letters() > 7 ? wanted[c] : 0;
            }
            double give = longOnes == 0 ? 1 : Math.clamp((room - all + longOnes) / longOnes, 0.6, 1);
            for (int c = 0; c < wanted.length; c++) {
                wanted[c] = of.columns().get(c).letters() > 7 ? wanted[c] * give : wanted[c];
            }
            wanted[0] = Math.max(wanted[0], prompt);
        }
        leadsRoom = Math.max(
                0, width - 34 - crossings - java.util.Arrays.stream(wanted).sum());
        List<Double> list = new ArrayList<>();
        for (double w : wanted) {
            list.add(Math.floor(w));
        }
        return list;
    }

    private static String prompt(Table table) {
        return "new " + table.noun() + " …";
    }

    /** A cell as wide as its column. */
    private Label sized(Label label, int column) {
        label.setWrapText(false);
        double width = widths.get(column);
        label.setMinWidth(width);
        label.setMaxWidth(width);
        label.setPrefWidth(width);
        label.setPadding(new Insets(0, 8, 0, 0));
        return label;
    }

    /** Whether it can show another table by changing its lines. */
    boolean fits(Table other) {
        if (!table.key().equals(other.key())
                || table.columns().size() != other.columns().size()) {
            return false;
        }
        for (int c = 0; c < table.columns().size(); c++) {
            if (!table.columns().get(c).head().equals(other.columns().get(c).head())) {
                return false;
            }
        }
        return table.title().equals(other.title());
    }

    /** Whether it would have the same lines in the same places for a rig. */
    boolean keepsRows(Table now, Rig rig) {
        List<String> next =
                new ArrayList<>(now.rows(rig).stream().map(Element::id).toList());
        if (now.grows()) {
            next.add("");
        }
        return next.equals(order.stream().map(line -> line.row).toList());
    }

    /** Shows a rig: only what differs is touched. */
    void show(Table now, Rig rig) {
        table = now;
        List<Line> next = new ArrayList<>();
        for (Element row : table.rows(rig)) {
            Line line = lines.computeIfAbsent(row.id(), this::line);
            for (int c = 0; c < table.columns().size(); c++) {
                put(line.cells.get(c), table.columns().get(c).text(rig, row));
            }
            boolean nameless = line.cells.getFirst().getText().isEmpty();
            if (nameless) {
                put(line.cells.getFirst(), row.id()); // as it is called everywhere else
            }
            Nodes.mark(line.cells.getFirst(), PROMPT.getPseudoClassName(), nameless);
            if (crossings() > 0) {
                line.crossings.show(rig, row, u);
            }
            next.add(line);
        }
        if (table.grows()) {
            Line fresh = lines.computeIfAbsent("", this::line);
            put(fresh.cells.getFirst(), prompt(table));
            Nodes.mark(fresh.cells.getFirst(), PROMPT.getPseudoClassName(), true);
            next.add(fresh);
        }
        if (!next.equals(order)) {
            order.clear();
            order.addAll(next);
            body.getChildren().setAll(next);
            lines.values().retainAll(next);
        }
    }

    /** What was entered in a cell: nothing where it only says what belongs there, or by what id something nameless goes. */
    static String entered(Label cell) {
        return cell.getPseudoClassStates().contains(PROMPT) ? "" : cell.getText();
    }

    /** Sets the text of a cell, and marks an answer that is still missing. */
    private static void put(Label cell, String text) {
        if (!cell.getText().equals(text)) {
            cell.setText(text);
        }
        Nodes.mark(cell, "unknown", text.equals("?"));
    }

    /** The labels of a row. */
    private Line line(String row) {
        Line line = new Line(row);
        for (int c = 0; c < table.columns().size(); c++) {
            Label cell = sized(Nodes.label("", "sheet-cell"), c);
            if (c == 0) {
                cell.getStyleClass().add("strong");
            }
            int column = c;
            cell.setOnMouseClicked(e -> onCell.accept(placeOf(row), column));
            line.cells.add(cell);
            line.parts.add(cell);
        }
        if (crossings() > 0) {
            line.parts.add(line.crossings);
        }
        if (leads()) {
            line.leads.setWrapText(false);
            line.leads.setMaxWidth(leadsRoom);
            line.leads.setMinWidth(0);
            line.parts.add(line.leads);
        }
        if (!order.isEmpty()) {
            line.comeIntoSight(); // what is new among lines that are there is what one looks at
        }
        return line;
    }
}
