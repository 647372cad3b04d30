package org.gullyrun.desktop.look;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.Node;

/**
 * A list that may hold hundreds of rows. They lie in blocks: where a row grows, what is below moves block by block, and only
 * the rows of its own block are placed anew, which took half of the time to show a selection.
 */
public final class LongList extends RowStack {
    private static final int ROWS = 24;

    /** Marks what comes and goes with the selection: it does not push rows from one block into the next. */
    private static final String EXTRA = "extra";

    /** An empty list with so many px between its rows. */
    public LongList(double spacing) {
        super(spacing);
    }

    /** Marks a node that comes and goes below a row. */
    public static Node extra(Node node) {
        node.getProperties().put(EXTRA, true);
        return node;
    }

    /** Shows rows in place of those before; what stays is not touched. */
    public void show(List<Node> rows) {
        List<List<Node>> blocks = new ArrayList<>();
        int counted = 0;
        for (Node row : rows) {
            boolean extra = row.hasProperties() && row.getProperties().containsKey(EXTRA);
            if (!extra && counted++ % ROWS == 0) {
                blocks.add(new ArrayList<>());
            }
            blocks.getLast().add(row);
        }
        for (int i = getChildren().size(); i < blocks.size(); i++) {
            getChildren().add(new RowStack(spacing()));
        }
        getChildren().remove(blocks.size(), getChildren().size());
        for (int i = 0; i < blocks.size(); i++) {
            KeptControls.exchange(((RowStack) getChildren().get(i)).getChildren(), blocks.get(i));
        }
    }

    /** All rows, from the top. */
    public Stream<Node> rows() {
        return getChildren().stream().flatMap(block -> ((RowStack) block).getChildren().stream());
    }

    /** How far below the top of the list a row begins, px. */
    public double top(Node row) {
        return row.getParent().getBoundsInParent().getMinY()
                + row.getBoundsInParent().getMinY();
    }
}
