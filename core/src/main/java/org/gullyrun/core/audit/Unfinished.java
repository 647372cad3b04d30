package org.gullyrun.core.audit;

/**
 * A question that was not worked out to the end, because the rig is too large for it.
 *
 * @param rule the id of the rule that asks it
 * @param why what was left out, as a part of a sentence
 */
public record Unfinished(String rule, String why) {
    /** A whole sentence. */
    public String sentence() {
        return "Not fully worked out (" + rule + "): " + why + ".";
    }
}
