package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.SortedSet;
import java.util.function.Consumer;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.flow.graph.SegmentSettings;
import org.gullyrun.core.flow.route.BlockedRoute;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;

/**
 * What might bring a missing source to its listener: what blocks it opened in all scenes at once, a level turned up, the
 * choices at which its open routes end, a target for a bus that has none, and an input for its program or device.
 */
final class MissingCandidates {
    private static final double FAR_DOWN = -12;

    private final Reading reading;
    private final Finding finding;
    private final Rig rig;
    private final Element source;
    private final Element outlet;
    private final int row;
    private final int column;
    private final Consumer<List<Change>> to;

    private MissingCandidates(Reading reading, Finding finding, Consumer<List<Change>> to) {
        this.reading = reading;
        this.finding = finding;
        this.rig = reading.rig();
        this.source = rig.get(finding.subject().source());
        this.outlet = rig.get(finding.subject().outlet());
        this.row = rig.of(Kind.SOURCE).indexOf(source);
        this.column = rig.of(Kind.OUTLET).indexOf(outlet);
        this.to = to;
    }

    /** Hands on the candidates of a finding about a source that a listener should hear and doesn't. */
    static void of(Reading reading, Finding finding, Consumer<List<Change>> to) {
        if (reading.rig().find(finding.subject().source()) != null
                && reading.rig().find(finding.subject().outlet()) != null) {
            new MissingCandidates(reading, finding, to).all();
        }
    }

    private void all() {
        everyScene();
        for (int i : finding.scenes()) {
            louder(reading.scenes().get(i));
        }
        int scene = finding.evidence().scene();
        ends(scene);
        farEnd(scene);
        inputs();
    }

    /** What blocks the source in each of the scenes, opened in all of them; or its inputs put into every scene. */
    private void everyScene() {
        Set<Change> all = new LinkedHashSet<>();
        Set<String> inputs = new LinkedHashSet<>();
        for (int i : finding.scenes()) {
            SceneReading scene = reading.scenes().get(i);
            BlockedRoute route = scene.blocked(scene.cell(row, column));
            GateMoves moves = new GateMoves(rig, scene.key());
            for (Gate gate : route.closed()) {
                all.addAll(moves.open(gate));
                if (gate.sort() == Gate.Sort.IN_SCENE) {
                    inputs.add(gate.at().element());
                }
            }
        }
        to.accept(distinct(all));
        for (String input : inputs) {
            Change.Set always =
                    rig.find(input, Kind.INPUT).isEmpty() ? null : Change.set(rig, input, Productions.ALWAYS, true);
            if (always != null) {
                to.accept(List.of(always));
            }
        }
    }

    /** Elements that are added get ids of their own: each was thought of as if it were alone. */
    private List<Change> distinct(Set<Change> changes) {
        Set<String> ids = new LinkedHashSet<>();
        List<Change> distinct = new ArrayList<>();
        for (Change change : changes) {
            if (change instanceof Change.Add(Element what)) {
                String id = Ids.from(what.id(), i -> rig.find(i) != null || ids.contains(i));
                ids.add(id);
                // Only entries of scenes are added to open a gate.
                distinct.add(new Change.Add(
                        what.id().equals(id)
                                ? what
                                : Element.of(Kind.ENTRY, id)
                                        .with(Productions.ENTRY_OF, what.get(Productions.ENTRY_OF))
                                        .with(Productions.BRINGS, what.get(Productions.BRINGS))));
            } else {
                distinct.add(change);
            }
        }
        return distinct;
    }

