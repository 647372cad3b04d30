package org.gullyrun.core.runmap;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.gullyrun.core.audit.Rates;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.graph.PointKind;
import org.gullyrun.core.flow.graph.SegmentKey;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.runmap.MapNode.Lane;
import org.gullyrun.core.runmap.MapNode.Stage;

/**
 * Makes the run map of one or several scenes: puts points together that people see as one thing (both ends of a cable, a
 * mixer with its own endpoints, a listener with what is worn), and lays the graphs of the scenes over one another.
 */
final class MapBuilder {
    private record Port(MapNode node, int west, int east) {}

    private final Reading reading;
    private final Rig rig;
    private final SceneOverlay overlay;
    private final Map<SegmentKey, SceneOverlay.Segment> segments;
    private final Map<PointId, PointKind> points;
    private final Map<PointId, Port> ports = new HashMap<>();
    private final List<MapNode> nodes = new ArrayList<>();
    private final NodeWords words;

    private MapBuilder(Reading reading, Rig rig, SceneOverlay overlay) {
        this.reading = reading;
        this.rig = rig;
        this.overlay = overlay;
        this.words = new NodeWords(rig);
        this.segments = overlay.segments;
        this.points = overlay.points;
    }

    /** The map of a scene by its place, -1 for all of them, with levels. */
    static MapModel build(Reading reading, int scene) {
        return build(reading, reading.rig(), new SceneOverlay(reading, scene));
    }

    /** The map of what is laid over one another, with the names of a rig that has all of it. */
    static MapModel build(Reading reading, Rig rig, SceneOverlay overlay) {
        MapBuilder builder = new MapBuilder(reading, rig, overlay);
        builder.grids();
        builder.outlets();
        builder.programs();
        builder.links();
        builder.rest();
        return builder.finish();
    }

    private MapNode node(String id, Stage stage, String title) {
        MapNode node = new MapNode(id, stage, title);
        nodes.add(node);
        return node;
    }

    /** Remembers where a point is drawn, and its places on both sides. */
    private void put(MapNode node, PointId point) {
        put(node, point, 0, 0);
    }

    private void put(MapNode node, PointId point, int west, int east) {
        if (ports.putIfAbsent(point, new Port(node, west, east)) == null) {
            node.points.add(point);
        }
    }

    private boolean free(PointId point) {
        return points.containsKey(point) && !ports.containsKey(point);
    }

    /** Mixers are drawn as grids of crossings. */
    private void grids() {
        for (Element mixer : rig.of(Kind.MIXER)) {
            MapNode node = node(mixer.id(), Stage.MIXERS, mixer.name());
            for (Element strip : rig.in(mixer.id(), Kind.STRIP)) {
                row(node, PointId.of(strip.id()), strip);
            }
            for (Element bus : rig.in(mixer.id(), Kind.BUS)) {
                column(node, PointId.of(bus.id()), bus.id(), bus.name());
            }
            crossings(node);
            for (int i = 0; i < node.rows.size(); i++) {
                int row = i;
                overlay.before(node.rows.get(i).point()).stream()
                        .filter(d -> isOwn(d, Devices.Direction.PLAYBACK)
                                && overlay.after(d).size() == 1)
                        .forEach(d -> put(node, d, row, 0));
            }
            for (int i = 0; i < node.columns.size(); i++) {
                int column = i;
                overlay.after(node.columns.get(i).point()).stream()
                        .filter(d -> isOwn(d, Devices.Direction.RECORDING)
                                && overlay.before(d).size() == 1)
                        .forEach(d -> put(node, d, 0, column));
            }
            drop(node);
        }
        Map<String, List<PointId>> copies = ofRole(PointId.Role.COPY);
        Map<String, List<PointId>> tracks = ofRole(PointId.Role.TRACK);
        for (Element production : rig.of(Kind.PRODUCTION)) {
            MapNode node = node(production.id(), Stage.PRODUCTIONS, production.name());
            for (Element input : rig.in(production.id(), Kind.INPUT)) {
                row(node, PointId.of(input.id()), input);
                copies.getOrDefault(input.id(), List.of()).forEach(point -> row(node, point, input));
            }
            column(node, PointId.cue(production.id()), production.id(), "cue");
            for (PointId point : tracks.getOrDefault(production.id(), List.of())) {
                String n = String.valueOf(point.track());
                String name = Sentences.trackName(rig, production, n);
                column(node, point, production.id(), name.equals(n) ? "track " + n : name);
            }
            crossings(node);
            drop(node);
        }
    }

    /** The points of a role in order, by their element. */
    private Map<String, List<PointId>> ofRole(PointId.Role role) {
        return points.keySet().stream()
                .filter(point -> point.role() == role)
                .sorted()
                .collect(Collectors.groupingBy(PointId::element));
    }

