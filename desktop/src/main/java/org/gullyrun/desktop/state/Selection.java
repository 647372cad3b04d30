package org.gullyrun.desktop.state;

/** What is selected. */
public sealed interface Selection {
    /** Nothing. */
    record Nothing() implements Selection {}

    /** One source: everywhere it goes. */
    record OfSource(String source) implements Selection {}

    /** One outlet: everything that reaches it. */
    record OfOutlet(String outlet) implements Selection {}

    /** One source at one outlet. */
    record Pair(String source, String outlet) implements Selection {}

    /** One finding, by its identity. */
    record Trouble(String identity) implements Selection {}

    /** One element that is neither source nor outlet: all that goes through it. */
    record OfElement(String element) implements Selection {}

    /** The selection of nothing. */
    Selection NOTHING = new Nothing();
}
