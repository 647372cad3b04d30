package org.gullyrun.core.casefile;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.gullyrun.core.rig.Element;

/**
 * A field of a file that this version does not know: written by a later one, or misspelt by hand. It is kept as it is, and
 * counts for nothing.
 *
 * @param survey the id of the survey that it stands in; empty if it is of the case itself
 * @param element the element that it stands at, as its kind and id; empty if it is of the survey or the case
 * @param field its name
 */
public record UnknownField(String survey, String element, String field) {
    private static final int MOST_NAMED = 3;

    /** All of a case: of the case itself, then survey by survey. */
    public static List<UnknownField> in(Case what) {
        List<UnknownField> all = new ArrayList<>();
        what.extras().keySet().stream().sorted().forEach(f -> all.add(new UnknownField("", "", f)));
        for (Survey survey : what.surveys()) {
            survey.extras().keySet().stream().sorted().forEach(f -> all.add(new UnknownField(survey.id(), "", f)));
            for (Element element : survey.rig().elements()) {
                String name = element.kind().noun() + " " + element.id();
                element.extras().keySet().forEach(f -> all.add(new UnknownField(survey.id(), name, f)));
            }
        }
        return all;
    }

    /** Where it stands, in words. */
    public String words() {
        return "'" + field + "' of "
                + (survey.isEmpty() ? "the case" : (element.isEmpty() ? "" : element + " in ") + "survey " + survey);
    }

    /** What a person who opens the file needs to know of some, in a sentence or two; empty if there are none. */
    public static String told(List<UnknownField> some) {
        if (some.isEmpty()) {
            return "";
        }
        int more = some.size() - MOST_NAMED;
        return (some.size() == 1 ? "A field of the file is" : some.size() + " fields of the file are")
                + " unknown: "
                + some.stream().limit(MOST_NAMED).map(UnknownField::words).collect(Collectors.joining(", "))
                + (more > 0 ? " and " + more + " more" : "")
                + (some.size() == 1 ? ". It has no effect and is kept." : ". They have no effect and are kept.");
    }
}
