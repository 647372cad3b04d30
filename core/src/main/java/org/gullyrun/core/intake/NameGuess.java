package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;

/** What a name says of a new row. It is put into its cells, where it is seen and can be typed over. */
final class NameGuess {
    private static final Map<String, SourceClass> CLASSES = Map.ofEntries(
            Map.entry("host", SourceClass.VOICE),
            Map.entry("voice", SourceClass.VOICE),
            Map.entry("guest", SourceClass.GUEST),
            Map.entry("guests", SourceClass.GUEST),
            Map.entry("chat", SourceClass.CHAT),
            Map.entry("crew", SourceClass.CHAT),
            Map.entry("music", SourceClass.MUSIC),
            Map.entry("game", SourceClass.GAME),
            Map.entry("alerts", SourceClass.ALERT),
            Map.entry("chimes", SourceClass.ALERT),
            Map.entry("effects", SourceClass.EFFECT),
            Map.entry("clips", SourceClass.MEDIA),
            Map.entry("film", SourceClass.MEDIA),
            Map.entry("charts", SourceClass.MEDIA));

    private NameGuess() {}

    private static List<String> words(Element element) {
        return List.of(element.name().toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"));
    }

    /** A device's direction. */
    static Element device(Element device) {
        String name = device.name().toLowerCase(Locale.ROOT);
        if (name.matches(".*\\b(mic|microphone|boom|clip|line in|capture|record side)\\b.*")) {
            return device.with(Devices.DIRECTION, Devices.Direction.RECORDING);
        }
        return name.matches(".*\\b(speakers?|headset|headphones|line out|video out|play side)\\b.*")
                ? device.with(Devices.DIRECTION, Devices.Direction.PLAYBACK)
                : device;
    }

    /** A source's class. */
    static Element source(Element source) {
        for (String word : words(source)) {
            SourceClass known = CLASSES.get(word);
            if (known != null) {
                return source.with(Sources.CLASS, known);
            }
        }
        return source;
    }

    /** An outlet's sort; the output where there is just one for that; a track's number by its name. */
    static Element outlet(Rig rig, Element outlet) {
        List<String> words = words(outlet);
        for (Outlets.Sort sort : Outlets.Sort.values()) {
            if (words.contains(sort.word()) || words.contains(sort.spoken())) {
                Element of = outlet.with(Outlets.SORT, sort);
                return sort.isOutput() ? heard(rig, of, sort, words) : of;
            }
        }
        return farEnd(rig, outlet, words);
    }

    /** A listener called like a voice that a call program plays is at the far end of that call. */
    private static Element farEnd(Rig rig, Element outlet, List<String> words) {
        List<String> calls = rig.of(Kind.SOURCE).stream()
                .filter(source -> words.contains(source.name().toLowerCase(Locale.ROOT)))
                .map(source -> source.get(Sources.AT))
                .filter(at -> rig.find(at, Kind.APPLICATION)
                        .filter(a -> a.get(Applications.USE) == Applications.Use.CALL
                                || a.get(Applications.USE) == Applications.Use.CHAT)
                        .isPresent())
                .distinct()
                .toList();
        return calls.size() == 1
                ? outlet.with(Outlets.SORT, Outlets.Sort.FAR_END).with(Outlets.APPLICATION, calls.getFirst())
                : outlet;
    }

    /** An output's purpose, and what follows from it: it takes the track of that name, and a recording takes all. */
    static Element output(Rig rig, Element output) {
        Element production =
                rig.find(output.get(Productions.OUTPUT_OF), Kind.PRODUCTION).orElse(null);
        for (Productions.Purpose purpose : Productions.Purpose.values()) {
            if (!words(output).contains(purpose.word())) {
                continue;
            }
            Element guessed = output.with(Productions.PURPOSE, purpose);
            for (int n = 1; production != null && n <= production.or(Productions.TRACKS, 6); n++) {
                String name = production.or(Productions.TRACK_NAME.of(n), "").toLowerCase(Locale.ROOT);
                if (purpose == Productions.Purpose.RECORDING || name.equals(purpose.word())) {
                    guessed = guessed.with(Productions.TAKES_TRACK.of(n), true);
                }
            }
            return guessed;
        }
        return output;
    }

    /**
     * Changes that bring an output or name a track, and with them what that says of listeners who were typed before: they
     * are joined as if they had been typed after it. What has been entered stays.
     */
    static List<Change> withListeners(Rig rig, List<Change> changes) {
        if (changes.stream().noneMatch(NameGuess::isOfOutputs)) {
            return changes;
        }
        Rig after = Changes.apply(rig, changes);
        List<Change> all = new ArrayList<>(changes);
        for (Element outlet : after.of(Kind.OUTLET)) {
            Outlets.Sort sort = outlet.get(Outlets.SORT);
            String output = outlet.get(Outlets.OUTPUT);
            boolean open = output == null || sort == Outlets.Sort.TRACK && outlet.get(Outlets.TRACK) == null;
            if (sort != null && sort.isOutput() && open) {
                Element joined = heard(after, outlet, sort, words(outlet));
                if (output == null || output.equals(joined.get(Outlets.OUTPUT))) {
                    all.addAll(Changes.between(Rig.of(List.of(outlet)), Rig.of(List.of(joined))));
                }
            }
        }
        return all;
    }

    /** Whether a change is about an output or its tracks, on which what listeners hear depends. */
    private static boolean isOfOutputs(Change change) {
        return switch (change) {
            case Change.Add(Element what) -> what.kind() == Kind.OUTPUT;
            case Change.Set set ->
                set.setting().equals(Productions.PURPOSE)
                        || set.setting().familyKey().equals(Productions.TRACK_NAME.key())
                                && set.setting().kind() == Kind.PRODUCTION;
            case Change.Remove remove -> false;
        };
    }

    /** The listener joined to the one output of its kind, and to the track whose name it shares. */
    private static Element heard(Rig rig, Element outlet, Outlets.Sort sort, List<String> words) {
        Productions.Purpose purpose = sort == Outlets.Sort.LIVE
                ? Productions.Purpose.LIVE
                : sort == Outlets.Sort.ARCHIVE
                        ? Productions.Purpose.ARCHIVE
                        : sort == Outlets.Sort.RELAY ? Productions.Purpose.RELAY : Productions.Purpose.RECORDING;
        List<Element> fitting = rig.of(Kind.OUTPUT).stream()
                .filter(o -> o.get(Productions.PURPOSE) == purpose)
                .toList();
        if (fitting.size() != 1) {
            return outlet;
        }
        Element output = fitting.getFirst();
        Element at = outlet.with(Outlets.OUTPUT, output.id());
        Element production = rig.owner(output);
        if (sort == Outlets.Sort.TRACK && production != null) {
            for (int n = 1; n <= production.or(Productions.TRACKS, 6); n++) {
                String name = production.or(Productions.TRACK_NAME.of(n), "").toLowerCase(Locale.ROOT);
                if (!name.isEmpty() && words.contains(name)) {
                    return at.with(Outlets.TRACK, n);
                }
            }
        }
        return at;
    }
}
