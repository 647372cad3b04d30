package org.gullyrun.desktop.trace;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import javafx.css.PseudoClass;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.HLineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.PathElement;
import javafx.scene.text.Text;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.fix.WhatIf;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.runmap.MapDifference;
import org.gullyrun.core.runmap.MapEdge;
import org.gullyrun.core.runmap.MapModel;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Shown;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;

/** The run map of the sample show: everything there, nothing over anything else. */
@ExtendWith(ApplicationExtension.class)
class MapTest {
    private static final Case CASE = SampleShow.make();

    @BeforeAll
    static void faces() {
        Type.load();
    }

    private static Reading reading(String survey) {
        return RuleCatalogue.usual().read(CASE.survey(survey).orElseThrow().rig(), CASE.brief());
    }

    private static MapDrawing draw(MapModel model, double scale) {
        MapMetrics metrics = new MapMetrics(scale, MapMetrics.LONGEST[0]);
        return new MapDrawing(
                model, new MapGeometry(model, MapLayout.of(model, metrics), metrics, 876, 646), null, s -> {}, s -> {});
    }

    @Test
    void everyPointOfTheGraphHasItsPlaceAndEverySegmentItsChannelOrCrossing() {
        Reading reading = reading(SampleShow.AS_FOUND);
        MapModel model = MapModel.of(reading, -1, false);
        long placed = model.nodes().stream()
                .flatMap(n -> n.points().stream())
                .distinct()
                .count();
        int drawn = model.edges().stream().mapToInt(e -> e.keys().size()).sum()
                + model.nodes().stream().mapToInt(n -> n.crossings().size()).sum();
        var graph = reading.scenes().get(2).graph(); // Panel, which has the copies
        long used = java.util.stream.IntStream.range(0, graph.points())
                .filter(p -> graph.in(p).length + graph.out(p).length > 0)
                .count();
        assertTrue(placed >= used, placed + " of " + used);
        assertTrue(drawn > 130, "segments drawn: " + drawn);
        MapEdge loop = model.edges().stream()
                .filter(e -> !e.loop().isEmpty() && e.isReturn())
                .findFirst()
                .orElseThrow();
        assertEquals("orrery:0>mole:0", loop.ports());
        assertEquals("loop 0.0 dB, 37 ms a round", loop.loop());
    }

    @Test
    void placesAreTheSameInAllScenesAndTwice() {
        Reading reading = reading(SampleShow.AS_FOUND);
        String all = MapModel.of(reading, -1, false).signature();
        for (int scene = 0; scene < reading.scenes().size(); scene++) {
            assertEquals(all, MapModel.of(reading, scene, false).signature());
        }
        MapModel model = MapModel.of(reading, -1, false);
        assertEquals(
                MapLayout.of(model, new MapMetrics(1, MapMetrics.LONGEST[0])),
                MapLayout.of(model, new MapMetrics(1, MapMetrics.LONGEST[0])));
    }

    @Test
    void noLabelLiesOnAnotherAndNoChannelCrossesOne() {
        for (String survey : List.of(SampleShow.AS_FOUND, SampleShow.KNOWN_GOOD)) {
            for (double scale : new double[] {1, 1.25}) {
                MapDrawing drawing = draw(MapModel.of(reading(survey), -1, false), scale);
                assertTrue(readable(drawing, survey + " at " + scale) > 50);
            }
        }
    }

    @TakesLong
    @Test
    void whereOnlyChannelsComeAndGoADifferenceMovesNothing() {
        Reading now = reading(SampleShow.AS_FOUND);
        MapModel whole = MapModel.of(now, -1, false);
        MapMetrics metrics = new MapMetrics(1, MapMetrics.LONGEST[0]);
        MapLayout layout = MapLayout.of(whole, metrics);
        MapDrawing drawing =
                new MapDrawing(whole, new MapGeometry(whole, layout, metrics, 876, 646), null, s -> {}, s -> {});
        int others = 0;
        List<WhatIf.Event> events = WhatIf.events(now.rig());
        for (int e = 0; e < events.size(); e += 6) {
            WhatIf.Event event = events.get(e);
            Reading then = RuleCatalogue.usual()
                    .quick()
                    .read(Changes.apply(now.rig(), List.of(event.change())), CASE.brief(), now);
            MapModel model = MapDifference.of(now, then, -1, List.of(event.change()), false)
                    .after();
            if (model.signature().equals(whole.signature()) || !model.hasNodesOf(whole)) {
                continue;
            }
            MapLayout adapted = layout.with(model, metrics);
            assertEquals(layout.y(), adapted.y(), event.sentence());
            if (drawing.update(model, adapted)) {
                readable(drawing, event.sentence());
                others++;
            }
            assertTrue(drawing.update(whole, layout));
        }
        assertTrue(others > 8, "differences with channels of their own: " + others);
    }

