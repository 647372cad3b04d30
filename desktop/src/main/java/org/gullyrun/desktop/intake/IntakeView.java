package org.gullyrun.desktop.intake;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.intake.LeadsTo;
import org.gullyrun.core.intake.Section;
import org.gullyrun.core.intake.Sheet;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** The sheet: sections down the side, their tables, and one cell that is typed into. All of it goes by keyboard. */
public final class IntakeView extends StackPane {
    private static final double SECTIONS = 142;
    /** No line is lower than this, at 100 % text. */
    private static final double LEAST_LINE = 30;

    private final Store store;
    private final VBox sections = new VBox(2);
    private final Map<Section, Label> counts = new LinkedHashMap<>();
    private final Map<Section, Button> buttons = new LinkedHashMap<>();
    private final Label title = Nodes.label("", "title");
    private final Label hint = Nodes.label("", "soft");
    private final VBox tables = new VBox();
    private final ScrollPane scroll = new ScrollPane(tables);
    private final Pane above = new Pane();
    private final List<TableGrid> grids = new ArrayList<>();
    private Section section = Section.SOUNDS;
    private double drawnScale;
    private double drawnWidth;
    private @Nullable Rig drawnRig;
    private String drawnSurvey = "";
    private @Nullable Reading ledFor;

    /** Whether the step is this one, and the cursor has been put into its cell for it. */
    private boolean here;

    private final SheetCursor cursor;

    /** A sheet of what the store holds. */
    public IntakeView(Store store) {
        this.store = store;
        this.cursor = new SheetCursor(
                store,
                grids,
                scroll,
                tables,
                this,
                by -> go(Section.values()[Math.floorMod(section.ordinal() + by, Section.values().length)]));
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
        ScrollPane column = new ScrollPane(sections); // in a low window with large text not all are in sight
        column.getStyleClass().add("plain-scroll");
        column.setFitToWidth(true);
        column.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        column.setMinWidth(USE_PREF_SIZE);
        column.setFocusTraversable(false);
        Nodes.uncached(column);
        HBox middle = new HBox(column, scroll);
        VBox.setVgrow(middle, Priority.ALWAYS);
        above.setMouseTransparent(false);
        above.setPickOnBounds(false);
        above.getChildren().add(cursor.options());
        getChildren().addAll(new VBox(head, middle), above);
        setAlignment(Pos.TOP_LEFT);
        scroll.widthProperty().addListener(x -> update(store.state(), store.state()));
        store.watch(this::update);
    }

    /** Shows a section, with the cursor in the line for its next row. */
    public void go(Section to) {
        if (!cursor.leave()) {
            return;
        }
        section = to;
        drawnRig = null;
        update(store.state(), store.state());
        scroll.setVvalue(0);
        cursor.start();
    }

    /** Puts the cursor back into the sheet: where it was, or into the line for a new row. */
    public void resume() {
        cursor.resume();
    }

    /** The cell that is typed into. */
    public SheetCursor cursor() {
        return cursor;
    }

    /** Puts the cursor into the cell of a setting, as far as the sheet has it. */
    public void goTo(String element, String key) {
        for (Section each : Section.values()) {
            for (Table table : Sheet.of(store.state().surveyShown().rig(), each)) {
                boolean has =
                        table.rows(store.state().surveyShown().rig()).stream().anyMatch(e -> e.id().equals(element));
                if (has && cursor.leave()) {
                    section = each;
                    drawnRig = null;
                    update(store.state(), store.state());
                    for (int t = 0; t < grids.size(); t++) {
                        if (grids.get(t).table().key().equals(table.key())) {
                            cursor.place(t, grids.get(t).placeOf(element), Sheet.column(table, key));
                        }
                    }
                    return;
                }
            }
        }
        store.select(new Selection.OfElement(element));
    }

    /** Draws the sheet anew for another rig, size of text or width; else moves the cursor only. */
    private void update(State before, State now) {
        here = here && now.step() == Step.INTAKE;
        if (now.step() != Step.INTAKE || scroll.getWidth() < 100) {
            return;
        }
        Rig rig = now.surveyShown().rig();
        if (rig != drawnRig || now.textScale() != drawnScale || scroll.getWidth() != drawnWidth) {
            draw(rig, now.textScale(), now.survey() + " of " + now.file());
        }
        lead(now.reading());
        if (!here) {
            here = true;
            Platform.runLater(cursor::start);
        }
    }

    /** Draws tables anew only where rows or columns differ; of another survey all, as their widths follow the rows. */
    private void draw(Rig rig, double u, String survey) {
        title.setText(section.question());
        hint.setText(
                "Type a name, Tab moves across, Enter down. “?” means unknown, “+name” adds something new, x or Space sets a tick"
                        + (section == Section.LINKS ? ", “-” names a wire after its ends." : "."));
        sections.setMinWidth(SECTIONS * u);
        sections.setPrefWidth(SECTIONS * u);
        counts.forEach((each, label) -> {
            int count = Sheet.count(rig, each);
            label.setText(Integer.toString(count));
            Objects.requireNonNull(buttons.get(each)).setAccessibleText(each.label() + ", " + count);
        });
        buttons.forEach((each, button) -> Nodes.mark(button, "selected", each == section));
        List<Table> now = Sheet.of(rig, section);
        boolean same = now.size() == grids.size()
                && survey.equals(drawnSurvey)
                && u == drawnScale
                && scroll.getWidth() == drawnWidth;
        for (int t = 0; same && t < now.size(); t++) {
            same = grids.get(t).fits(now.get(t));
        }
        drawnRig = rig;
        drawnSurvey = survey;
        drawnScale = u;
        drawnWidth = scroll.getWidth();
        if (same && IntStream.range(0, now.size()).allMatch(t -> grids.get(t).keepsRows(now.get(t), rig))) {
            show(now, rig);
        } else if (same) {
            cursor.through(() -> show(now, rig)); // undo or redo may take away its row, or bring others above it
        } else {
            cursor.through(() -> {
                grids.clear();
                for (int t = 0; t < now.size(); t++) {
                    int place = t;
                    grids.add(new TableGrid(
                            now.get(t),
                            rig,
                            u,
                            scroll.getWidth() - 48,
                            (line, column) -> cursor.place(place, line, column)));
                }
                tables.getChildren().setAll(grids);
                ledFor = null; // other rows: where they lead has to be said anew
                show(now, rig);
            });
        }
    }

    /** Shows the tables of a rig, keeping the grids that stay. */
    private void show(List<Table> now, Rig rig) {
        int inSight = (int) Math.ceil(scroll.getHeight() / (LEAST_LINE * drawnScale));
        for (int t = 0; t < now.size(); t++) {
            TableGrid grid = grids.get(t);
            grid.show(now.get(t), rig);
            for (int i = 0; i < grid.size() && inSight > 0; i++, inSight--) {
                grid.line(i).comeIntoSight(); // with the first picture, not the one after it
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
        store.work("say where rows lead", () -> {
            Map<String, List<String>> said = new HashMap<>();
            rows.forEach(row -> said.put(row.id(), LeadsTo.names(reading, row)));
            return () -> {
                for (TableGrid grid : grids) {
                    for (int i = 0; grid.leads() && i < grid.size(); i++) {
                        List<String> names = said.get(grid.line(i).row);
                        if (names != null) {
                            grid.lead(grid.line(i), names);
                        }
                    }
                }
            };
        });
    }
}
