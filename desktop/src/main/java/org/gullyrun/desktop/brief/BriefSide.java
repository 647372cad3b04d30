package org.gullyrun.desktop.brief;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Arrival;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.BriefChange;
import org.gullyrun.core.brief.StartingBrief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.ValueType;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.SidePane;
import org.gullyrun.desktop.look.ValueField;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** Beside the grid: the cell that is marked, in words and scene by scene; its level; and briefs to start from. */
public final class BriefSide extends SidePane {
    private final Store store;
    private final BriefView grid;

    /** The side of a grid. */
    public BriefSide(Store store, BriefView grid) {
        super("brief-side");
        this.store = store;
        this.grid = grid;
        store.watch(this::update);
    }

    /** Draws the side of the brief anew when something on it differs. */
    private void update(State before, State now) {
        fit(now.textScale());
        if (now.step() == Step.BRIEF
                && (before.step() != now.step()
                        || box.getChildren().isEmpty()
                        || before.reading() != now.reading()
                        || before.scene() != now.scene()
                        || before.textScale() != now.textScale()
                        || before.what().brief() != now.what().brief()
                        || !before.selection().equals(now.selection()))) {
            show(() -> content(now));
        }
    }

    /** What is said of the marked cells. */
    private List<Node> content(State now) {
        List<Node> all = new ArrayList<>();
        if (now.selection() instanceof Selection.Pair(String s, String o)
                && now.reading().rig().find(s, Kind.SOURCE).isPresent()
                && now.reading().rig().find(o, Kind.OUTLET).isPresent()) {
            cell(now, now.reading().rig().get(s), now.reading().rig().get(o), all);
        } else {
            all.add(Nodes.label("The brief", "water-title"));
            all.add(Nodes.label("What each listener should hear. Select a cell to set it.", "soft"));
        }
        all.add(Nodes.rule());
        all.add(Nodes.label("Start from", "caption"));
        for (StartingBrief each : StartingBrief.values()) {
            all.add(choice(each.title(), each.about(), "start-" + each.ordinal(), () -> start(each)));
        }
        return all;
    }

    /** Adds to the brief what a starting brief says. */
    public void start(StartingBrief each) {
        State now = store.state();
        List<BriefChange> changes =
                each.over(now.surveyShown().rig(), now.what().brief());
        if (changes.isEmpty()) {
            store.tell(new Message("“" + each.title() + "” adds nothing: it is all entered already.", false));
        } else {
            store.brief(changes, "apply “" + each.title() + "” to the brief");
        }
        grid.requestFocus();
    }

    private static Node choice(String title, String about, String id, Runnable action) {
        VBox words = new VBox(Nodes.label(title, "strong"), Nodes.label(about, "small", "soft"));
        HBox.setHgrow(words, Priority.ALWAYS);
        return new ClickRow("fix", id, title + ": " + about, action, words);
    }

    /** What is said of one cell: what it asks for, why, and what really arrives. */
    private void cell(State now, Element source, Element outlet, List<Node> all) {
        int s = now.reading().rig().of(Kind.SOURCE).indexOf(source);
        int o = now.reading().rig().of(Kind.OUTLET).indexOf(outlet);
        int scene = now.scene() >= 0 ? now.scene() : now.reading().worstScene(s, o);
        CellReading cell = now.reading().scenes().get(scene).cell(s, o);
        all.add(Nodes.label(source.name() + " → " + outlet.name(), "water-title"));
        String because = switch (cell.counting().ground()) {
            case PRIVATE -> "because " + source.name() + " is private";
            case LICENSED -> "because " + source.name() + " is licensed";
            case DEDICATED -> "because the track is meant for others";
            case SILENT -> "because " + source.name() + " is silent in this scene";
            case NOTHING_ELSE -> "because " + outlet.name() + " must get nothing else";
            case ENTERED -> "as entered";
            case NOT_SET -> "not entered";
        };
        HBox says = new HBox(8, Nodes.label(cell.wish().word(), "strong"), Nodes.label(because, "soft"));
        says.setAlignment(Pos.BASELINE_LEFT);
        all.add(says);
        Label answer = Nodes.label(
                Arrival.sentence(now.reading(), scene, cell, now.scene() < 0),
                now.reading().isLoud(scene, cell) ? "bad-text" : "soft");
        all.add(answer);
        String[][] words = {{"must", "required: has to arrive, once"}, {"may", "optional"}, {"never", "forbidden"}};
        for (Wish wish : Wish.values()) {
            Label key = Nodes.label(wish == Wish.MUST ? "M" : wish == Wish.MAY ? "A" : "N", "figures", "soft");
            HBox mark = new HBox(BriefCell.mark(wish, true, false, now.textScale()));
            mark.setAlignment(Pos.CENTER);
            mark.setMinWidth(20);
            Label name = Nodes.label(wish.word(), "strong");
            name.setMinWidth(46 * now.textScale());
            ClickRow row = new ClickRow(
                    "fix",
                    "set-" + wish.word(),
                    wish.word() + ": " + words[wish.ordinal()][1],
                    () -> grid.set(wish),
                    mark,
                    name,
                    Nodes.label(words[wish.ordinal()][1], "soft"),
                    Nodes.spacer(),
                    key);
            Nodes.mark(row, "selected", cell.wish() == wish);
            all.add(row);
        }
        scenes(now, source, outlet, s, o, all);
        levels(now, source, outlet, all);
    }