    /** Makes sure that no name is cut, lies on another or is crossed by a channel; returns how many channels there are. */
    private static int readable(MapDrawing drawing, String said) {
        List<Text> labels = new ArrayList<>();
        List<Path> channels = new ArrayList<>();
        collect(drawing.world(), labels, channels);
        assertTrue(labels.size() > 80, "labels: " + labels.size());
        for (int i = 0; i < labels.size(); i++) {
            String label = labels.get(i).getText();
            Bounds a = ink(labels.get(i));
            assertTrue(!label.endsWith("…"), "cut: " + label);
            for (int j = i + 1; j < labels.size(); j++) {
                assertTrue(
                        !a.intersects(ink(labels.get(j))),
                        label + " over " + labels.get(j).getText() + ": " + said);
            }
            for (Path channel : channels) {
                for (double[] at : samples(channel)) {
                    assertTrue(!a.contains(at[0], at[1]), "a channel crosses " + label + ": " + said);
                }
            }
        }
        return channels.size();
    }

    @Test
    void onlyWhatIsInSightIsInTheWindow() {
        Reading reading = reading(SampleShow.AS_FOUND);
        MapModel model = MapModel.of(reading, -1, false);
        MapMetrics metrics = new MapMetrics(1, MapMetrics.LONGEST[0]);
        MapGeometry geometry = new MapGeometry(model, MapLayout.of(model, metrics), metrics, 876, 646);
        List<String> whole = looks(draw(model, 1));
        BoundingBox upperLeft = new BoundingBox(0, 0, geometry.width() / 3, 200);
        MapDrawing drawing = new MapDrawing(model, geometry, upperLeft, s -> {}, s -> {});
        List<String> names = names(drawing);
        assertTrue(names.contains("Host"), names.toString());
        assertFalse(names.contains("Music track"), "it lies below, at the right");
        drawing.light(Shown.of(reading, new Selection.Pair("music", "track-music"), -1), Set.of(), Set.of());
        assertEquals(names, names(drawing), "what is lit elsewhere isn't drawn either");
        Bounds lit = Objects.requireNonNull(drawing.litBounds());
        drawing.see(lit);
        assertTrue(names(drawing).containsAll(List.of("Driftbox", "Music track")), "but where it is, is known");
        assertFalse(names(drawing).equals(names(draw(model, 1))), "and it isn't everywhere");
        drawing.light(Shown.NOTHING, Set.of(), Set.of());
        drawing.see(upperLeft);
        assertEquals(names, names(drawing));
        drawing.see(null);
        assertEquals(whole, looks(drawing));
    }

    @Test
    void nothingIsMissingFromThePartThatIsInSight() {
        Random random = new Random(11);
        for (String survey : List.of(SampleShow.AS_FOUND, SampleShow.KNOWN_GOOD)) {
            for (boolean rates : new boolean[] {false, true}) {
                MapModel model = MapModel.of(reading(survey), -1, rates);
                MapDrawing whole = draw(model, 1.25);
                int fewest = Integer.MAX_VALUE;
                for (int i = 0; i < 40; i++) {
                    double width = whole.geometry().width();
                    double height = whole.geometry().height();
                    Bounds sight = new BoundingBox(
                            random.nextDouble() * width,
                            random.nextDouble() * height,
                            random.nextDouble() * width / 2,
                            random.nextDouble() * height / 2);
                    MapDrawing part = new MapDrawing(model, whole.geometry(), sight, s -> {}, s -> {});
                    List<String> there = looks(part);
                    fewest = Math.min(fewest, there.size());
                    List<String> missing = new ArrayList<>(looks(whole, sight));
                    missing.removeAll(there);
                    assertEquals(List.of(), missing, survey + " " + sight);
                }
                assertTrue(fewest < looks(whole).size() / 10, "drawn: " + fewest);
            }
        }
    }

