package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Completions;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Unknown;
import org.gullyrun.core.rig.ValueType;
import org.jspecify.annotations.Nullable;

/** Makes new elements out of names: with an id of their own, at the end of their list, on the computer there is. */
final class NewElements {
    private static final String COMPUTER = "Computer";

    private final List<Change> changes = new ArrayList<>();
    private final List<String> taken = new ArrayList<>();
    private final Rig rig;

    NewElements(Rig rig) {
        this.rig = rig;
    }

    /** All that was made, each before what refers to it. */
    List<Change> changes() {
        return List.copyOf(changes);
    }

    /**
     * A new element of a kind, with its owner if it lives in something, and its computer if it needs one.
     *
     * @throws Refused if the name says only that it is unknown
     */
    Element make(Kind kind, String name, String owner, UnaryOperator<Element> more) {
        if (name.equals(Unknown.MARK)) {
            throw new Refused("“?” means unknown. A new " + kind.noun() + " needs a name.");
        }
        String base = kind == Kind.INPUT
                ? "in " + name
                : kind == Kind.OUTLET || kind == Kind.OUTPUT ? kind.noun() + " " + name : name;
        String id = Ids.from(base, x -> rig.find(x) != null || taken.contains(x));
        taken.add(id);
        double place = rig.of(kind).stream()
                        .mapToDouble(e -> e.or(Common.place(kind), 0.0))
                        .max()
                        .orElse(-1)
                + 1
                + changes.stream()
                        .filter(c -> c instanceof Change.Add(Element e) && e.kind() == kind)
                        .count();
        Element element = Element.of(kind, id).with(Common.name(kind), name).with(Common.place(kind), place);
        if (!kind.ownerKey().isEmpty() && !owner.isEmpty()) {
            element = element.put(ownerOf(kind), owner);
        }
        Setting<?> machine = Catalogue.find(kind, "machine");
        if (machine != null && kind != Kind.OUTLET && kind != Kind.MACHINE) {
            element = element.put(machine, computer(kind, machine));
        }
        element = more.apply(element);
        changes.add(new Change.Add(element));
        return element;
    }

    /** The setting by which an element of a kind belongs to its program. */
    private static Setting<?> ownerOf(Kind kind) {
        Setting<?> owner = Catalogue.find(kind, kind.ownerKey());
        if (owner == null) {
            throw new IllegalStateException("a " + kind.noun() + " lives in nothing");
        }
        return owner;
    }

    /** The id of the computer that a new thing is on: that of the last of its kind, the first there is, or one made now. */
    private String computer(Kind kind, Setting<?> machine) {
        List<Element> known = rig.of(kind);
        if (!known.isEmpty() && known.getLast().get(machine) instanceof String id && rig.find(id) != null) {
            return id;
        }
        if (!rig.of(Kind.MACHINE).isEmpty()) {
            return rig.of(Kind.MACHINE).getFirst().id();
        }
        for (Change change : changes) {
            if (change instanceof Change.Add(Element e) && e.kind() == Kind.MACHINE) {
                return e.id();
            }
        }
        return make(Kind.MACHINE, COMPUTER, "", x -> x).id();
    }

    /** What a setting would name if something new were made for it: "program", "playback device". */
    static String noun(Rig rig, Element element, Setting<?> setting) {
        Kind kind = kind(element, setting);
        if (kind == Kind.DEVICE) {
            Devices.Direction direction = direction(element, setting);
            return direction == null ? "device" : direction.word() + " device";
        }
        return kind == null ? "such thing" : kind.noun();
    }

    /** The kind of a new thing for a setting; null if none can be made on the way. */
    static @Nullable Kind kind(Element element, Setting<?> setting) {
        if (setting.type() instanceof ValueType.Pick) {
            return Kind.DEVICE;
        }
        if (setting.equals(Sources.AT)) {
            return element.get(Sources.CLASS) == Sources.SourceClass.VOICE ? Kind.DEVICE : Kind.APPLICATION;
        }
        if (setting.type() instanceof ValueType.Ref(Set<Kind> kinds) && kinds.size() == 1) {
            Kind only = kinds.iterator().next();
            return only == Kind.INPUT || only == Kind.SCENE ? null : only;
        }
        return null;
    }

