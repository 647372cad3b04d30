package org.gullyrun.core.intake;

/** The parts of the sheet, in the order in which one asks on the phone. */
public enum Section {
    SOUNDS("Sources", "What makes sound, and where does it start?"),
    LISTENERS("Listeners", "Who listens, and where?"),
    DEVICES("Devices", "Which devices are there, and how are they set?"),
    LINKS("Cables, wires", "What connects one device to another?"),
    PROGRAMS("Programs", "Which programs are there, and where do they play?"),
    MIXERS("Mixers", "Which strip goes to which bus?"),
    PRODUCTION("Production", "What does the production take, and on which tracks?"),
    MACHINES("Computers", "Which computers are there, and what are their defaults?");

    private final String label;
    private final String question;

    Section(String label, String question) {
        this.label = label;
        this.question = question;
    }

    /** Its short name on screen. */
    public String label() {
        return label;
    }

    /** The question that it settles. */
    public String question() {
        return question;
    }
}
