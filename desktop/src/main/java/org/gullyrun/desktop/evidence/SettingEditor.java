package org.gullyrun.desktop.evidence;

import java.util.List;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
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
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;
import org.gullyrun.desktop.look.ValueField;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Store;
import org.jspecify.annotations.Nullable;

/** Makes the control by which one setting is changed in place. What it sends is an ordinary, undoable change. */
final class SettingEditor {
    /** A menu is at most so wide, in pixels. */
    private static final double WIDEST = 170;

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

    /** What the button does to the gate. */
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

    /** The control that fits the setting's type. */
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

    /** Gives a control an id for tests and a name for screen readers. */
    private void named(Node control) {
        control.setId("set-" + element.id() + "-" + setting.key().replace(':', '-'));
        control.setAccessibleText(rig.name(element.id()) + ", " + Sentences.label(rig, element, setting));
    }

    /** A switch, with “?” where the answer is still to be asked. */
    private ToggleButton flag() {
        boolean on = Boolean.TRUE.equals(element.raw(setting));
        boolean unknown = element.isUnknown(setting);
        ToggleButton pill = new ToggleButton(unknown ? isAsked() ? "?" : "–" : on ? "on" : "off");
        pill.setSelected(on);
        pill.getStyleClass().setAll("pill");
        pill.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        named(pill);
        Tooltips.say(pill, unknown ? "unknown" : Sentences.label(rig, element, setting));
        pill.setOnAction(e -> send(!on));
        return pill;
    }

    /** A field for a number with its unit. */
    private Node number(String unit) {
        ValueField field = field(shown(), text -> {
                    if (text.replace('-', '−').replace(',', '.').equals(shown())) {
                        return "";
                    }
                    return text.isEmpty() && !setting.isOptional()
                            ? "Enter a number, or ? if you don't know."
                            : enter(text);
                })
                .columns(5);
        HBox box = new HBox(4, field, Nodes.label(unit, "small", "caption"));
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    /** A field for numbers and names; Enter applies. */
    private Node text() {
        Object raw = element.raw(setting);
        String before = raw == Unknown.UNKNOWN
                ? "?"
                : raw instanceof List<?> list
                        ? ValueType.Texts.joined(
                                list.stream().map(String::valueOf).toList())
                        : String.valueOf(raw);
        return field(before, this::enter).columns(13);
    }

    /** A field that keeps what can't be valid and says why. */
    private ValueField field(String before, Function<String, String> enter) {
        ValueField field = new ValueField("", "", before, enter).telling(why -> {
            if (!why.isEmpty()) {
                store.tell(new Message(why, true));
            }
        });
        named(field);
        return field;
    }

    /** Enters a text; gives an empty text, or why it can't be taken. */
    private String enter(String text) {
        try {
            Rig newest = store.state().surveyShown().rig();
            store.change(Entering.enter(newest, new Address(element.id(), setting.key()), text));
            return "";
        } catch (Refused e) {
            return String.valueOf(e.getMessage());
        }
    }

    /** Whether there is a question for the setting: only then is it shown as unknown. */
    private boolean isAsked() {
        Address at = new Address(element.id(), setting.key());
        return store.state().answer().questions().stream().anyMatch(q -> q.at().equals(at));
    }

    /** The value as it is shown. */
    private String shown() {
        Object raw = element.raw(setting);
        return switch (raw) {
            case null -> "";
            case Unknown unknown -> isAsked() ? "?" : "";
            case Double d -> ValueType.Number.plainly(isRate() ? d / 1000 : d);
            default -> raw.toString();
        };
    }

    /** A rate is shown and typed in kHz, as everywhere. */
    private boolean isRate() {
        return setting.type() instanceof ValueType.Number(String unit, double least, double most) && unit.equals("Hz");
    }

    /** A menu of what the setting can be, filled when it is opened. */
    private Node menu() {
        MenuButton menu = new MenuButton(Sentences.words(rig, setting, element.raw(setting))) {
            @Override
            protected double computeMinWidth(double height) {
                return Math.min(WIDEST, computePrefWidth(height)); // the name beside it wraps sooner than it is cut
            }
        };
        Nodes.asWritten(menu).getStyleClass().add("plain");
        menu.setMaxWidth(WIDEST);
        named(menu);
        menu.setOnShowing(e -> {
            List<Object> values = Completions.of(rig, element, setting);
            menu.getItems().clear();
            for (Object value : values) {
                MenuItem item = Nodes.item(Sentences.words(rig, setting, value));
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

    /** Sends the change, if there is any. */
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
