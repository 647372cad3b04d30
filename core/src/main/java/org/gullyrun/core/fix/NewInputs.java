package org.gullyrun.core.fix;

import java.util.Collection;
import java.util.List;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Predicate;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.jspecify.annotations.Nullable;

/** Inputs that a production doesn't have yet: one that takes a program, or a microphone, by itself. */
final class NewInputs {
    private NewInputs() {}

    /** The program that makes a source, or else the microphone that picks it up; null if it starts elsewhere. */
    static @Nullable Element start(Rig rig, Element source) {
        Element application = Sources.application(rig, source);
        Element at = application == null ? rig.find(source.get(Sources.AT)) : application;
        boolean microphone =
                at != null && at.kind() == Kind.DEVICE && at.get(Devices.DIRECTION) == Devices.Direction.RECORDING;
        return at != null && (at.kind() == Kind.APPLICATION || microphone) ? at : null;
    }

    /** Whether an input of a production takes a program or microphone already. */
    static boolean isTaken(Rig rig, Element production, Element at) {
        return rig.in(production.id(), Kind.INPUT).stream()
                .anyMatch(i -> Productions.programs(rig, i).contains(at)
                        || i.get(Productions.DEVICE) instanceof Choice.To(String id) && id.equals(at.id()));
    }

    /**
     * An input, in every scene, that takes a program or a microphone and puts it on some tracks.
     *
     * @param taken whether an id can't be had any more
     */
    static Element of(Element production, Element at, Collection<Integer> tracks, Predicate<String> taken) {
        Element input = Element.of(Kind.INPUT, Ids.from("in " + at.name(), taken))
                .with(Common.name(Kind.INPUT), at.name())
                .with(Productions.INPUT_OF, production.id())
                .with(Productions.ALWAYS, true);
        for (int track : tracks) {
            input = input.with(Productions.TRACK.of(track), true);
        }
        return at.kind() == Kind.APPLICATION
                ? input.with(Productions.TAKES, Productions.Takes.APPLICATION).with(Productions.APPLICATION, at.id())
                : input.with(Productions.TAKES, Productions.Takes.RECORDING)
                        .with(Productions.DEVICE, Choice.to(at.id()));
    }

    /** The track of a production that a listener hears; null if it listens to something else. */
    static @Nullable Integer track(Rig rig, Element production, Element outlet) {
        Element output = rig.find(outlet.get(Outlets.OUTPUT), Kind.OUTPUT).orElse(null);
        if (output == null || !production.equals(rig.owner(output))) {
            return null;
        }
        return outlet.get(Outlets.SORT) == Outlets.Sort.TRACK ? outlet.get(Outlets.TRACK) : Choices.lowestTrack(output);
    }

    /**
     * The tracks on which a program or microphone belongs: those where some listener should get it, and none must not.
     *
     * @param wanted whether a listener should get a source, by its cell in some scene
     */
    static SortedSet<Integer> tracks(Reading reading, Element production, Element at, Predicate<CellReading> wanted) {
        Rig rig = reading.rig();
        SortedSet<Integer> tracks = new TreeSet<>();
        SortedSet<Integer> forbidden = new TreeSet<>();
        List<Element> sources = rig.of(Kind.SOURCE);
        List<Element> outlets = rig.of(Kind.OUTLET);
        for (int column = 0; column < outlets.size(); column++) {
            Integer track = track(rig, production, outlets.get(column));
            for (int row = 0; track != null && row < sources.size(); row++) {
                if (at.equals(start(rig, sources.get(row)))) {
                    for (SceneReading scene : reading.scenes()) {
                        CellReading cell = scene.cell(row, column);
                        if (cell.wish() == Wish.NEVER) {
                            forbidden.add(track);
                        } else if (wanted.test(cell)) {
                            tracks.add(track);
                        }
                    }
                }
            }
        }
        tracks.removeAll(forbidden);
        return tracks;
    }
}
