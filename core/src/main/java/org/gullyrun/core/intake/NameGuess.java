package org.gullyrun.core.intake;

import java.util.List;
import java.util.Locale;
import java.util.Map;
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
            if (words.contains(sort.word())) {
                Element of = outlet.with(Outlets.SORT, sort);
                return sort.isOutput() ? heard(rig, of, sort, words) : of;
            }
        }
        return outlet;
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
