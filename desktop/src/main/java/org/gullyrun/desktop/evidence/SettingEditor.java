package org.gullyrun.desktop.evidence;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import org.gullyrun.core.fix.GateMoves;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.intake.Entering;
import org.gullyrun.core.intake.Refused;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Completions;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Unknown;
import org.gullyrun.core.rig.ValueType;
import org.gullyrun.desktop.look.Caret;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** Makes the control by which one setting is changed in place. What it sends is an ordinary, undoable change. */
final class SettingEditor {
    private final Store store;
    private final Rig rig;
    private final Element element;
    private final Setting<?> setting;

    private SettingEditor(Store store, Rig rig, Element element, Setting<?> setting) {
        this.store = store;
        this.rig = rig;
        this.element = element;
        this.setting = setting;
    }

    /** A row with the setting's name and its control; null if there is no such setting. */
    static @Nullable Node row(Store store, Rig rig, Address address, boolean withElement) {
        Element element = rig.find(address.element());
        Setting<?> setting = element == null ? null : Catalogue.find(element.kind(), address.key());
        if (element == null || setting == null) {
            return null;
        }
        SettingEditor editor = new SettingEditor(store, rig, element, setting);
        String name = Sentences.label(rig, element, setting);
        Label label = Nodes.label(withElement ? rig.name(element.id()) + ", " + name : name, "small");
        HBox row = new HBox(8, label, Nodes.spacer(), editor.control());
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    /** A switch that opens or closes a gate by whatever changes that takes; off where nothing can. */
    static ToggleButton gate(Store store, FlowGraph graph, Gate gate) {
        Rig rig = graph.rig();
        ToggleButton pill = new ToggleButton(word(gate));
        pill.setSelected(gate.open());
        pill.getStyleClass().setAll("pill");
        pill.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        GateMoves moves = new GateMoves(rig, graph.scene());
        List<Change> changes = gate.open() ? moves.close(gate) : moves.open(gate);
        pill.setDisable(changes.isEmpty());
        pill.setAccessibleText((gate.why().isEmpty() ? "open" : gate.why()) + ": " + word(gate));
        Tooltips.say(pill, gate.why().isEmpty() ? "open" : gate.why());
        pill.setOnAction(e -> store.change(changes));
        return pill;
    }

    private static String word(Gate gate) {
        return switch (gate.sort()) {
            case OFF -> gate.open() ? "not " + off(gate) : off(gate);
            case USABLE -> gate.open() ? "usable" : "not usable";
            case IN_SCENE -> gate.open() ? "in scene" : "not in scene";
            case ON, TRACK_COUNT, STANDARD_PATH, PLAYS_SOMEWHERE -> gate.open() ? "on" : "off";
        };
    }

    private static String off(Gate gate) {
        return gate.at().key().equals("playsAloud") ? "aloud" : "muted";
    }

    private Node control() {
        return switch (setting.type()) {
            case ValueType.Flag flag -> flag();
            case ValueType.Number number -> number(isRate() ? "kHz" : number.unit());
            case ValueType.Count count -> number("");
            case ValueType.Pick pick -> menu();
            case ValueType.Word<?> word -> menu();
            case ValueType.Ref ref -> menu();
            case ValueType.Text text -> text();
            case ValueType.Texts texts -> text();
        };
    }

    private void named(Node control) {
        control.setId("set-" + element.id() + "-" + setting.key().replace(':', '-'));
        control.setAccessibleText(rig.name(element.id()) + ", " + Sentences.label(rig, element, setting));
    }

    private ToggleButton flag() {
        boolean on = Boolean.TRUE.equals(element.raw(setting));
        boolean unknown = element.isUnknown(setting);
        ToggleButton pill = new ToggleButton(unknown ? "?" : on ? "on" : "off");
        pill.setSelected(on);
        pill.getStyleClass().setAll("pill");
        pill.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        named(pill);
        Tooltips.say(pill, unknown ? "unknown" : Sentences.label(rig, element, setting));
        pill.setOnAction(e -> send(!on));
        return pill;
    }

    private Node number(String unit) {
        TextField field = new TextField(shown());
        field.setUserData(field.getText());
        field.getStyleClass().add("number-field");
        field.setPrefColumnCount(5);
        named(field);
        field.setOnAction(e -> enter(field));
        Caret.whenLeft(field, () -> {
            // Only a person leaves a field that is in the window; one that is taken out of it has been left by nobody.
            if (field.getScene() != null && !field.getText().equals(shown())) {
                enter(field);
            }
        });
        HBox box = new HBox(4, field, Nodes.label(unit, "small", "caption"));
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private Node text() {
        Object raw = element.raw(setting);
        String before = raw == Unknown.UNKNOWN
                ? "?"
                : raw instanceof List<?> list
                        ? String.join(", ", list.stream().map(String::valueOf).toList())
                        : String.valueOf(raw);
        TextField field = new TextField(before);
        field.setUserData(before);
        field.getStyleClass().add("number-field");
        field.setPrefColumnCount(13);
        named(field);
        Runnable enter = () -> {
            if (!field.getText().equals(before)) {
                try {
                    Rig newest = store.state().surveyShown().rig();
                    store.change(Entering.enter(newest, new Address(element.id(), setting.key()), field.getText()));
                } catch (Refused e) {
                    wrong(field, String.valueOf(e.getMessage()));
                }
            }
        };
        field.setOnAction(e -> enter.run());
        Caret.whenLeft(field, () -> {
            if (field.getScene() != null) {
                enter.run();
            }
        });
        return field;
    }

    /** Puts what was being typed into the field that stands in its place now. */
    static void takeOver(TextField was, TextField is) {
        if (was.getUserData() instanceof String shown && !was.getText().equals(shown)) {
            is.setText(was.getText());
        }
    }

    private String shown() {
        Object raw = element.raw(setting);
        return switch (raw) {
            case null -> "";
            case Unknown unknown -> "?";
            case Double d -> plainly(isRate() ? d / 1000 : d);
            default -> raw.toString();
        };
    }

    /** A rate is shown and typed in kHz, as everywhere. */
    private boolean isRate() {
        return setting.type() instanceof ValueType.Number(String unit, double least, double most) && unit.equals("Hz");
    }

    private static String plainly(double value) {
        return value == Math.rint(value)
                ? Long.toString(Math.round(value))
                : Double.toString(Math.round(value * 1e4) / 1e4);
    }

    private void enter(TextField field) {
        String text = field.getText().strip();
        if (text.replace('−', '-').replace(',', '.').equals(shown())) {
            return;
        }
        try {
            if (text.isEmpty() && !setting.isOptional()) {
                throw new Refused("Enter a number, or ? if you don't know.");
            }
            Rig newest = store.state().surveyShown().rig();
            List<Change> changes = Entering.enter(newest, new Address(element.id(), setting.key()), text);
            Nodes.mark(field, "wrong", false);
            store.change(changes);
        } catch (Refused e) {
            wrong(field, String.valueOf(e.getMessage()));
        }
    }

    private static void wrong(TextField field, String why) {
        Nodes.mark(field, "wrong", true);
        Tooltips.say(field, why);
        field.setAccessibleHelp(why);
    }

    private Node menu() {
        MenuButton menu = new MenuButton(Sentences.words(rig, setting, element.raw(setting)));
        menu.getStyleClass().add("plain");
        menu.setMaxWidth(170);
        named(menu);
        menu.setOnShowing(e -> {
            List<Object> values = Completions.of(rig, element, setting);
            menu.getItems().clear();
            for (Object value : values) {
                MenuItem item = new MenuItem(Sentences.words(rig, setting, value));
                item.setOnAction(a -> send(value));
                menu.getItems().add(item);
            }
            MenuItem unknown = new MenuItem("unknown");
            unknown.setOnAction(a -> send(Unknown.UNKNOWN));
            menu.getItems().add(unknown);
        });
        menu.getItems().add(new MenuItem());
        return menu;
    }

    private void send(@Nullable Object raw) {
        // The newest rig counts, not the one drawn: two quick changes must not undo each other.
        Rig newest = store.state().surveyShown().rig();
        if (newest.find(element.id()) != null) {
            Change.Set change = Change.setRaw(newest, element.id(), setting, raw);
            if (change != null) {
                store.change(List.of(change));
            }
        }
    }
}