    /** Whether a virtual device is drawn as part of the cable or mixer it belongs to, not by itself. */
    private boolean isOwn(PointId device, Devices.Direction direction) {
        return free(device)
                && rig.find(device.element(), Kind.DEVICE)
                        .filter(d -> d.is(Devices.VIRTUAL, false) && d.get(Devices.DIRECTION) == direction)
                        .isPresent();
    }

    /** A row of a node. */
    private void row(MapNode node, PointId point, Element element) {
        String label = element.name() + (point.role() == PointId.Role.COPY ? ", copy" : "");
        node.rows.add(new Lane(point, element.id(), label));
        put(node, point, node.rows.size() - 1, 0);
        points.putIfAbsent(point, PointKind.STRIP);
    }

    private void column(MapNode node, PointId point, String element, String label) {
        node.columns.add(new Lane(point, element, label));
        put(node, point, 0, node.columns.size() - 1);
    }

    /** The crossings that are on. */
    private void crossings(MapNode node) {
        for (int r = 0; r < node.rows.size(); r++) {
            for (int c = 0; c < node.columns.size(); c++) {
                PointId from = node.rows.get(r).point();
                PointId to = node.columns.get(c).point();
                // A crossing belongs to its row: the strip or the input.
                SegmentKey key = new SegmentKey(from, to, node.rows.get(r).element());
                SceneOverlay.Segment segment = segments.get(key);
                if (segment != null && segment.here) {
                    node.crossings.add(new MapNode.Crossing(r, c, key, segment.open, segment.wanted));
                }
            }
        }
    }

    /** Takes a node off the map with all that leads to it. */
    private void drop(MapNode node) {
        if (!node.isGrid()) {
            nodes.remove(node);
        }
    }

    /** The listeners. */
    private void outlets() {
        for (Element outlet : rig.of(Kind.OUTLET)) {
            MapNode node = node(outlet.id(), Stage.OUTLETS, outlet.name());
            put(node, PointId.of(outlet.id()));
            node.bad = reading.bad().stream().anyMatch(f -> f.subject().outlet().equals(outlet.id()));
            Set<PointId> before = overlay.before(PointId.of(outlet.id()));
            for (PointId point : before) {
                if (points.get(point) == PointKind.APPLICATION_IN
                        && free(point)
                        && overlay.after(point).size() == 1) {
                    put(node, point);
                    node.under = "in " + rig.name(outlet.or(Outlets.APPLICATION, ""));
                }
                if (points.get(point) == PointKind.PLAYBACK && free(point) && before.size() == 1) {
                    put(node, point);
                    node.under = rig.name(point.element());
                    words.defaultTag(node, point.element());
                }
            }
        }
    }

    /** The sources, and what they start at. */
    private void programs() {
        for (Element source : rig.of(Kind.SOURCE)) {
            MapNode node = node(source.id(), Stage.SOURCES, source.name());
            node.sourceClass = source.get(Sources.CLASS);
            put(node, PointId.of(source.id()));
            PointId at = PointId.of(source.or(Sources.AT, ""));
            if (free(at) && points.get(at) == PointKind.RECORDING) {
                deviceNode(at, Stage.PROGRAMS);
            }
        }
        for (Element application : rig.of(Kind.APPLICATION)) {
            PointId outPoint = PointId.out(application.id());
            PointId inPoint = PointId.in(application.id());
            if (free(outPoint) || free(inPoint)) {
                MapNode node = node(application.id(), Stage.PROGRAMS, application.name());
                put(node, outPoint);
                put(node, inPoint);
                for (Element output : rig.in(application.id(), Kind.APP_OUTPUT)) {
                    PointId own = PointId.of(output.id());
                    if (free(own)) {
                        put(node, own);
                    }
                }
            }
        }
    }

    /** A node for a device, with its rate as a tag. */
    private MapNode deviceNode(PointId point, Stage stage) {
        String device = point.element();
        MapNode node = node(point.text(), stage, rig.name(device));
        put(node, point);
        rig.find(device, Kind.DEVICE).ifPresent(d -> node.tag = kilo(d));
        words.defaultTag(node, device);
        return node;
    }

    private static String kilo(Element device) {
        Double rate = device.get(Devices.RATE);
        return rate == null ? "" : Rates.kilo(rate);
    }

