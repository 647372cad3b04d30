package org.gullyrun.core.audit;

import java.util.List;

/**
 * One trouble. It cannot be built without words.
 *
 * @param rule the id of the rule that found it
 * @param subject what it is about: with the rule its identity
 * @param severity how bad it is, in its worst scene
 * @param scenes the places in the reading of the scenes that have it, worst first; empty if it holds for the rig itself
 * @param words what is said about it
 * @param evidence what it rests on
 * @param figures the numbers it states
 * @param assumed whether it rests on a setting that is not yet known
 */
public record Finding(
        String rule,
        Subject subject,
        Severity severity,
        List<Integer> scenes,
        Words words,
        Evidence evidence,
        List<Figure> figures,
        boolean assumed) {

    /**
     * What a finding is about.
     *
     * @param source the id of the source, or empty
     * @param outlet the id of the outlet, or empty
     * @param elements the ids of the elements concerned, in order; for a loop the programs on it
     */
    public record Subject(String source, String outlet, List<String> elements) {
        public Subject {
            elements = List.copyOf(elements);
        }

        /** A pair of source and outlet. */
        public static Subject pair(String source, String outlet) {
            return new Subject(source, outlet, List.of());
        }

        /** One or several elements. */
        public static Subject of(List<String> elements) {
            return new Subject("", "", elements);
        }

        /** One stable text. */
        public String text() {
            return source.isEmpty() ? String.join("+", elements) : source + ">" + outlet;
        }
    }

    /**
     * What is said about a finding.
     *
     * @param title one line for a list
     * @param plain the sentence to say to the creator
     * @param exact the sentence for the technician, with figures
     * @param cause why it happens
     * @param noticed what a listener notices
     */
    public record Words(String title, String plain, String exact, String cause, String noticed) {
        public Words {
            if (title.isBlank() || plain.isBlank() || exact.isBlank() || noticed.isBlank()) {
                throw new IllegalArgumentException("a finding needs words");
            }
        }
    }

    public Finding {
        scenes = List.copyOf(scenes);
        figures = List.copyOf(figures);
        if (evidence.routes().isEmpty() && evidence.settings().isEmpty()) {
            throw new IllegalArgumentException("a finding needs evidence: " + rule + " " + subject.text());
        }
    }

    /** Rule and subject: two findings with the same identity are one trouble. */
    public String identity() {
        return rule + ":" + subject.text();
    }

    /** Whether it is about the pair of a cell. */
    public boolean isAbout(CellReading cell) {
        return subject.source.equals(cell.source().id())
                && subject.outlet.equals(cell.outlet().id());
    }

    /** Whether it is critical or major. */
    public boolean isBad() {
        return severity.atLeast(Severity.MAJOR);
    }
}
