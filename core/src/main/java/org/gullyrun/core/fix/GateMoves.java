package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.graph.Presence;
import org.gullyrun.core.flow.graph.SceneComposition;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.DriverPath;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/** The changes that open or close a gate. */
public final class GateMoves {
    private final Rig rig;
    private final SceneKey scene;

    /** For gates of a rig in one scene. */
    public GateMoves(Rig rig, SceneKey scene) {
        this.rig = rig;
        this.scene = scene;
    }

    /** The changes that open a closed gate; empty where no setting can. */
    public List<Change> open(Gate gate) {
        Element element = rig.find(gate.at().element());
        return switch (gate.sort()) {
            case ON -> flag(gate, true);
            case OFF -> flag(gate, false);
            case USABLE -> element == null ? List.of() : usable(element);
            case IN_SCENE -> intoScene(gate.at().element());
            case TRACK_COUNT -> trackCount(gate.at().element());
            case STANDARD_PATH -> standard(gate, element);
            case PLAYS_SOMEWHERE -> playsSomewhere(gate.at().element());
        };
    }

    /**
     * The changes that close an open gate; empty where that is no fix. Stopping an engine or an output, or unplugging a
     * device, is none.
     */
    public List<Change> close(Gate gate) {
        return switch (gate.sort()) {
            case ON ->
                switch (gate.at().key()) {
                    case "running", "active" -> List.of();
                    default -> flag(gate, false);
                };
            case OFF -> flag(gate, true);
            case IN_SCENE -> outOfScene(gate.at().element());
            case USABLE, TRACK_COUNT, STANDARD_PATH, PLAYS_SOMEWHERE -> List.of();
        };
    }

    /** Turns the flag that a gate stands for. */
    private List<Change> flag(Gate gate, boolean to) {
        if (gate.setting() == null || rig.find(gate.at().element()) == null) {
            return List.of();
        }
        return list(Change.setRaw(rig, gate.at().element(), gate.setting(), to));
    }

    /** The changes that make a device usable again: plugged in, enabled, permitted, what offers it started. */
    List<Change> usable(Element device) {
        List<Change> changes = new ArrayList<>();
        String provider = device.kind() == Kind.DEVICE ? device.get(Devices.PROVIDED_BY) : null;
        boolean offeredByNone = provider != null && rig.find(provider) == null;
        if (device.kind() == Kind.DEVICE && !offeredByNone) {
            for (Setting<Boolean> each : List.of(Devices.PRESENT, Devices.ENABLED, Devices.PERMITTED)) {
                if (Boolean.FALSE.equals(device.get(each))) {
                    changes.addAll(list(Change.set(rig, device.id(), each, true)));
                }
            }
            Element engine = Choices.provider(rig, device);
            Capabilities.Engine runs = engine == null ? null : Capabilities.engine(engine.kind());
            if (engine != null && runs != null && !engine.is(runs.running(), true)) {
                changes.addAll(list(Change.set(rig, engine.id(), runs.running(), true)));
            }
        }
        return changes;
    }

    /** Brings an input into the scene in which it is missing. */
    private List<Change> intoScene(String point) {
        int at = point.indexOf('@');
        if (scene.scene().isEmpty()) {
            return List.of();
        }
        Presence there = presence(at < 0 ? point : point.substring(0, at), at < 0 ? "" : point.substring(at + 1));
        if (there != null) {
            // It is muted where the scene brings it, which is enough to undo; or else where what brings it is brought.
            List<String> here = rig.in(scene.scene(), Kind.ENTRY).stream()
                    .filter(e -> at < 0 && point.equals(e.get(Productions.BRINGS)) && !e.is(Productions.COPY, false))
                    .map(Element::id)
                    .limit(1)
                    .toList();
            return (here.isEmpty() ? there.entries() : here)
                    .stream()
                            .distinct()
                            .flatMap(e -> list(Change.set(rig, e, Productions.ENTRY_MUTED, false)).stream())
                            .toList();
        }
        if (at >= 0) {
            return List.of();
        }
        return List.of(bring(point));
    }

    /** Brings an input or a group into the scene, which hasn't got it. */
    Change bring(String element) {
        String id = Ids.from(rig.name(scene.scene()) + " " + rig.name(element), i -> rig.find(i) != null);
        return new Change.Add(Element.of(Kind.ENTRY, id)
                .with(Productions.ENTRY_OF, scene.scene())
                .with(Productions.BRINGS, element));
    }

    /** How the scene has an input, or a copy of it by an entry; null if it has not. */
    private @Nullable Presence presence(String input, String copiedBy) {
        Element production = rig.owner(rig.get(input));
        if (production == null) {
            return null;
        }
        SceneComposition composition = SceneComposition.of(rig, production, scene.scene());
        return copiedBy.isEmpty()
                ? composition.input(input)
                : composition.copies().get(new SceneComposition.Copy(input, copiedBy));
    }

    /** Takes an input out of the scene, through whichever entry brings it. */
    private List<Change> outOfScene(String point) {
        int at = point.indexOf('@');
        if (at >= 0) {
            String entry = point.substring(at + 1);
            return rig.find(entry) == null ? List.of() : Changes.removal(rig, entry);
        }
        if (scene.scene().isEmpty()
                || rig.find(point, Kind.INPUT)
                        .filter(i -> i.is(Productions.ALWAYS, false))
                        .isPresent()) {
            return List.of(); // what is on in every scene stays, whatever a scene brings
        }
        List<Element> direct = rig.in(scene.scene(), Kind.ENTRY).stream()
                .filter(e -> point.equals(e.get(Productions.BRINGS)) && !e.is(Productions.COPY, false))
                .toList();
        return direct.size() == 1 ? Changes.removal(rig, direct.getFirst().id()) : List.of();
    }

    /** Raises the number of tracks so that the track exists. */
    private List<Change> trackCount(String point) {
        int at = point.indexOf("#track");
        String production = point.substring(0, Math.max(0, at));
        return at < 0
                ? List.of()
                : list(Change.set(rig, production, Productions.TRACKS, Integer.parseInt(point.substring(at + 6))));
    }

    /** A gate that is one flag: that flag turned. */
    private List<Change> standard(Gate gate, @Nullable Element element) {
        return element == null || gate.setting() == null
                ? List.of()
                : list(Change.setRaw(rig, element.id(), gate.setting(), DriverPath.STANDARD));
    }

    /** Lets a program that plays nowhere play to the default. */
    private List<Change> playsSomewhere(String place) {
        return rig.find(place, Kind.APP_OUTPUT)
                .or(() -> rig.in(place, Kind.APP_OUTPUT).stream().findFirst())
                .map(o -> list(Change.set(rig, o.id(), Applications.PROGRAM_CHOICE, Choice.Special.DEFAULT)))
                .orElse(List.of());
    }

    private static List<Change> list(Change.@Nullable Set change) {
        return change == null ? List.of() : List.of(change);
    }
}
