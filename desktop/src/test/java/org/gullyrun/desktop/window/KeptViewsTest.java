package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.LongStream;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.scene.AccessibleAction;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Text;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.basins.BasinsView;
import org.gullyrun.desktop.evidence.EvidenceView;
import org.gullyrun.desktop.look.ClickRow;
import org.gullyrun.desktop.look.KeptControls;
import org.gullyrun.desktop.look.KeptList;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

/** Views that keep what they show and change it in place look as if they had been made anew, whatever came before. */
@ExtendWith(ApplicationExtension.class)
class KeptViewsTest {
    private static final int STEPS = 60;

    @BeforeAll
    static void faces() {
        Type.load();
    }

    static LongStream seeds() {
        return LongStream.rangeClosed(1, RandomRigs.many(1, 10));
    }

    @TakesLong
    @ParameterizedTest
    @MethodSource("seeds")
    void whatIsKeptLooksAsIfItWereMadeAnew(long seed) throws Exception {
        Store store = new Store(SampleShow.make(), null, Platform::runLater);
        try {
            Random random = new Random(seed);
            EvidenceView evidence = on(() -> new EvidenceView(store));
            BasinsView basins = on(() -> new BasinsView(store, 1280));
            int rungs = 0;
            for (int i = 0; i < STEPS; i++) {
                String did = on(() -> step(store, random));
                WaitForAsyncUtils.waitForFxEvents(); // what the reader tells late is shown too
                String where = "seed " + seed + ", step " + i + ", " + did;
                rungs += on(() -> {
                    String anew = look(new EvidenceView(store));
                    assertEquals(anew, look(evidence), where);
                    assertEquals(look(new BasinsView(store, 1280)), look(basins), where);
                    return anew.contains("#rung-0") ? 1 : 0;
                });
            }
            assertTrue(rungs > STEPS / 3, "ladders were shown: " + rungs);
        } finally {
            store.close();
        }
    }

    private static <T> T on(java.util.concurrent.Callable<T> work) throws Exception {
        return WaitForAsyncUtils.asyncFx(work).get();
    }

    private static String step(Store store, Random random) {
        Rig rig = store.state().surveyShown().rig();
        List<Element> sources = rig.of(Kind.SOURCE);
        List<Element> outlets = rig.of(Kind.OUTLET);
        switch (random.nextInt(12)) {
            case 0, 1, 2 ->
                store.select(new Selection.Pair(
                        any(sources, random).id(), any(outlets, random).id()));
            case 3 -> {
                List<Finding> findings = store.state().reading().findings();
                if (!findings.isEmpty()) {
                    store.select(new Selection.Trouble(any(findings, random).identity()));
                }
            }
            case 4 -> store.lookAt(random.nextInt(-1, 6));
            case 5 -> store.chooseScene(random.nextInt(-1, 4));
            case 6 -> store.undo();
            case 7 -> store.redo();
            case 8 ->
                store.select(
                        random.nextBoolean()
                                ? new Selection.OfOutlet(any(outlets, random).id())
                                : new Selection.OfSource(any(sources, random).id()));
            case 9 -> store.go(any(List.of(Step.TRACE, Step.FINDINGS), random));
            default -> {
                Change change = turned(rig, random);
                if (change != null) {
                    store.change(List.of(change));
                    return change.toString();
                }
            }
        }
        return store.state().selection().toString();
    }

    /** Some flag of some element set otherwise. */
    private static Change turned(Rig rig, Random random) {
        Element element = any(rig.elements().stream().toList(), random);
        List<Setting<?>> flags = Catalogue.of(element.kind()).stream()
                .filter(s -> !s.isFamily() && s.type() instanceof ValueType.Flag)
                .toList();
        if (flags.isEmpty()) {
            return null;
        }
        Setting<?> flag = any(flags, random);
        return Change.setRaw(rig, element.id(), flag, !Boolean.TRUE.equals(element.raw(flag)));
    }

    private static <T> T any(List<T> all, Random random) {
        return all.get(random.nextInt(all.size()));
    }

    /** All that can be told of a node's looks without laying it out. */
    private static String look(Node node) {
        StringBuilder told = new StringBuilder();
        tell(node, told, 0);
        return told.toString();
    }

