package org.gullyrun.desktop.evidence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.flow.graph.PointWords;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.flow.graph.SegmentSettings;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Decimals;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.desktop.look.KeptControls;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.state.WrongSegments;
import org.jspecify.annotations.Nullable;

/**
 * The routes shown as a ladder: a rung for each point, with level and delay so far and what gates the route into it. Several
 * routes stand side by side, and what they share is a rung once.
 */
final class Ladder extends VBox {
    private static final int MOST = 3;

    /** One rung: a point, and for each route the segment by which it comes there (-1: it begins there; -2: not on it). */
    private record Rung(int point, int[] by) {}

    private final Store store;
    /** The rows there are, more than are shown perhaps: they are kept for other routes. */
    private final List<RungRow> rows = new ArrayList<>();

    private State state;
    private FlowGraph graph;
    private Rig rig;
    private List<Evidence.Trace> routes = List.of();
    private double u;
    private Set<SegmentKey> wrong = Set.of();

    Ladder(Store store) {
        this.store = store;
        this.state = store.state();
        this.graph = state.graph();
        this.rig = graph.rig();
        setId("ladder");
    }

    /** Shows the routes of a state, of which there is at least one. */
    void show(State now) {
        state = now;
        graph = now.graph();
        rig = now.reading().rig();
        routes = now.shown()
                .routes()
                .subList(0, Math.min(MOST, now.shown().routes().size()));
        u = now.textScale();
        wrong = WrongSegments.wrong(now);
        List<Node> all = new ArrayList<>(List.of(head()));
        List<Rung> rungs = rungs();
        double[] level = new double[routes.size()];
        double[] delay = new double[routes.size()];
        int[] passing = new int[routes.size()];
        Arrays.fill(passing, -1);
        Arrays.fill(level, level(rungs));
        for (int i = 0; i < rungs.size(); i++) {
            Rung rung = rungs.get(i);
            for (int w = 0; w < routes.size(); w++) {
                if (rung.by[w] >= 0) {
                    level[w] += graph.gain(rung.by[w]);
                    delay[w] += graph.latency(rung.by[w]);
                }
            }
            if (i == rows.size()) {
                rows.add(new RungRow(store, i));
            }
            int route = first(rung);
            RungLook look = look(rung, i == 0, i == rungs.size() - 1, level[route], delay[route], passing);
            rows.get(i).show(look, look.gate() == null ? null : pill(look.gate()), u);
            all.add(rows.get(i));
            for (int w = 0; w < routes.size(); w++) {
                passing[w] = rung.by[w] == -2 ? passing[w] : next(rung, w);
            }
            if (now.hop() == i && settings(rung) instanceof Node settings) {
                all.add(settings);
            }
        }
        if (now.shown().routes().size() > MOST) {
            all.add(label("and " + (now.shown().routes().size() - MOST) + " more routes", "caption"));
        }
        KeptControls.exchange(getChildren(), all);
    }

    /** The heading with the names of the routes. */
    private Node head() {
        Label unit = label(isCircle() ? "dB" : "dBFS", "caption");
        unit.setMinWidth(46 * u);
        unit.setPrefWidth(46 * u);
        unit.setAlignment(Pos.CENTER_RIGHT);
        unit.setWrapText(false);
        Region rails = new Region();
        rails.setMinWidth(RungRow.railsWidth(routes.size(), u));
        String middle =
                routes.size() == 1 ? "the route" : state.shown().routes().size() + " routes";
        HBox head = new HBox(unit, rails, label(middle, "caption"), Nodes.spacer(), label("ms", "caption"));
        head.setPadding(new Insets(0, 4, 4, 0));
        return head;
    }

    /** Whether a loop is shown, whose end is its beginning. */
    private boolean isCircle() {
        return routes.getFirst().form() == Evidence.Form.CIRCLE;
    }

    private static Label label(String text, String... classes) {
        return Nodes.label(text, classes);
    }

    /** The first rung that the routes don't share. */
    private static int first(Rung rung) {
        for (int w = 0; w < rung.by.length; w++) {
            if (rung.by[w] != -2) {
                return w;
            }
        }
        return 0;
    }

    /** The segments of a route, in order. */
    private List<Integer> segments(int route) {
        return routes.get(route).in(graph);
    }

