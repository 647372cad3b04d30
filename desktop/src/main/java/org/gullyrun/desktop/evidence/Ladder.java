package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.flow.FlowGraph;
import org.gullyrun.core.flow.Gate;
import org.gullyrun.core.flow.SegmentSettings;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Culprit;
import org.gullyrun.desktop.state.SegmentKey;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;

/**
 * The ways shown as a ladder: a rung for each point, with level and delay so far and what gates the way into it. Several
 * ways stand side by side, and what they share is a rung once.
 */
final class Ladder extends VBox {
    private static final int MOST = 3;
    private static final double RAIL = 13;

    /** One rung: a point, and for each way the segment by which it comes there (-1: it begins there; -2: not on it). */
    private record Rung(int point, int[] by) {}

    private final Store store;
    private final State state;
    private final FlowGraph graph;
    private final Rig rig;
    private final List<Evidence.Way> ways;
    private final double u;
    private final Set<SegmentKey> wrong;

    Ladder(Store store, State state) {
        this.store = store;
        this.state = state;
        this.graph = state.graph();
        this.rig = state.reading().rig();
        this.ways = state.shown()
                .ways()
                .subList(0, Math.min(MOST, state.shown().ways().size()));
        this.u = state.textScale();
        this.wrong = Culprit.wrong(state);
        setId("ladder");
        String middle = ways.size() == 1 ? "the way" : state.shown().ways().size() + " ways";
        HBox head = new HBox(
                cell(label(isCircle() ? "dB" : "dBFS", "caption"), 46, Pos.CENTER_RIGHT),
                rails(),
                label(middle, "caption"),
                Nodes.spacer(),
                label("ms", "caption"));
        head.setPadding(new javafx.geometry.Insets(0, 4, 4, 0));
        getChildren().add(head);
        List<Rung> rungs = rungs();
        double start = level(rungs);
        double[] level = new double[ways.size()];
        double[] delay = new double[ways.size()];
        int[] passing = new int[ways.size()];
        java.util.Arrays.fill(passing, -1);
        java.util.Arrays.fill(level, start);
        for (int i = 0; i < rungs.size(); i++) {
            Rung rung = rungs.get(i);
            for (int w = 0; w < ways.size(); w++) {
                if (rung.by[w] >= 0) {
                    level[w] += graph.gain(rung.by[w]);
                    delay[w] += graph.latency(rung.by[w]);
                }
            }
            int way = first(rung);
            getChildren().add(row(rung, i, i == rungs.size() - 1, level[way], delay[way], passing));
            for (int w = 0; w < ways.size(); w++) {
                passing[w] = rung.by[w] == -2 ? passing[w] : next(rung, w);
            }
            if (state.hop() == i && settings(rung) instanceof Node settings) {
                getChildren().add(settings);
            }
        }
        if (state.shown().ways().size() > MOST) {
            getChildren().add(label("and " + (state.shown().ways().size() - MOST) + " more ways", "caption"));
        }
    }

    private boolean isCircle() {
        return ways.getFirst().sort() == Evidence.Sort.CIRCLE;
    }

    private static Label label(String text, String... classes) {
        return Nodes.label(text, classes);
    }

    private Node cell(Label label, double width, Pos pos) {
        label.setMinWidth(width * u);
        label.setPrefWidth(width * u);
        label.setAlignment(pos);
        label.setWrapText(false);
        return label;
    }

    private static int first(Rung rung) {
        for (int w = 0; w < rung.by.length; w++) {
            if (rung.by[w] != -2) {
                return w;
            }
        }
        return 0;
    }

    /** Points of all ways in one order that respects each; where there is none, those of the first way only. */
    private List<Rung> rungs() {
        Map<Integer, int[]> by = new LinkedHashMap<>();
        List<Integer> order = new ArrayList<>();
        for (int w = 0; w < ways.size(); w++) {
            int at = -1;
            List<Integer> segments = ways.get(w).segments();
            for (int i = -1; i < segments.size(); i++) {
                int point = i < 0 ? graph.from(segments.getFirst()) : graph.to(segments.get(i));
                boolean closes = i >= 0 && ways.get(w).sort() == Evidence.Sort.CIRCLE && i == segments.size() - 1;
                int key = closes ? -1 - w : point;
                int[] mine = by.computeIfAbsent(key, k -> {
                    int[] none = new int[ways.size()];
                    java.util.Arrays.fill(none, -2);
                    return none;
                });
                mine[w] = i < 0 ? -1 : segments.get(i);
                int known = order.indexOf(key);
                if (known < 0) {
                    order.add(++at, key);
                } else {
                    at = Math.max(at, known);
                }
            }
        }
        return order.stream()
                .map(key -> new Rung(
                        key >= 0 ? key : graph.to(ways.get(-1 - key).segments().getLast()), by.get(key)))
                .toList();
    }

