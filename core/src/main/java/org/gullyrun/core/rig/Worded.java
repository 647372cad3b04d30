package org.gullyrun.core.rig;

/** A value out of a fixed list that has a plain word. */
public interface Worded {
    /** The word in files: lower case, blanks allowed, unique in its list. */
    String word();

    /** The word for people, unique in its list, too: the same, unless people call it by another name. */
    default String spoken() {
        return word();
    }
}
