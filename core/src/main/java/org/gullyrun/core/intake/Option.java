package org.gullyrun.core.intake;

/**
 * Something that can be put into a cell.
 *
 * @param text what to enter
 * @param shown what people read
 * @param note what it is, as "strip Music" or "new program"
 */
public record Option(String text, String shown, String note) {
    /** What is entered to make something new of a name. */
    public static final String NEW = "+";

    /** Whether it makes something new. */
    public boolean isNew() {
        return text.startsWith(NEW);
    }

    static Option of(String text, String note) {
        return new Option(text, text, note);
    }

    static Option fresh(String name, String note) {
        return new Option(NEW + name, name, note);
    }
}
