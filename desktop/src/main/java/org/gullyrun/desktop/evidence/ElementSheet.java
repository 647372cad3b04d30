package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/** The settings of one element, each changed in place. */
final class ElementSheet {
    private final Store store;

    ElementSheet(Store store) {
        this.store = store;
    }

    /** What is known of an element, with each setting to be changed in place. */
    List<Node> content(State state, String id) {
        Rig rig = state.reading().rig();
        Element element = rig.find(id);
        if (element == null) {
            return List.of(Nodes.label(id + " is referred to but doesn't exist.", "soft"));
        }
        List<Node> all = new ArrayList<>();
        all.add(Nodes.label(element.name(), "water-title"));
        Element program = rig.program(element);
        all.add(Nodes.label(element.kind().noun() + (program == element ? "" : " of " + program.name()), "soft"));
        ReachLine reach = new ReachLine(store, id);
        all.add(reach.line());
        all.add(Nodes.rule());
        VBox settings = new VBox(5);
        settings.getStyleClass().add("settings");
        settings(rig, element, settings, reach);
        for (Element output : rig.in(id, Kind.APP_OUTPUT)) {
            settings(rig, output, settings, reach);
        }
        all.add(settings);
        return all;
    }

    /** One line for each setting; what belongs to lists of members has one for each member. */
    private void settings(Rig rig, Element element, VBox into, ReachLine reach) {
        for (Setting<?> setting : Catalogue.of(element.kind())) {
            List<Setting<?>> members = setting.isFamily() ? members(rig, element, setting) : List.of(setting);
            for (Setting<?> one : members) {
                boolean meta = switch (one.key()) {
                    case "place" -> true;
                    default -> one.key().equals(element.kind().ownerKey());
                };
                Node row = meta ? null : SettingEditor.row(store, rig, new Address(element.id(), one.key()), false);
                if (row != null) {
                    reach.watch(row, new Address(element.id(), one.key()), Sentences.label(rig, element, one));
                    into.getChildren().add(row);
                }
            }
        }
    }

    /** The members of a family of settings, such as the tracks of an input. */
    private static List<Setting<?>> members(Rig rig, Element element, Setting<?> family) {
        List<Setting<?>> members = new ArrayList<>();
        Element program = rig.program(element);
        switch (element.kind()) {
            case STRIP -> rig.in(program.id(), Kind.BUS).forEach(b -> members.add(family.of(b.id())));
            case INPUT, OUTPUT -> {
                if (family.equals(Productions.ALSO)) {
                    rig.of(Kind.APPLICATION).forEach(a -> members.add(family.of(a.id())));
                    return members;
                }
                int count = program.kind() == Kind.PRODUCTION ? program.or(Productions.TRACKS, 6) : 0;
                for (int n = 1; n <= count; n++) {
                    members.add(family.of(n));
                }
            }
            case GROUP -> rig.in(program.id(), Kind.INPUT).forEach(i -> members.add(family.of(i.id())));
            case SOURCE -> rig.of(Kind.SCENE).forEach(scene -> members.add(family.of(scene.id())));
            case MACHINE, DEVICE, CABLE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APPLICATION, APP_OUTPUT -> {}
            case MIXER, BUS, PRODUCTION, SCENE, ENTRY, OUTLET -> {}
        }
        return members;
    }
}
