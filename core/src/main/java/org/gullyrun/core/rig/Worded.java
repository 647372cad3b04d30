package org.gullyrun.core.rig;

/** A value out of a fixed list that has a plain word, used in files and on screen alike. */
public interface Worded {
    /** The word: lower case, blanks allowed, unique in its list. */
    String word();
}