    @Test
    void whatComesIntoSightIsLitAsTheRestIs() {
        Reading reading = reading(SampleShow.AS_FOUND);
        MapModel model = MapModel.of(reading, -1, false);
        MapDrawing whole = draw(model, 1);
        MapDrawing part = new MapDrawing(model, whole.geometry(), new BoundingBox(0, 0, 200, 200), s -> {}, s -> {});
        Shown shown = Shown.of(reading, new Selection.Pair("music", "track-music"), -1);
        Set<SegmentKey> wrong = Set.of(shown.segments().iterator().next());
        whole.light(shown, wrong, Set.of());
        part.light(shown, wrong, Set.of());
        part.see(null);
        assertEquals(states(whole), states(part));
        assertTrue(states(part).stream().anyMatch(state -> state.contains("dimmed")));
    }

    @Test
    void everyLitCrossingHasItsDotAndThoseThatAreWrongAreMarked() {
        Reading reading = reading(SampleShow.AS_FOUND);
        MapModel model = MapModel.of(reading, -1, false);
        MapDrawing drawing = draw(model, 1);
        Set<SegmentKey> crossings = new HashSet<>();
        model.nodes().forEach(node -> node.crossings().forEach(c -> crossings.add(c.key())));
        int most = 0;
        for (Element outlet : reading.rig().of(Kind.OUTLET)) {
            Shown shown = Shown.of(reading, new Selection.OfOutlet(outlet.id()), -1);
            List<SegmentKey> lit =
                    shown.segments().stream().filter(crossings::contains).toList();
            Set<SegmentKey> wrong = lit.stream().limit(2).collect(Collectors.toSet());
            drawing.light(shown, wrong, Set.of());
            assertEquals(lit.size(), dots(drawing, "lit"), outlet.id());
            assertEquals(wrong.size(), dots(drawing, "bad"), outlet.id());
            most = Math.max(most, lit.size());
        }
        assertTrue(most > 5, "crossings of one listener: " + most);
        drawing.light(Shown.NOTHING, Set.of(), Set.of());
        assertEquals(0, dots(drawing, "lit"));
    }

    /** How many dots of crossings are marked or of a style class. */
    private static long dots(MapDrawing drawing, String mark) {
        return drawing.world().getChildren().stream()
                .flatMap(layer -> ((Group) layer).getChildren().stream())
                .filter(node -> node.getStyleClass().contains("crossing"))
                .filter(node -> node.getStyleClass().contains(mark)
                        || node.getPseudoClassStates().contains(PseudoClass.getPseudoClass(mark)))
                .flatMap(node -> ((Path) node).getElements().stream())
                .filter(MoveTo.class::isInstance)
                .count();
    }

    private static List<String> states(MapDrawing drawing) {
        return drawing.world().getChildren().stream()
                .flatMap(layer -> ((Group) layer).getChildren().stream())
                .map(node -> look(node)
                        + new TreeSet<>(node.getPseudoClassStates().stream()
                                .map(Object::toString)
                                .filter(Set.of("lit", "dimmed", "bad", "gone")::contains)
                                .toList()))
                .sorted()
                .toList();
    }

    private static List<String> names(MapDrawing drawing) {
        List<Text> labels = new ArrayList<>();
        collect(drawing.world(), labels, new ArrayList<>());
        return labels.stream().map(Text::getText).sorted().toList();
    }

