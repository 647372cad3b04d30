package org.gullyrun.desktop.look;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.VBox;

/** One below the other. What a shorter list doesn't need waits out of sight for a longer one. */
public final class KeptList extends VBox {
    /** An empty list with so much air between its rows, px. */
    public KeptList(double spacing) {
        super(spacing);
    }

    /** Shows other rows, in the controls that are there as far as they look alike. */
    public void show(List<? extends Node> rows) {
        List<Node> next = new ArrayList<>(rows);
        for (int i = rows.size(); i < getChildren().size(); i++) {
            Node spare = getChildren().get(i);
            if (!Nodes.isFocusOwner(spare) && !next.contains(spare)) {
                spare.setId(null);
                next.add(spare);
            }
        }
        KeptControls.exchange(getChildren(), next);
        for (int i = 0; i < next.size(); i++) {
            boolean used = i < rows.size();
            getChildren().get(i).setVisible(used);
            getChildren().get(i).setManaged(used);
        }
    }
}