    /** The scenes in which the cell asks for something else. */
    private void scenes(State now, Element source, Element outlet, int s, int o, List<Node> all) {
        if (now.reading().scenes().size() < 2) {
            return;
        }
        all.add(Nodes.rule());
        all.add(Nodes.label("In scenes", "caption"));
        Brief brief = now.what().brief();
        for (int i = 0; i < now.reading().scenes().size(); i++) {
            var reading = now.reading().scenes().get(i);
            Wish own = brief.cells()
                    .get(new Brief.Cell(source.id(), outlet.id(), reading.key().scene()));
            Label name = Nodes.label(reading.name());
            name.setMinWidth(90 * now.textScale());
            boolean loud = now.reading().isLoud(i, reading.cell(s, o));
            Label said = Nodes.label(
                    (own == null ? "as in all scenes" : own.word())
                            + (loud ? ", " + now.reading().word(i, reading.cell(s, o)) : ""),
                    loud ? "bad-text" : "soft");
            int scene = i;
            all.add(new ClickRow("fix", "in-scene-" + i, reading.name(), () -> store.chooseScene(scene), name, said));
        }
    }

    /** The level window and the distance of voice above music. */
    private void levels(State now, Element source, Element outlet, List<Node> all) {
        all.add(Nodes.rule());
        all.add(Nodes.label("Level", "caption"));
        Brief brief = now.what().brief();
        String at = source.name() + " at " + outlet.name();
        Brief.Cell cell = new Brief.Cell(source.id(), outlet.id(), "");
        Brief.Window window = brief.windows().get(cell);
        ValueField least = field(
                "level-least",
                "Lowest level of " + at + ", dBFS",
                window == null ? null : window.least(),
                low -> window(source, outlet, low, entered(cell).most()));
        ValueField most = field(
                "level-most",
                "Highest level of " + at + ", dBFS",
                window == null ? null : window.most(),
                high -> window(source, outlet, entered(cell).least(), high));
        HBox between =
                new HBox(6, Nodes.label("between"), least, Nodes.label("and"), most, Nodes.label("dBFS", "caption"));
        between.setAlignment(Pos.CENTER_LEFT);
        all.add(between);
        ValueField voice = field(
                "voice-over",
                "Voice over music at " + outlet.name() + ", dB",
                brief.voiceOverMusic().get(outlet.id()),
                value -> voiceOver(outlet, value));
        HBox over = new HBox(6, Nodes.label("voice over music by"), voice, Nodes.label("dB", "caption"));
        over.setAlignment(Pos.CENTER_LEFT);
        all.add(over);
    }

    /** The window of a cell as it is now; open at both ends where there is none. */
    private Brief.Window entered(Brief.Cell cell) {
        return store.state().what().brief().windows().getOrDefault(cell, new Brief.Window(null, null));
    }

    /** Takes a window. Both ends have to be numbers, the low one below the high one. */
    private String window(Element source, Element outlet, @Nullable Double low, @Nullable Double high) {
        if (low != null && high != null && low > high) {
            return "The upper end of the window, " + ValueType.Number.plainly(high) + " dBFS, is below its lower end, "
                    + ValueType.Number.plainly(low) + " dBFS.";
        }
        Brief.Cell cell = new Brief.Cell(source.id(), outlet.id(), "");
        Brief old = store.state().what().brief();
        Map<Brief.Cell, Brief.Window> windows = new TreeMap<>(old.windows());
        if (low == null && high == null) {
            windows.remove(cell);
        } else {
            windows.put(cell, new Brief.Window(low, high));
        }
        store.brief(
                BriefChange.between(old, new Brief(old.cells(), windows, old.voiceOverMusic())),
                "set the level window of " + source.name() + " at " + outlet.name());
        return "";
    }

    /** Takes the wanted distance of voice above music. */
    private String voiceOver(Element outlet, @Nullable Double value) {
        Brief old = store.state().what().brief();
        Map<String, Double> over = new TreeMap<>(old.voiceOverMusic());
        if (value == null) {
            over.remove(outlet.id());
        } else {
            over.put(outlet.id(), value);
        }
        store.brief(
                BriefChange.between(old, new Brief(old.cells(), old.windows(), over)),
                "set voice over music at " + outlet.name());
        return "";
    }

    /** A field for a number of dB, which may be empty. */
    private ValueField field(String id, String name, @Nullable Double value, Function<@Nullable Double, String> enter) {
        return new ValueField(id, name, value == null ? "" : ValueType.Number.plainly(value), text -> {
                    String typed = text.replace('−', '-').replace(',', '.');
                    if (!typed.isEmpty() && !typed.matches("[+-]?\\d{1,3}(\\.\\d{1,6})?")) {
                        return "“" + text + "” isn't a number of dB. Enter one, as −18, or leave the field empty.";
                    }
                    return enter.apply(typed.isEmpty() ? null : Double.valueOf(typed));
                })
                .telling(why -> {
                    if (!why.isEmpty()) {
                        store.tell(new Message(why, true));
                    }
                })
                .columns(4);
    }
}
