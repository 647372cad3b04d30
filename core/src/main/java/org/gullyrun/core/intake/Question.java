package org.gullyrun.core.intake;

import org.gullyrun.core.rig.Address;

/**
 * Something still to be asked.
 *
 * @param at the setting that is not yet known
 * @param wording the question for the creator, with a question mark
 * @param why where to look, or why it matters; may be empty
 */
public record Question(Address at, String wording, String why) {}