    @TakesLong
    @Test
    void aMapChangedInPlaceLooksAsIfItWereDrawnAnew() {
        Random random = new Random(5);
        Rig rig = CASE.survey(SampleShow.AS_FOUND).orElseThrow().rig();
        MapModel first = MapModel.of(reading(SampleShow.AS_FOUND), -1, false);
        MapMetrics metrics = new MapMetrics(1, MapMetrics.LONGEST[0]);
        MapLayout layout = MapLayout.of(first, metrics);
        MapDrawing kept =
                new MapDrawing(first, new MapGeometry(first, layout, metrics, 876, 646), null, s -> {}, s -> {});
        int others = 0;
        List<String> before = looks(kept);
        for (int i = 0; i < 60; i++) {
            List<Element> inputs = rig.of(Kind.INPUT);
            Element input = inputs.get(random.nextInt(inputs.size()));
            Setting<Boolean> flag =
                    random.nextBoolean() ? Productions.INPUT_MUTED : Productions.TRACK.of(1 + random.nextInt(6));
            Change change = Change.set(rig, input.id(), flag, !input.is(flag, false));
            rig = change == null ? rig : Changes.apply(rig, List.of(change));
            Reading reading = RuleCatalogue.usual().quick().read(rig, CASE.brief());
            MapModel model = MapModel.of(reading, random.nextInt(-1, 4), false);
            assertTrue(kept.update(model, layout), "nothing has another place");
            kept.see(null);
            List<String> now = looks(kept);
            kept.see(new BoundingBox(random.nextInt(800), random.nextInt(600), 100, 100));
            assertEquals(looks(new MapDrawing(model, kept.geometry(), null, s -> {}, s -> {})), now, "step " + i);
            others += now.equals(before) ? 0 : 1;
            before = now;
        }
        assertTrue(others > 40, "changes that are seen: " + others);
    }

    /** All that is drawn, layer by layer; how thick a channel is may differ by less than is seen. */
    private static List<String> looks(MapDrawing drawing) {
        return looks(drawing, null);
    }

    /** What of it lies in some bounds; null for everything. */
    private static List<String> looks(MapDrawing drawing, @Nullable Bounds sight) {
        List<String> all = new ArrayList<>();
        for (Node layer : drawing.world().getChildren()) {
            all.add("layer");
            all.addAll(((Group) layer)
                    .getChildren().stream()
                            .filter(node ->
                                    sight == null || node.getBoundsInParent().intersects(sight))
                            .map(MapTest::look)
                            .sorted()
                            .toList());
        }
        return all;
    }

    private static String look(Node node) {
        Object where = node instanceof Path path ? path.getElements() : node.getLayoutBounds();
        String said = node instanceof Text text ? text.getText() : "";
        return node.getClass().getSimpleName() + node.getStyleClass() + node.isVisible() + where + said;
    }

    /** Where the letters are: the line's box without the room above and below them. */
    private static Bounds ink(Text text) {
        Bounds b = text.getBoundsInParent();
        double trim = b.getHeight() * 0.24;
        return new javafx.geometry.BoundingBox(b.getMinX(), b.getMinY() + trim, b.getWidth(), b.getHeight() - 2 * trim);
    }

    private static void collect(Group group, List<Text> labels, List<Path> channels) {
        for (Node node : group.getChildren()) {
            if (node instanceof Group inner) {
                collect(inner, labels, channels);
            } else if (node instanceof Text text) {
                labels.add(text);
            } else if (node instanceof Path path
                    && path.isVisible()
                    && path.getStyleClass().contains("channel")
                    && !path.getStyleClass().contains("return")) {
                channels.add(path);
            }
        }
    }

    /** Points along a path of level lines and curves. */
    private static List<double[]> samples(Path path) {
        List<double[]> points = new ArrayList<>();
        double x = 0;
        double y = 0;
        for (PathElement element : path.getElements()) {
            switch (element) {
                case MoveTo m -> {
                    x = m.getX();
                    y = m.getY();
                }
                case HLineTo h -> {
                    for (int i = 0; i <= 40; i++) {
                        points.add(new double[] {x + (h.getX() - x) * i / 40, y});
                    }
                    x = h.getX();
                }
                case CubicCurveTo c -> {
                    for (int i = 0; i <= 40; i++) {
                        double t = i / 40.0;
                        double s = 1 - t;
                        points.add(new double[] {
                            s * s * s * x
                                    + 3 * s * s * t * c.getControlX1()
                                    + 3 * s * t * t * c.getControlX2()
                                    + t * t * t * c.getX(),
                            s * s * s * y
                                    + 3 * s * s * t * c.getControlY1()
                                    + 3 * s * t * t * c.getControlY2()
                                    + t * t * t * c.getY()
                        });
                    }
                    x = c.getX();
                    y = c.getY();
                }
                default -> {}
            }
        }
        return points;
    }
}
