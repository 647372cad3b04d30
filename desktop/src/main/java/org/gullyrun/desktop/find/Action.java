package org.gullyrun.desktop.find;

import java.util.List;

/**
 * Something that can be done by name or by key: one table of these holds all keys, the key sheet and the find field.
 *
 * @param id stable
 * @param group under which it stands on the sheet of keys
 * @param name what it does, in plain words
 * @param keys the keys that do it, as JavaFX writes combinations
 * @param shown the keys as people read them
 * @param run does it
 */
public record Action(String id, String group, String name, List<String> keys, String shown, Runnable run) {
    public Action {
        keys = List.copyOf(keys);
    }
}
