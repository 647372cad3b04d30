package org.gullyrun.desktop.state;

/** The steps of the work that the window has, in their order, with the key that goes there. */
public enum Step {
    INTAKE("Intake", 1),
    BRIEF("Brief", 2),
    TRACE("Trace", 3),
    FINDINGS("Findings", 4),
    REPAIR("Repair", 5);

    private final String label;
    private final int key;

    Step(String label, int key) {
        this.label = label;
        this.key = key;
    }

    /** The name on screen. */
    public String label() {
        return label;
    }

    /** Which number key goes there: the place of the step in the whole order of work. */
    public int key() {
        return key;
    }
}
