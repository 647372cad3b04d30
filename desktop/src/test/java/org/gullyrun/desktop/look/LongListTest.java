package org.gullyrun.desktop.look;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

/** Rows lie where a VBox, which asks all of them for their height again and again, puts them. */
@ExtendWith(ApplicationExtension.class)
class LongListTest {
    private static final List<String> WORDS =
            List.of("Live", "Archive and Partner relay", "hear Chimes twice,", "12 ms apart", "and don't hear Crew");

    private final Random chance = new Random(8);
    private final VBox plain = new VBox(2);
    private final LongList list = new LongList(2);
    private final List<Node> inPlain = new ArrayList<>();
    private final List<Node> inList = new ArrayList<>();

    @BeforeAll
    static void faces() {
        Type.load();
    }

    @Test
    void rowsLieWhereAVBoxPutsThemWhateverChanges() throws Exception {
        Pane both = new Pane(plain, list);
        plain.setManaged(false); // the pane gives neither of them another size
        list.setManaged(false);
        plain.setPadding(new Insets(7));
        list.setPadding(new Insets(7));
        WaitForAsyncUtils.asyncFx(() -> {
                    Scene scene = new Scene(both, 900, 900);
                    for (int step = 0; step < 400; step++) {
                        change();
                        scene.getRoot().applyCss();
                        double width = plain.getWidth();
                        plain.resize(width, plain.prefHeight(width));
                        list.resize(width, list.prefHeight(width));
                        both.layout();
                        assertEquals(plain.getHeight(), list.getHeight(), 0.01, "height after step " + step);
                        for (int i = 0; i < inPlain.size(); i++) {
                            Node row = inList.get(i);
                            Node as = inPlain.get(i);
                            String where = "row " + i + " after step " + step;
                            assertEquals(as.getBoundsInParent().getMinY(), list.top(row), 0.01, where);
                            assertEquals(
                                    as.getLayoutBounds().getHeight(),
                                    row.getLayoutBounds().getHeight(),
                                    0.01,
                                    where);
                            assertEquals(
                                    as.getLayoutBounds().getWidth(),
                                    row.getLayoutBounds().getWidth(),
                                    0.01,
                                    where);
                        }
                    }
                })
                .get();
    }

    /** One change, the same in both. */
    private void change() {
        int what = inPlain.size() < 2 ? 0 : chance.nextInt(5); // a VBox without rows is less high than its padding
        int at = inPlain.isEmpty() ? 0 : chance.nextInt(inPlain.size());
        String said = said();
        int shape = chance.nextInt(3);
        switch (what) {
            case 0, 1 -> {
                inPlain.add(at, row(said, shape));
                inList.add(at, row(said, shape));
            }
            case 2 -> {
                inPlain.remove(at);
                inList.remove(at);
            }
            case 3 -> {
                say(inPlain.get(at), said);
                say(inList.get(at), said);
            }
            default -> {
                double width = 120 + chance.nextInt(400);
                plain.resize(width, 10);
                list.resize(width, 10);
            }
        }
        plain.getChildren().setAll(inPlain);
        list.show(inList);
    }

    private String said() {
        StringBuilder said = new StringBuilder();
        for (int i = chance.nextInt(9); i >= 0; i--) {
            said.append(WORDS.get(chance.nextInt(WORDS.size()))).append(' ');
        }
        return said.toString();
    }

    /** A text, one in a row beside another, or one with room around it. */
    private static Node row(String said, int shape) {
        Label label = Nodes.label(said);
        HBox.setHgrow(label, Priority.ALWAYS);
        Node row = shape == 0 ? new HBox(9, label, Nodes.label("beside")) : label;
        if (shape == 1) {
            VBox.setMargin(label, new Insets(11, 3, 4, 8));
        }
        row.setId("row"); // what has a name is never taken for another
        return row;
    }

    private static void say(Node row, String said) {
        ((Label) (row instanceof HBox box ? box.getChildren().getFirst() : row)).setText(said);
    }
}