    /** Points of all routes in one order that respects each; where there is none, those of the first route only. */
    private List<Rung> rungs() {
        Map<Integer, int[]> by = new LinkedHashMap<>();
        List<Integer> order = new ArrayList<>();
        for (int w = 0; w < routes.size(); w++) {
            int at = -1;
            List<Integer> segments = segments(w);
            for (int i = -1; i < segments.size(); i++) {
                int point = i < 0 ? graph.from(segments.getFirst()) : graph.to(segments.get(i));
                boolean closes = i >= 0 && routes.get(w).form() == Evidence.Form.CIRCLE && i == segments.size() - 1;
                int key = closes ? -1 - w : point;
                int[] mine = by.computeIfAbsent(key, k -> {
                    int[] none = new int[routes.size()];
                    Arrays.fill(none, -2);
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
                        key >= 0 ? key : graph.to(segments(-1 - key).getLast()), Objects.requireNonNull(by.get(key))))
                .toList();
    }

    /** The level at which sound sets out, in dBFS. */
    private double level(List<Rung> rungs) {
        return rig.find(graph.element(rungs.getFirst().point), Kind.SOURCE)
                .map(Sources::level)
                .orElse(0.0);
    }

    /** What a rung looks like: its rails, its stroke and its figures. */
    private RungLook look(Rung rung, boolean first, boolean last, double level, double delay, int[] passing) {
        String shown = isCircle() ? Decimals.signed(level) : Decimals.one(level);
        boolean bad = isBad(rung);
        String name = PointWords.within(graph, rung.point);
        String sub = sub(rung);
        List<RungLook.Rail> rails = new ArrayList<>();
        for (int w = 0; w < routes.size(); w++) {
            rails.add(rail(rung, w, first, last, passing[w]));
        }
        String spoken = name + ", " + Decimals.one(level) + " dBFS, " + Decimals.one(delay) + " ms. " + sub;
        return new RungLook(shown, Decimals.one(delay), name, bad, sub, rails, bad ? gate(rung) : null, spoken);
    }

    /** Whether the rung is where the trouble lies. */
    private boolean isBad(Rung rung) {
        for (int by : rung.by) {
            if (by >= 0 && (!graph.isOpen(by) || wrong.contains(graph.key(by)) && culprit(by))) {
                return true;
            }
        }
        return false;
    }

    /** Whether a hop is the one that the evidence finds wrong. */
    private boolean culprit(int segment) {
        for (Evidence.Trace route : routes) {
            int hop = WrongSegments.hop(state, route);
            if (hop >= 0 && route.in(graph).get(hop) == segment) {
                return true;
            }
        }
        return false;
    }

    /** How the line of one route passes a rung. */
    private RungLook.Rail rail(Rung rung, int w, boolean first, boolean last, int passing) {
        int by = rung.by[w];
        boolean on = by != -2;
        if (!on && passing < 0) {
            return RungLook.Rail.NONE;
        }
        boolean begins = by == -1;
        boolean ends = by >= 0 && by == segments(w).getLast();
        RungLook.Stroke above = begins || first ? RungLook.Stroke.NONE : stroke(on ? by : passing);
        RungLook.Stroke below = on && !ends && !last ? stroke(next(rung, w)) : RungLook.Stroke.NONE;
        RungLook.Stroke dot = !on
                ? RungLook.Stroke.NONE
                : by >= 0 && graph.isOpen(by) && culprit(by) ? RungLook.Stroke.BAD : stroke(by);
        return new RungLook.Rail(above, !on, below, dot);
    }

    /** How the line into a rung is drawn: dry where a gate is closed, bad where sound should not pass. */
    private RungLook.Stroke stroke(int segment) {
        if (segment < 0) {
            return RungLook.Stroke.PLAIN;
        }
        if (!graph.isOpen(segment)) {
            return RungLook.Stroke.DRY;
        }
        return wrong.contains(graph.key(segment)) ? RungLook.Stroke.BAD : RungLook.Stroke.PLAIN;
    }

    /** The place of the following rung on a route, −1 at its end. */
    private int next(Rung rung, int w) {
        List<Integer> segments = segments(w);
        int at = rung.by[w] == -1 ? 0 : segments.indexOf(rung.by[w]) + 1;
        return at < segments.size() ? segments.get(at) : -1;
    }

    /** The small line of a rung: program, and what leads there. */
    private String sub(Rung rung) {
        int by = rung.by[first(rung)];
        if (by < 0) {
            return by == -1 && graph.kind(rung.point) == PointKind.SOURCE ? "usual level" : "";
        }
        String program = PointWords.program(graph, rung.point);
        String hop = PointWords.hop(graph, by);
        return program.isEmpty() || hop.isEmpty() ? program + hop : program + ", " + hop;
    }

    /** The gate that can be turned on the rung itself: one that is closed, or the one at fault. */
    private @Nullable Gate gate(Rung rung) {
        for (int by : rung.by) {
            if (by >= 0) {
                for (Gate gate : graph.gates(by)) {
                    if (graph.isOpen(by) ? culprit(gate) : !gate.open()) {
                        return gate;
                    }
                }
            }
        }
        return null;
    }

    /** A gate as a switch that can be turned. */
    private Node pill(Gate gate) {
        ToggleButton toggle = SettingEditor.gate(store, graph, gate);
        toggle.setId("pill-" + gate.at().element() + "-" + gate.at().key().replace(':', '-'));
        return toggle;
    }

    /** Whether the first fix would change this gate. */
    private boolean culprit(Gate gate) {
        return state.fixes() != null
                && state.fixes().fixes().stream()
                        .limit(1)
                        .flatMap(r -> r.changes().stream())
                        .anyMatch(c -> c instanceof Change.Set set
                                ? set.address().equals(gate.at())
                                : gate.at().element().endsWith("@" + c.element()));
    }

    /** The settings of a rung, to be changed in place. */
    private @Nullable Node settings(Rung rung) {
        VBox box = new VBox(5);
        box.getStyleClass().add("settings");
        VBox.setMargin(box, new Insets(2, 0, 6, 0));
        Set<Address> addresses = new LinkedHashSet<>();
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
        ReachLine reach = new ReachLine(store, graph.element(rung.point));
        for (Address address : addresses) {
            Node row = SettingEditor.row(store, rig, address, true);
            if (row != null) {
                Element element = rig.get(address.element());
                Setting<?> setting = Catalogue.find(element.kind(), address.key());
                reach.watch(row, address, setting == null ? "" : Sentences.label(rig, element, setting));
                box.getChildren().add(row);
            }
        }
        if (!box.getChildren().isEmpty()) {
            box.getChildren().addFirst(reach.line());
        }
        return box.getChildren().isEmpty() ? null : box;
    }
}
