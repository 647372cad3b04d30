package org.gullyrun.core.rig;

import java.util.List;
import java.util.SortedSet;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** What tracks without a purpose are called: after the outputs that take them, since numbers tell nobody anything. */
final class TrackNames {
    private static final List<String> ORDINALS =
            List.of("first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth", "tenth");
    private static final Pattern PLACE =
            Pattern.compile("(" + String.join("|", ORDINALS) + "|\\d+(?:st|nd|rd|th)) of .+", Pattern.DOTALL);

    private TrackNames() {}

    /** The output that takes nothing but the track, else the track's place among those of the first that takes it. */
    static String byOutput(Rig rig, @Nullable Element production, String number) {
        String place = "";
        for (Element output : production == null ? List.<Element>of() : rig.in(production.id(), Kind.OUTPUT)) {
            SortedSet<Integer> taken = Productions.ticked(output, Productions.TAKES_TRACK);
            if (!output.is(Productions.TAKES_TRACK.of(number), false)) {
                continue;
            }
            if (taken.size() == 1) {
                return output.name();
            }
            if (place.isEmpty()) {
                place = ordinal(taken.headSet(Integer.valueOf(number)).size()) + " of " + output.name();
            }
        }
        return place.isEmpty() ? number : place;
    }

    /** Whether a name is the place of a track within an output, as "first of Recording". */
    static boolean isPlace(String name) {
        return PLACE.matcher(name).matches();
    }

    /** A place in a row, in words, by how many stand before it. */
    static String ordinal(int before) {
        if (before < ORDINALS.size()) {
            return ORDINALS.get(before);
        }
        int n = before + 1;
        boolean teen = n / 10 % 10 == 1;
        return n + (teen || n % 10 == 0 || n % 10 > 3 ? "th" : n % 10 == 1 ? "st" : n % 10 == 2 ? "nd" : "rd");
    }
}
