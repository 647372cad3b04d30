package org.gullyrun.core.rig;

import java.util.List;

/** What the outputs of a program are called: most have no name of their own, as a program mostly has only one. */
final class OutputNames {
    private OutputNames() {}

    /** Whether an element is the output of a program that has no other. */
    static boolean isOnly(Rig rig, Element element) {
        return element.kind() == Kind.APP_OUTPUT && siblings(rig, element).size() < 2;
    }

    /** Kind and name, where its program is named already: "output Rings", "the second output", of an only one "the output". */
    static String noun(Rig rig, Element output) {
        if (hasName(output)) {
            return Sentences.called(output.kind().noun(), output.name());
        }
        List<Element> all = siblings(rig, output);
        int before = all.indexOf(output);
        return all.size() < 2 || before < 0 ? "the output" : "the " + TrackNames.ordinal(before) + " output";
    }

    /** The same with its program: "output Rings of Huddlewick", "the output of Copperwire". */
    static String whole(Rig rig, Element output) {
        Element program = rig.owner(output);
        return noun(rig, output) + (program == null ? "" : " of " + program.name());
    }

    /** Its name where nothing else is said of it: without one of its own, after its program. */
    static String alone(Rig rig, Element output) {
        return hasName(output) ? output.name() : whole(rig, output).substring("the ".length());
    }

    private static boolean hasName(Element output) {
        return !output.or(Common.name(Kind.APP_OUTPUT), "").isEmpty();
    }

    private static List<Element> siblings(Rig rig, Element output) {
        return rig.in(output.or(Applications.OUTPUT_OF, ""), Kind.APP_OUTPUT);
    }
}
