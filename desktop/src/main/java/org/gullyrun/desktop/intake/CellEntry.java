package org.gullyrun.desktop.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.intake.Column;
import org.gullyrun.core.intake.Option;
import org.gullyrun.core.intake.Refused;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Dangling;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Store;

/** What is typed into a cell of the sheet becomes changes here: new rows, values for one row or several, and removals. */
final class CellEntry {
    private final Store store;
    /** The row that was asked about and goes when it is asked for once more. */
    private String toRemove = "";

    CellEntry(Store store) {
        this.store = store;
    }

    private Rig rig() {
        return store.state().surveyShown().rig();
    }

    /** The name of the element in a row. */
    String nameOf(String row) {
        return rig().name(row);
    }

    /** Adds a row by its name and gives its id; {@code before} runs as soon as the name is known to be valid. */
    String add(Table table, String name, Runnable before) throws Refused {
        Rig rig = rig();
        List<Change> changes = table.add(rig, name);
        before.run();
        String id = table.added(changes);
        store.change(
                changes,
                "add the " + table.kind().noun() + " "
                        + Changes.apply(rig, changes).name(id));
        return id;
    }

    /** What entering a text into a column of some rows changes. */
    List<Change> changes(Column column, List<String> rows, String text) throws Refused {
        List<Change> all = new ArrayList<>();
        Rig at = rig();
        for (String row : rows) {
            List<Change> changes = column.enter(at, at.get(row), text);
            at = Changes.apply(at, changes);
            all.addAll(changes);
        }
        return all;
    }

    /** Makes changes that were entered. */
    void make(List<Change> changes) {
        store.change(changes);
    }

    /** What a text might mean in a cell, best first; nothing while it says itself what it means. */
    List<Option> options(Column column, String row, String typed) {
        Element element = rig().find(row);
        return element == null || typed.isEmpty() || typed.startsWith(Option.NEW) || typed.equals("?")
                ? List.of()
                : column.options(rig(), element, typed);
    }

    /** Says why a text was not taken. */
    void refused(Refused why) {
        store.tell(new Message(String.valueOf(why.getMessage()), true));
    }

    /** Asks whether something new is meant by a name that nothing has. */
    void askWhetherNew(String typed, String note) {
        store.tell(new Message(
                "Nothing here is called “" + typed.strip() + "” yet. Press Tab again for a " + note + ", or Escape.",
                false));
    }

    /**
     * Whether a row may be removed now: if something refers to it, that is said first, and it may be when asked for once
     * more.
     */
    boolean mayRemove(String row) {
        Rig rig = rig();
        Set<Dangling> known = Set.copyOf(Dangling.in(rig));
        List<String> left = Dangling.in(Changes.apply(rig, Changes.removal(rig, row))).stream()
                .filter(d -> !known.contains(d))
                .map(d -> rig.name(d.at().element()))
                .distinct()
                .toList();
        if (!left.isEmpty() && !row.equals(toRemove)) {
            toRemove = row;
            store.tell(new Message(
                    String.join(", ", left) + (left.size() == 1 ? " refers to " : " refer to ")
                            + rig.name(row)
                            + ". Press Ctrl Delete again to remove it all the same.",
                    false));
            return false;
        }
        return true;
    }

    /** Removes a row. */
    void remove(String row) {
        toRemove = "";
        store.change(Changes.removal(rig(), row), "remove " + rig().name(row));
    }

    /** Another cell, another question: nothing is about to be removed. */
    void moved() {
        toRemove = "";
    }
}
