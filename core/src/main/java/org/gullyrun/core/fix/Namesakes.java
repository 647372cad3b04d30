package org.gullyrun.core.fix;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;

/** Devices that are named after what is led there: of a strip Music, or a program that plays a source Music, Mixer music in. */
final class Namesakes {
    private Namesakes() {}

    /**
     * Whether a device has the name of what chooses it, or of what its program plays, in its own; and nothing beside that has
     * more of its name: “Second mic” is for the input Second mic, not for Mic.
     */
    static boolean are(Rig rig, String chooser, Element device) {
        int shared = shared(rig, chooser, device);
        Element element = rig.find(chooser);
        return shared > 0
                && (element == null
                        || rig.of(element.kind()).stream().allMatch(e -> shared(rig, e.id(), device) <= shared));
    }

    /** How many words of its own name a device has from what chooses it, if it has them all; else 0. */
    private static int shared(Rig rig, String chooser, Element device) {
        Set<String> own = words(device.name());
        return names(rig, chooser)
                .map(Namesakes::words)
                .filter(own::containsAll)
                .mapToInt(Set::size)
                .max()
                .orElse(0);
    }

    /** Whether an input has the name of a program or of a source in it, or the other way round. */
    static boolean takes(Rig rig, Element input, Element program) {
        return Stream.concat(
                        Stream.of(program),
                        rig.of(Kind.SOURCE).stream().filter(s -> program.equals(Sources.application(rig, s))))
                .map(e -> words(e.name()))
                .anyMatch(name -> words(input.name()).containsAll(name) || name.containsAll(words(input.name())));
    }

    /** The name of what chooses, and of the sources that a program's output plays, and what they are: music, game. */
    private static Stream<String> names(Rig rig, String chooser) {
        Stream<String> played = rig.find(chooser, Kind.APP_OUTPUT).stream()
                .flatMap(output -> rig.of(Kind.SOURCE).stream()
                        .filter(source -> Sources.outputs(rig, source).contains(output)))
                .flatMap(source -> Stream.concat(
                        Stream.of(source.name()),
                        Stream.ofNullable(source.get(Sources.CLASS)).map(Sources.SourceClass::word)));
        return Stream.concat(Stream.of(rig.name(chooser)), played);
    }

    private static Set<String> words(String name) {
        return new HashSet<>(List.of(name.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+")));
    }
}