    /** The direction of a device that is made because a cell names it. */
    private static Devices.@Nullable Direction direction(Element element, Setting<?> setting) {
        if (setting.equals(Sources.AT)) {
            return Devices.Direction.RECORDING;
        }
        return Completions.direction(element, setting);
    }

    /** Makes what a setting is to name; its id. */
    String forSetting(Element element, Setting<?> setting, String name) {
        Kind kind = kind(element, setting);
        if (kind == null) {
            throw new Refused("You can't add a new one here. Add it in its own list first.");
        }
        return switch (kind) {
            case DEVICE -> device(name, direction(element, setting)).id();
            case APPLICATION -> application(name, use(element)).id();
            case OUTPUT -> output(name, element).id();
            case MACHINE, CABLE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APP_OUTPUT, MIXER, STRIP, BUS ->
                make(kind, name, "", e -> e).id();
            case PRODUCTION, INPUT, GROUP, SCENE, ENTRY, SOURCE, OUTLET ->
                make(kind, name, "", e -> e).id();
        };
    }

    Element device(String name, Devices.@Nullable Direction direction) {
        return make(Kind.DEVICE, name, "", e -> direction == null ? e : e.with(Devices.DIRECTION, direction));
    }

    /** A virtual cable with both its sides, where these are not there already. */
    Element cable(String name) {
        Element play = side(name + ", play side", Devices.Direction.PLAYBACK);
        Element record = side(name + ", record side", Devices.Direction.RECORDING);
        return make(
                Kind.CABLE, name, "", e -> e.with(Links.CABLE_FROM, play.id()).with(Links.CABLE_TO, record.id()));
    }

    /** One side of a new cable, as a device. */
    private Element side(String name, Devices.Direction direction) {
        for (Element device : rig.of(Kind.DEVICE)) {
            if (device.name().equalsIgnoreCase(name)) {
                return device;
            }
        }
        return make(
                Kind.DEVICE, name, "", e -> e.with(Devices.DIRECTION, direction).with(Devices.VIRTUAL, true));
    }

    Element application(String name, Applications.Use use) {
        Element made = make(Kind.APPLICATION, name, "", e -> e.with(Applications.USE, use));
        make(Kind.APP_OUTPUT, "", made.id(), e -> e);
        return made;
    }

    /** A new output that a listener named. */
    private Element output(String name, Element outlet) {
        String production = rig.of(Kind.PRODUCTION).isEmpty()
                ? make(Kind.PRODUCTION, "Production", "", e -> e).id()
                : rig.of(Kind.PRODUCTION).getFirst().id();
        Productions.Purpose purpose = outlet.get(Outlets.SORT) instanceof Outlets.Sort sort
                ? switch (sort) {
                    case LIVE -> Productions.Purpose.LIVE;
                    case ARCHIVE -> Productions.Purpose.ARCHIVE;
                    case RELAY -> Productions.Purpose.RELAY;
                    case TRACK, EARS, ROOM, FAR_END, MACHINE -> Productions.Purpose.RECORDING;
                }
                : null;
        return make(
                Kind.OUTPUT,
                name,
                production,
                e -> e.with(Productions.PURPOSE, purpose)
                        .with(Productions.TAKES_TRACK.of(1), purpose != Productions.Purpose.RECORDING));
    }

    /** What a program is for, guessed from what it plays. */
    private static Applications.Use use(Element source) {
        if (source.kind() != Kind.SOURCE) {
            return Applications.Use.OTHER;
        }
        Sources.SourceClass known = source.get(Sources.CLASS);
        return known == null
                ? Applications.Use.OTHER
                : switch (known) {
                    case VOICE, GUEST -> Applications.Use.CALL;
                    case CHAT -> Applications.Use.CHAT;
                    case MUSIC -> Applications.Use.MUSIC;
                    case GAME -> Applications.Use.GAME;
                    case ALERT -> Applications.Use.ALERT;
                    case EFFECT -> Applications.Use.EFFECT;
                    case MEDIA -> Applications.Use.MEDIA;
                    case SYSTEM -> Applications.Use.OTHER;
                };
    }
}
