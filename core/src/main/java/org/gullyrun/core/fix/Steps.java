package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/** Says several changes as the steps of one fix. */
public final class Steps {
    private Steps() {}

    /** What changes that fit a rig do, as a sentence; empty if they do not fit. */
    static String of(Rig rig, List<Change> changes) {
        try {
            return of(rig, Changes.apply(rig, changes), changes);
        } catch (Changes.Conflict e) {
            return "";
        }
    }

    /** The steps as one sentence. A program that all of them are about is named once. */
    public static String of(Rig rig, Rig changed, List<Change> changes) {
        List<String> steps = new ArrayList<>();
        Map<String, List<Element>> inputs = new LinkedHashMap<>();
        for (Change change : changes) {
            if (change instanceof Change.Add(Element what) && what.kind() == Kind.INPUT) {
                String where = changed.program(what).id() + Sentences.onTracks(changed, what);
                inputs.computeIfAbsent(where, x -> new ArrayList<>()).add(what);
            } else if (takesDevice(change)) {
                Element input = changed.get(change.element());
                steps.add("In " + changed.program(input).name() + ", have " + Sentences.noun(changed, input) + " take "
                        + Sentences.words(changed, Productions.DEVICE, input.raw(Productions.DEVICE)));
            } else if (!isSaidWithAnother(change, changes)) {
                steps.add(Sentences.say(change instanceof Change.Add ? changed : rig, change)
                        + insteadOf(rig, change, changes));
            }
        }
        inputs.values().forEach(alike -> steps.add(Sentences.addInputs(changed, alike)));
        String restart = changes.stream()
                .filter(c -> c instanceof Change.Set)
                .map(c -> rig.program(rig.get(c.element())))
                .filter(Sentences::hasToRestart)
                .map(Element::name)
                .distinct()
                .collect(Collectors.joining(" and "));
        return joined(steps) + (restart.isEmpty() ? "" : ", then restart " + restart);
    }

    /** Whether an input takes a device from now on that took something else. */
    private static boolean takesDevice(Change change) {
        return change instanceof Change.Set set
                && set.setting().equals(Productions.TAKES)
                && (set.to() == Productions.Takes.RECORDING || set.to() == Productions.Takes.PLAYBACK);
    }

    /** Whether a track is taken off an output that takes another one instead, or the device is said with what an input takes. */
    private static boolean isSaidWithAnother(Change change, List<Change> all) {
        if (change instanceof Change.Set set && set.setting().equals(Productions.DEVICE)) {
            return all.stream().anyMatch(c -> c.element().equals(change.element()) && takesDevice(c));
        }
        return isTrack(change, false)
                && all.stream().anyMatch(c -> c.element().equals(change.element()) && isTrack(c, true));
    }

    /** Of a track that an output takes: " instead of track live", if it gives up another one for it. */
    private static String insteadOf(Rig rig, Change change, List<Change> all) {
        return !isTrack(change, true)
                ? ""
                : all.stream()
                        .filter(c -> c.element().equals(change.element()) && isTrack(c, false))
                        .map(c -> Sentences.called(
                                "track", Sentences.sub(rig, rig.get(c.element()), ((Change.Set) c).setting())))
                        .collect(Collectors.collectingAndThen(
                                Collectors.toList(),
                                tracks -> tracks.isEmpty() ? "" : " instead of " + Sentences.list(tracks)));
    }

    private static boolean isTrack(Change change, boolean on) {
        return change instanceof Change.Set set
                && set.setting().kind() == Kind.OUTPUT
                && set.setting().familyKey().equals(Productions.TAKES_TRACK.key())
                && Boolean.valueOf(on).equals(set.to());
    }

    /** Several steps as one sentence; what is done in one program is said in a row, and the program once. */
    private static String joined(List<String> steps) {
        List<String> parts = new ArrayList<>();
        for (int i = 0; i < steps.size(); ) {
            String place = place(steps.get(i));
            List<String> there = new ArrayList<>();
            do {
                there.add(steps.get(i++).substring(place.length()));
            } while (i < steps.size() && !place.isEmpty() && steps.get(i).startsWith(place));
            String part = place + Sentences.list(there);
            parts.add(parts.isEmpty() ? part : Character.toLowerCase(part.charAt(0)) + part.substring(1));
        }
        return String.join("; ", parts);
    }

    /** Of "In Orrery, mute input A" the part before what is done; empty if there is none. */
    private static String place(String step) {
        int end = step.indexOf(", ") + 2;
        return step.startsWith("In ") && end > 1 ? step.substring(0, end) : "";
    }
}
