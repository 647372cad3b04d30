package org.gullyrun.desktop.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.stream.DoubleStream;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.text.Font;
import org.gullyrun.core.intake.Column;
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
    /** The part of its usual width that a column keeps however short its texts are, and however little room there is. */
    private static final double LEAST_PART = 0.6;
    /** And how much wider than usual it gets for long texts. */
    private static final double MOST_PART = 1.2;
    /** How little of what its texts need a column gets before the sheet scrolls instead. */
    private static final double MOST_CUT = 0.85;
    /** Below this width a sheet of many columns has no room for where its rows lead. */
    private static final double NARROW = 900;
    /** What is left of where a row leads if the columns before it need the room. */
    private static final double LEAST_LEADS = 44;
    /** How large the letters of cells are, as the style sheet has it. */
    private static final double LETTERS = 13;
    /** How large those of headings are, and of where a row leads. */
    private static final double SMALL_LETTERS = 11.7;
    /** What stays free at the end of a cell. */
    private static final double BEFORE_NEXT = 8;
    /** Widths are rounded to whole pixels, which must not cut a text. */
    private static final double SPARE = 2;
    /** How many texts of a column are measured. */
    private static final int MEASURED = 12;

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

    TableGrid(Table table, Rig rig, double textScale, double width, BiConsumer<Integer, Integer> onCell) {
        this.table = table;
        this.u = textScale;
        this.onCell = onCell;
        getStyleClass().add("sheet-table");
        this.narrow = width < NARROW * textScale;
        widths = widths(table, rig, width);
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
            head.getChildren().add(Nodes.label(table.kind() == Kind.OUTLET ? "hears" : "leads to", "caption"));
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
        String said = Type.fit(names, Type.water(SMALL_LETTERS * u), leadsRoom - 2);
        line.leads.setText(names.isEmpty() ? "–" : said);
        Tooltips.say(line.leads, said.equals(all) ? "" : all);
    }

    /** The width of the crossings of inputs with tracks; 0 in other sheets. */
    private double crossings() {
        return table.kind() == Kind.INPUT && table.grows() ? TrackCrossings.WIDTH * u : 0;
    }

    /**
     * Widths of columns: each gets what its texts need as a rule, as far as there is room. Where there isn't, what the
     * rows don't use goes first, then where rows lead is said in fewer words, and at last long texts are cut.
     */
    private List<Double> widths(Table of, Rig rig, double width) {
        List<Element> rows = of.rows(rig);
        int count = of.columns().size();
        double[] wanted = new double[count];
        double[] needed = new double[count];
        for (int c = 0; c < count; c++) {
            Column column = of.columns().get(c);
            double gap = (count > 8 ? GAP - 5 : GAP) * u;
            double head = Type.width(column.head(), Type.sans(SMALL_LETTERS * u)) + BEFORE_NEXT + SPARE;
            double usual = column.letters() * LETTER * u + gap;
            double most = rows.isEmpty() ? usual : MOST_PART * usual;
            needed[c] = Math.max(Math.clamp(said(column, rig, rows, c == 0), LEAST_PART * usual, most), head);
            wanted[c] = Math.max(usual, needed[c]);
        }
        // The first cell of the last line says what can be typed there.
        double prompt = of.grows() ? (prompt(of).length() * LETTER + GAP) * u : 0;
        wanted[0] = Math.max(wanted[0], prompt);
        needed[0] = Math.max(needed[0], prompt);
        double crossings = crossings();
        double room = width - (narrow && crossings > 0 ? 20 : 34) - crossings;
        double leads = leads() ? Math.clamp(room - DoubleStream.of(needed).sum(), LEAST_LEADS * u, LEADS * u) : 0;
        fit(of, wanted, needed, room - leads);
        wanted[0] = Math.max(wanted[0], prompt);
        leadsRoom = Math.max(0, width - 34 - crossings - DoubleStream.of(wanted).sum());
        return DoubleStream.of(wanted).map(Math::floor).boxed().toList();
    }

    /** How wide the widest text of a column is; without rows, as wide as it likes. */
    private double said(Column column, Rig rig, List<Element> rows, boolean strong) {
        Font font = strong ? Type.strong(LETTERS * u) : Type.sans(LETTERS * u);
        // Those with the most letters will do: measuring hundreds takes longer than the eye waits.
        return rows.stream()
                .map(row -> column.text(rig, row))
                .distinct()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .limit(MEASURED)
                .mapToDouble(text -> Type.width(text, font) + BEFORE_NEXT + SPARE)
                .max()
                .orElse(Double.MAX_VALUE);
    }

    /** Makes columns as wide as there is room for. */
    private void fit(Table of, double[] wanted, double[] needed, double room) {
        double all = DoubleStream.of(wanted).sum();
        double least = DoubleStream.of(needed).sum();
        if (all < room && wanted.length > 1) {
            // Names take what is left over, but not all of it: eyes have to find the next column.
            wanted[0] += Math.min(room - all, 60 * u);
        } else if (least < room) {
            double part = (room - least) / (all - least);
            for (int c = 0; c < wanted.length; c++) {
                wanted[c] = needed[c] + part * (wanted[c] - needed[c]);
            }
        } else {
            // Still too wide: columns with long values give way. Where that isn't enough, the sheet scrolls, uncut.
            boolean[] isLong = new boolean[wanted.length];
            double longOnes = 0;
            for (int c = 0; c < wanted.length; c++) {
                isLong[c] = of.columns().get(c).letters() > 7;
                longOnes += isLong[c] ? needed[c] : 0;
            }
            double give = longOnes == 0 ? 1 : (room - least + longOnes) / longOnes;
            for (int c = 0; c < wanted.length; c++) {
                wanted[c] = needed[c] * (isLong[c] && give > MOST_CUT ? give : 1);
            }
        }
    }

    private static String prompt(Table table) {
        return "new " + table.kind().noun() + " …";
    }

    /** A cell as wide as its column. */
    private Label sized(Label label, int column) {
        label.setWrapText(false);
        double width = widths.get(column);
        label.setMinWidth(width);
        label.setMaxWidth(width);
        label.setPrefWidth(width);
        label.setPadding(new Insets(0, BEFORE_NEXT, 0, 0));
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