    /** Of a source that arrives far too faintly: the level on its route that is furthest down, back to 0 dB. */
    private void louder(SceneReading scene) {
        CellReading cell = scene.cell(row, column);
        if (!cell.tooFaint()) {
            return;
        }
        Change.Set most = null;
        double lowest = FAR_DOWN;
        for (int segment : cell.delivery().strongest()) {
            for (Address at : SegmentSettings.of(scene.graph(), segment)) {
                Element element = rig.find(at.element());
                Setting<?> setting = element == null ? null : Catalogue.find(element.kind(), at.key());
                if (setting != null
                        && element.raw(setting) instanceof Double now
                        && now <= lowest
                        && RuleCandidates.isLevel(setting)) {
                    lowest = now;
                    most = Change.setRaw(rig, element.id(), setting, 0.0);
                }
            }
        }
        if (most != null) {
            to.accept(List.of(most));
        }
    }

    /** The choices at which open routes of the source end: buses, cues and pass-throughs play elsewhere, or somewhere at all. */
    private void ends(int at) {
        SceneReading scene = reading.scenes().get(at);
        FlowGraph graph = scene.graph();
        ChoiceMoves moves = new ChoiceMoves(reading, at, to);
        boolean[] reached = scene.view().reachedFrom(new int[] {scene.sourcePoint(row)});
        for (int point = 0; point < graph.points(); point++) {
            Element element = reached[point] ? rig.find(graph.element(point)) : null;
            if (element != null && graph.kind(point) == PointKind.BUS) {
                moves.play(element, Mixers.TARGET, rig.owner(element));
            } else if (element != null && graph.kind(point) == PointKind.CUE) {
                moves.play(element, Productions.CUE_DEVICE, element);
            }
        }
        List<Integer> passing = new ArrayList<>();
        for (int segment = 0; segment < graph.segments(); segment++) {
            Element by = rig.find(graph.segmentElement(segment));
            if (by != null && by.kind() == Kind.PASS_THROUGH && reached[graph.from(segment)]) {
                passing.add(segment);
            }
        }
        moves.along(passing);
    }

    /** Of a listener at the far end of a call: the call listens to what the source reaches. */
    private void farEnd(int at) {
        rig.find(outlet.get(Outlets.APPLICATION), Kind.APPLICATION)
                .ifPresent(call -> new ChoiceMoves(reading, at, to).input(call));
    }

    /** An input of its own for the source's program or microphone, on the track that the listener hears. */
    private void inputs() {
        Element output = rig.find(outlet.get(Outlets.OUTPUT), Kind.OUTPUT).orElse(null);
        Element production = output == null ? null : rig.owner(output);
        Element at = rig.find(source.get(Sources.AT));
        if (output == null || production == null || at == null) {
            return;
        }
        SortedSet<Integer> taken = Productions.ticked(output, Productions.TAKES_TRACK);
        Integer track = outlet.get(Outlets.SORT) == Outlets.Sort.TRACK
                ? outlet.get(Outlets.TRACK)
                : taken.isEmpty() ? null : taken.first();
        boolean program = at.kind() == Kind.APPLICATION;
        boolean microphone = at.kind() == Kind.DEVICE && at.get(Devices.DIRECTION) == Devices.Direction.RECORDING;
        boolean there = rig.in(production.id(), Kind.INPUT).stream()
                .anyMatch(i -> at.id().equals(i.get(Productions.APPLICATION))
                        || i.get(Productions.DEVICE) instanceof Choice.To(String id) && id.equals(at.id()));
        if (track == null || there || !program && !microphone) {
            return;
        }
        Element input = Element.of(Kind.INPUT, Ids.from("in " + at.name(), i -> rig.find(i) != null))
                .with(Common.name(Kind.INPUT), at.name())
                .with(Productions.INPUT_OF, production.id())
                .with(Productions.ALWAYS, true)
                .with(Productions.TRACK.of(track), true);
        to.accept(List.of(new Change.Add(
                program
                        ? input.with(Productions.TAKES, Productions.Takes.APPLICATION)
                                .with(Productions.APPLICATION, at.id())
                        : input.with(Productions.TAKES, Productions.Takes.RECORDING)
                                .with(Productions.DEVICE, Choice.to(at.id())))));
    }
}
