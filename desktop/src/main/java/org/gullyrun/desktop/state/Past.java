package org.gullyrun.desktop.state;

/**
 * What can be done about what was done.
 *
 * @param unsaved whether the case has changes that are in no file
 * @param undo what an undo would take back; empty if there is nothing
 * @param redo what a redo would do again; empty if there is nothing
 */
public record Past(boolean unsaved, String undo, String redo) {
    static final Past NOTHING = new Past(false, "", "");
}
