package org.gullyrun.desktop.look;

import java.util.Map;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;

/** A menu that shows what is chosen, and does something else for each thing that can be chosen instead. */
public final class ChoiceMenu extends MenuButton {
    private static final double WIDEST = 210;

    /**
     * A menu.
     *
     * @param id its id in the window
     * @param name what is chosen by it, for those who don't see it
     * @param shown what is chosen now
     * @param entries what can be chosen, in the order of the menu
     */
    public ChoiceMenu(String id, String name, String shown, Map<String, Runnable> entries) {
        super(shown);
        getStyleClass().add("plain");
        setId(id);
        setAccessibleText(name + ": " + shown);
        setMaxWidth(WIDEST);
        entries.forEach((entry, run) -> {
            MenuItem item = Nodes.item(entry);
            item.setOnAction(e -> run.run());
            getItems().add(item);
        });
    }
}