    private static void tell(Node node, StringBuilder told, int depth) {
        if (!node.isVisible() || "reach".equals(node.getId())) {
            return; // kept for when it is needed again, or still being worked out
        }
        told.append("  ".repeat(depth)).append(node.getClass().getSimpleName());
        told.append(node.getId() == null ? "" : "#" + node.getId()).append(new TreeSet<>(node.getStyleClass()));
        for (PseudoClass mark : node.getPseudoClassStates()) {
            if (!mark.getPseudoClassName().contains("-child")) {
                told.append(':').append(mark.getPseudoClassName());
            }
        }
        told.append(node.isDisabled() ? " disabled" : "");
        told.append(node.getAccessibleText() == null ? "" : " says " + node.getAccessibleText());
        switch (node) {
            case Labeled labeled -> told.append(" ‘").append(labeled.getText()).append('’');
            case TextInputControl field ->
                told.append(" ‘").append(field.getText()).append('’');
            case Text text -> told.append(" ‘").append(text.getText()).append('’');
            case Line line -> told.append(line.getStartX()).append('-').append(line.getStartY());
            case Rectangle bar -> told.append(bar.getY()).append('+').append(bar.getHeight());
            case Circle round -> told.append(round.getCenterY());
            case SVGPath sign -> told.append(sign.getContent());
            default -> {}
        }
        told.append(" at ").append(node.getTranslateX()).append(", ").append(node.getTranslateY());
        told.append('\n');
        List<Node> within = new ArrayList<>(node instanceof Parent p ? p.getChildrenUnmodifiable() : List.of());
        if (node instanceof ScrollPane pane) {
            within.add(pane.getContent());
        }
        within.forEach(n -> tell(n, told, depth + 1));
    }

    @Test
    void whatLooksTheSameButForItsWordsStaysAndWhatIsNamedOrClickedDoesNot() {
        VBox box = new VBox(Nodes.label("one", "soft"), Nodes.rule(), new VBox(Nodes.label("deep", "soft")));
        List<Node> before = List.copyOf(box.getChildren());
        Node deep = ((VBox) before.get(2)).getChildren().getFirst();
        Label named = Nodes.label("named", "soft");
        named.setId("named");
        KeptControls.exchange(
                box.getChildren(),
                List.of(Nodes.label("two", "soft"), Nodes.rule(), new VBox(Nodes.label("deeper", "soft")), named));
        assertEquals(before, box.getChildren().subList(0, 3), "the same nodes");
        assertEquals("two", ((Label) before.getFirst()).getText());
        assertEquals(List.of(deep), ((VBox) before.get(2)).getChildren());
        assertEquals("deeper", ((Label) deep).getText());

        Function<String, Label> strong = text -> Nodes.label(text, "strong");
        Label clicked = Nodes.label("clicked", "soft");
        clicked.setOnMouseClicked(e -> {});
        Label other = strong.apply("other class");
        Label marked = Nodes.label("marked", "soft");
        Nodes.mark(marked, "bad", true);
        List<Node> wanted = List.of(clicked, other, named, marked);
        KeptControls.exchange(box.getChildren(), wanted);
        assertEquals(wanted, box.getChildren(), "none of these may be taken for another");

        KeptControls.exchange(box.getChildren(), List.of(marked, named));
        assertEquals(List.of(marked, named), box.getChildren(), "what is there already stays, in the order asked for");
        KeptControls.exchange(box.getChildren(), List.of());
        assertTrue(box.getChildren().isEmpty());
    }

    @Test
    void aRowTakesOverWhatAnotherIsClickedForUnlessItHasTheFocus() throws Exception {
        List<String> done = new ArrayList<>();
        Function<String, ClickRow> row =
                text -> new ClickRow("fix", "row-" + text, text, () -> done.add(text), Nodes.label(text));
        on(() -> {
            ClickRow kept = row.apply("one");
            VBox box = new VBox(kept);
            KeptControls.exchange(box.getChildren(), List.of(row.apply("two")));
            assertEquals(List.of(kept), box.getChildren());
            assertEquals("row-two", kept.getId());
            assertEquals("two", ((Label) kept.getChildren().getFirst()).getText());
            kept.executeAccessibleAction(AccessibleAction.FIRE);
            assertEquals(List.of("two"), done, "the click does what the row says");

            new Scene(box);
            kept.requestFocus();
            ClickRow other = row.apply("three");
            KeptControls.exchange(box.getChildren(), List.of(other));
            assertSame(other, box.getChildren().getFirst(), "nobody has chosen the third");
            return null;
        });
    }

    @Test
    void aShorterListKeepsItsRowsForALongerOne() {
        KeptList list = new KeptList(6);
        list.show(List.of(Nodes.label("one"), Nodes.label("two"), Nodes.label("three")));
        List<Node> all = List.copyOf(list.getChildren());
        list.show(List.of(Nodes.label("alone")));
        assertEquals(all, list.getChildren());
        assertEquals(
                List.of(true, false, false), all.stream().map(Node::isVisible).toList());
        list.show(List.of(Nodes.label("a"), Nodes.label("b")));
        assertEquals(all, list.getChildren());
        assertEquals(
                List.of(true, true, false), all.stream().map(Node::isManaged).toList());
        assertEquals("b", ((Label) all.get(1)).getText());
    }
}