    /** What joins devices. */
    private void links() {
        for (Element processor : rig.of(Kind.PROCESSOR)) {
            PointId offers = PointId.of(processor.or(Links.PROCESSOR_TO, ""));
            if (free(offers)) {
                MapNode node = node(processor.id(), Stage.DEVICES, processor.name());
                put(node, offers);
                rig.find(offers.element(), Kind.DEVICE).ifPresent(d -> node.tag = kilo(d));
            }
        }
        for (Element cable : rig.of(Kind.CABLE)) {
            pair(
                    cable,
                    PointId.of(cable.or(Links.CABLE_FROM, "")),
                    PointId.of(cable.or(Links.CABLE_TO, "")),
                    cable.name(),
                    Boolean.TRUE.equals(cable.get(Links.CABLE_CONVERTS)));
        }
        for (Element wire : rig.of(Kind.WIRE)) {
            PointId to = PointId.of(wire.or(Links.WIRE_TO, ""));
            boolean read = overlay.after(to).stream()
                    .anyMatch(p -> points.get(p) == PointKind.STRIP || points.get(p) == PointKind.INPUT);
            boolean digital = wire.get(Links.WIRE_SIGNAL) == Links.Signal.DIGITAL;
            pair(
                    wire,
                    PointId.of(wire.or(Links.WIRE_FROM, "")),
                    to,
                    read ? rig.name(to.element()) : wire.name(),
                    !digital);
        }
    }

    /** A cable's two devices are one node. */
    private void pair(Element link, PointId from, PointId to, String title, boolean converts) {
        if (!free(from) || !free(to)) {
            return;
        }
        MapNode node = node(link.id(), Stage.DEVICES, title);
        put(node, from);
        put(node, to);
        String a = rig.find(from.element(), Kind.DEVICE).map(MapBuilder::kilo).orElse("");
        String b = rig.find(to.element(), Kind.DEVICE).map(MapBuilder::kilo).orElse("");
        boolean differ = !a.isEmpty() && !b.isEmpty() && !a.equals(b);
        node.tag = differ ? a + " ≠ " + b : b;
        node.tagIsBad = differ && !converts;
        words.defaultTag(node, from.element());
    }

    /** Every point that isn't drawn yet. */
    private void rest() {
        points.forEach((point, kind) -> {
            if (free(point)) {
                if (kind == PointKind.DIRECT) {
                    put(node(point.text(), Stage.DEVICES, rig.name(point.element())), point);
                } else {
                    deviceNode(point, Stage.DEVICES);
                }
            }
        });
    }

    /** Puts nodes into columns and adds the channels. */
    private MapModel finish() {
        Map<String, MapEdge> edges = new LinkedHashMap<>();
        List<MapNode> placed = new ArrayList<>();
        for (MapNode node : nodes) {
            placed.add(isBehind(node) ? moved(node, Stage.PRODUCTIONS) : node);
        }
        segments.forEach((key, segment) -> {
            Port from = ports.get(key.from());
            Port to = ports.get(key.to());
            if (from != null && to != null && from.node != to.node) {
                MapEdge edge = new MapEdge(from.node, from.east, to.node, to.west);
                edge = edges.computeIfAbsent(edge.ports(), new Known(edge)::get);
                edge.keys.add(key);
                edge.here |= segment.here;
                edge.open |= segment.open;
                edge.openEverywhere &= segment.openEverywhere;
                edge.air |= segment.air;
                edge.circle |= segment.circle;
                edge.loop = edge.loop.isEmpty() ? segment.loop : edge.loop;
                edge.closed = edge.closed.isEmpty() ? segment.closed : edge.closed;
                edge.level = Math.max(edge.level, segment.level);
            }
        });
        depths(edges.values());
        placed.forEach(words::computer);
        return new MapModel(List.copyOf(placed), List.copyOf(edges.values()));
    }

    private record Known(MapEdge edge) {
        MapEdge get(String ignored) {
            return edge;
        }
    }

    /** A device that mixers or productions feed, and that leads on to neither: it is drawn to their right. */
    private boolean isBehind(MapNode node) {
        if (node.stage != Stage.DEVICES) {
            return false;
        }
        boolean fed =
                node.points.stream().flatMap(p -> overlay.before(p).stream()).anyMatch(this::isEngine);
        boolean leads =
                node.points.stream().flatMap(p -> overlay.after(p).stream()).anyMatch(this::isEngine);
        return fed && !leads;
    }

    private boolean isEngine(PointId point) {
        Port port = ports.get(point);
        return port != null && port.node.isGrid();
    }

    /** A node in another column. */
    private MapNode moved(MapNode node, Stage stage) {
        MapNode moved = new MapNode(node.id, stage, node.title);
        moved.tag = node.tag;
        moved.tagIsBad = node.tagIsBad;
        moved.under = node.under;
        moved.points.addAll(node.points);
        node.points.forEach(p -> ports.put(p, new Port(moved, 0, 0)));
        return moved;
    }

    /** Within a stage what feeds another stands before it; circles are left as they are met. */
    private void depths(java.util.Collection<MapEdge> edges) {
        for (int round = 0; round < 4; round++) {
            for (MapEdge edge : edges) {
                if (edge.from.stage == edge.to.stage && edge.to.depth <= edge.from.depth && !edge.circle) {
                    edge.to.depth = Math.min(4, edge.from.depth + 1);
                }
            }
        }
    }
}
