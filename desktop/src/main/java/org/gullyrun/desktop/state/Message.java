package org.gullyrun.desktop.state;

/**
 * Something to tell the person at the window.
 *
 * @param text what happened, and what was kept
 * @param isError whether something went wrong
 */
public record Message(String text, boolean isError) {}