    private double level(List<Rung> rungs) {
        return rig.find(graph.element(rungs.getFirst().point), Kind.SOURCE)
                .map(Sources::level)
                .orElse(0.0);
    }

    private Pane rails() {
        Pane pane = new Pane();
        double width = (14 + RAIL * (ways.size() - 1) + 12) * u;
        pane.setMinWidth(width);
        pane.setPrefWidth(width);
        return pane;
    }

    private Node row(Rung rung, int index, boolean last, double level, double delay, int[] passing) {
        boolean circle = isCircle();
        String unit = circle ? String.format(Locale.ROOT, "%+.1f", level).replace('-', '−') : number(level);
        Label levelLabel = label(unit, "figures");
        Label delayLabel = label(number(delay), "figures");
        boolean bad = isBad(rung);
        Label name = label(pointName(rung.point), bad ? "bad-text" : "plain");
        name.getStyleClass().add("strong");
        VBox words = new VBox(name);
        words.setPadding(new javafx.geometry.Insets(1, 0, 4, 0));
        String sub = sub(rung);
        if (!sub.isEmpty()) {
            words.getChildren().add(label(sub, "caption"));
        }
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMinWidth(0);
        Pane rails = rails();
        double height = (sub.isEmpty() ? 28 : 42) * u;
        for (int w = 0; w < ways.size(); w++) {
            rail(rails, rung, w, index == 0, last, passing[w]);
        }
        HBox row = new HBox(cell(levelLabel, 46, Pos.TOP_RIGHT), rails, words);
        Node pill = pill(rung, bad);
        if (pill != null) {
            words.getChildren().add(pill);
            VBox.setMargin(pill, new javafx.geometry.Insets(3, 0, 3, 0));
        }
        row.getChildren().add(cell(delayLabel, 46, Pos.TOP_RIGHT));
        row.setMinHeight(height);
        row.setPadding(new javafx.geometry.Insets(0, 4, 0, 0));
        row.getStyleClass().add("rung");
        row.setId("rung-" + index);
        row.setFocusTraversable(true);
        row.setAccessibleRole(javafx.scene.AccessibleRole.BUTTON);
        row.setAccessibleText(pointName(rung.point) + ", " + number(level) + " dBFS, " + number(delay) + " ms. " + sub);
        row.setOnMouseClicked(e -> store.lookAt(state.hop() == index ? -1 : index));
        row.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                store.lookAt(state.hop() == index ? -1 : index);
                e.consume();
            }
        });
        return row;
    }

    private static String number(double value) {
        String text = String.format(Locale.ROOT, "%.1f", value + 0.0).replace('-', '−');
        return text.equals("−0.0") ? "0.0" : text;
    }

    private boolean isBad(Rung rung) {
        for (int by : rung.by) {
            if (by >= 0 && (!graph.isOpen(by) || wrong.contains(SegmentKey.of(graph, by)) && culprit(by))) {
                return true;
            }
        }
        return false;
    }

    private boolean culprit(int segment) {
        for (Evidence.Way way : ways) {
            int hop = Culprit.hop(state, way);
            if (hop >= 0 && way.segments().get(hop) == segment) {
                return true;
            }
        }
        return false;
    }

    private void rail(Pane rails, Rung rung, int w, boolean first, boolean last, int passing) {
        double x = (7 + RAIL * w) * u;
        double dot = 10 * u;
        List<Integer> segments = ways.get(w).segments();
        boolean on = rung.by[w] != -2;
        boolean begins = rung.by[w] == -1;
        boolean ends = rung.by[w] >= 0 && rung.by[w] == segments.getLast();
        if (!on && passing < 0) {
            return;
        }
        int next = on ? next(rung, w) : -1;
        boolean closed = rung.by[w] >= 0 && !graph.isOpen(rung.by[w]);
        if (!begins && !first) {
            Line above = rail(x, 0, dot, on ? rung.by[w] : passing, on ? closed : !graph.isOpen(passing));
            if (!on) {
                above.endYProperty().bind(rails.heightProperty());
            }
            rails.getChildren().add(above);
        }
        if (on && !ends && !last) {
            Line below = rail(x, dot, dot, next, next >= 0 && !graph.isOpen(next));
            below.endYProperty().bind(rails.heightProperty());
            rails.getChildren().add(below);
        }
        if (on) {
            Circle circle = new Circle(x, dot, 4.4 * u);
            circle.getStyleClass().add("rung-dot");
            boolean bad = rung.by[w] >= 0 && (culprit(rung.by[w]) || wrong.contains(SegmentKey.of(graph, rung.by[w])));
            circle.getStyleClass().add(closed ? "dry" : bad ? "bad" : "plain");
            rails.getChildren().add(circle);
        }
    }

    private Line rail(double x, double from, double to, int segment, boolean closed) {
        Line line = Nodes.line(x, from, x, to, "rail");
        if (closed) {
            line.getStyleClass().add("dry");
        } else if (segment >= 0 && wrong.contains(SegmentKey.of(graph, segment))) {
            line.getStyleClass().add("bad");
        }
        return line;
    }

    private int next(Rung rung, int w) {
        List<Integer> segments = ways.get(w).segments();
        int at = rung.by[w] == -1 ? 0 : segments.indexOf(rung.by[w]) + 1;
        return at < segments.size() ? segments.get(at) : -1;
    }

    private String pointName(int point) {
        return PointWords.within(graph, point);
    }

    private String sub(Rung rung) {
        int by = rung.by[first(rung)];
        if (by < 0) {
            return by == -1 && graph.kind(rung.point) == org.gullyrun.core.flow.PointKind.SOURCE ? "usual level" : "";
        }
        String program = PointWords.program(graph, rung.point);
        String hop = PointWords.hop(graph, by);
        return program.isEmpty() || hop.isEmpty() ? program + hop : program + ", " + hop;
    }

    /** The switch on the rung itself: of a closed gate, or of the one at fault. */
    private @org.jspecify.annotations.Nullable Node pill(Rung rung, boolean bad) {
        if (!bad) {
            return null;
        }
        for (int by : rung.by) {
            if (by >= 0) {
                for (Gate gate : graph.gates(by)) {
                    if (graph.isOpen(by) ? culprit(gate) : !gate.open()) {
                        ToggleButton toggle = SettingEditor.gate(store, graph, gate);
                        toggle.setId("pill-" + gate.at().element() + "-"
                                + gate.at().key().replace(':', '-'));
                        return toggle;
                    }
                }
            }
        }
        return null;
    }

    private boolean culprit(Gate gate) {
        return state.remedies() != null
                && state.remedies().remedies().stream()
                        .limit(1)
                        .flatMap(r -> r.changes().stream())
                        .anyMatch(c -> c instanceof org.gullyrun.core.rig.Change.Set set
                                ? set.address().equals(gate.at())
                                : gate.at().element().endsWith("@" + c.element()));
    }

    private @org.jspecify.annotations.Nullable Node settings(Rung rung) {
        VBox box = new VBox(5);
        box.getStyleClass().add("settings");
        VBox.setMargin(box, new javafx.geometry.Insets(2, 0, 6, 0));
        java.util.LinkedHashSet<Address> addresses = new java.util.LinkedHashSet<>();
        for (int by : rung.by) {
            if (by >= 0) {
                addresses.addAll(SegmentSettings.of(graph, by));
            }
        }
        if (rung.by[first(rung)] == -1) {
            rig.find(graph.element(rung.point), Kind.SOURCE)
                    .ifPresent(s -> addresses.add(new Address(s.id(), Sources.LEVEL.key())));
        }
        for (int by : rung.by) {
            for (Gate gate : by >= 0 ? graph.gates(by) : List.<Gate>of()) {
                if (gate.sort() == Gate.Sort.IN_SCENE) {
                    HBox row = new HBox(
                            8,
                            label("in scene " + graph.scene().name(rig), "small"),
                            Nodes.spacer(),
                            SettingEditor.gate(store, graph, gate));
                    row.setAlignment(Pos.CENTER_LEFT);
                    box.getChildren().add(row);
                }
            }
        }
        for (Address address : addresses) {
            Node row = SettingEditor.row(store, rig, address, true);
            if (row != null) {
                box.getChildren().add(row);
            }
        }
        return box.getChildren().isEmpty() ? null : box;
    }
}
