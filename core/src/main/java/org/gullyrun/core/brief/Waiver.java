package org.gullyrun.core.brief;

/**
 * A finding that somebody has decided to live with. It holds as long as what the finding rests on stays the same.
 *
 * @param finding the finding's identity
 * @param reason why, in the words of the person who waived it
 * @param evidence what the finding rested on then, as one short text that is compared only
 */
public record Waiver(String finding, String reason, String evidence) {}
