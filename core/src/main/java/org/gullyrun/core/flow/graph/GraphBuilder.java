package org.gullyrun.core.flow.graph;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/** Collects points, segments and gates while a rig is compiled, and puts them in their declared order. */
final class GraphBuilder {

    /** The finished arrays that a {@link FlowGraph} holds. */
    static final class Arrays {
        final Shape shape;
        final double[] gain;
        final double[] latency;
        final int[][] gates;
        final List<List<Address>> assumed;
        final Gate[] allGates;
        final Map<Address, Integer> gateIndex;
        /** For each segment that depends on the scene, in the order in which they were made: its number. */
        final int[] ofScene;

        /** Arrays of a shape, still to be filled. */
        private Arrays(Shape shape, GraphBuilder builder, int[] ofScene) {
            int segments = shape.from.length;
            this.shape = shape;
            this.gain = new double[segments];
            this.latency = new double[segments];
            this.gates = new int[segments][];
            this.assumed = new ArrayList<>(Collections.nCopies(segments, List.of()));
            this.allGates = builder.gateList.toArray(Gate[]::new);
            this.gateIndex = builder.gateIndex;
            this.ofScene = ofScene;
        }

        /** Copies of another scene's arrays, in which only what differs is put. */
        private Arrays(Arrays first, GraphBuilder builder) {
            this.shape = first.shape;
            this.gain = first.gain.clone();
            this.latency = first.latency.clone();
            this.gates = first.gates.clone();
            this.assumed = new ArrayList<>(first.assumed);
            this.allGates = builder.gateList.toArray(Gate[]::new);
            this.gateIndex = builder.gateIndex;
            this.ofScene = first.ofScene;
        }

        /** Stores what may differ from scene to scene of a segment. */
        private void put(int segment, Draft d) {
            gain[segment] = d.gain;
            latency[segment] = d.latency;
            gates[segment] = d.gates;
            assumed.set(segment, d.assumed);
        }
    }

    /** A point being made. */
    static final class Point {
        private final PointId id;
        private final PointKind kind;
        private final double rate;
        private int number;

        Point(PointId id, PointKind kind, double rate) {
            this.id = id;
            this.kind = kind;
            this.rate = rate;
        }

        PointId id() {
            return id;
        }

        String element() {
            return id.element();
        }
    }

    /** A segment being made: gains and latencies add up, gates and assumptions collect. */
    final class Draft {
        private final Point from;
        private final Point to;
        private final String element;
        private double gain;
        private double latency;
        private boolean coupling;
        private boolean fallback;
        private boolean ofScene;
        private int number;
        /** The numbers of both ends, known when all points are. */
        private long ends;

        private int[] gates = NONE;
        private List<Address> assumed = List.of();

        private Draft(Point from, Point to, String element) {
            this.from = from;
            this.to = to;
            this.element = element;
        }

        /** Adds a gain; 0 dB, assumed, where it is not yet known. */
        Draft gain(Element e, Setting<Double> setting) {
            gain += known(e, setting);
            return this;
        }

        /** Adds a gain that no setting of its own gives. */
        Draft plus(double db) {
            gain += db;
            return this;
        }

        /** Adds a latency; 0 ms, assumed, where it is not yet known. */
        Draft latency(Element e, Setting<Double> setting) {
            latency += known(e, setting);
            return this;
        }

        /** Adds a latency that no setting of its own gives. */
        Draft late(double ms) {
            latency += ms;
            return this;
        }

        /** The setting's value, or what unknown counts as. */
        private double known(Element e, Setting<Double> setting) {
            Double value = e.get(setting);
            if (value == null) {
                assume(e, setting);
                return 0;
            }
            return value;
        }

        /** Notes that a value is assumed. */
        Draft assume(Element e, Setting<?> setting) {
            if (assumed.isEmpty()) {
                assumed = new ArrayList<>(2);
            }
            assumed.add(new Address(e.id(), setting.key()));
            return this;
        }

        /** Marks a segment that leads through the air. */
        Draft coupling() {
            coupling = true;
            return this;
        }

        /** Marks a segment that is taken because what was chosen can't be used. */
        Draft fallback() {
            fallback = true;
            return this;
        }

        /** Marks a segment that is another in every scene: level, delay or whether it is open. */
        Draft ofScene() {
            ofScene = true;
            return this;
        }

        /** A gate that is open while a flag is on. */
        Draft on(Element e, Setting<Boolean> flag) {
            return flag(e, flag, Gate.Sort.ON);
        }

        /** A gate that is open while a flag is off. */
        Draft off(Element e, Setting<Boolean> flag) {
            return flag(e, flag, Gate.Sort.OFF);
        }

        /** Adds a gate for a flag. */
        private Draft flag(Element e, Setting<Boolean> flag, Gate.Sort sort) {
            Boolean value = e.get(flag);
            if (value == null) {
                assume(e, flag);
            }
            boolean on = value == null ? Boolean.TRUE.equals(flag.usual()) : value;
            boolean passes = on == (sort == Gate.Sort.ON);
            Address at = new Address(e.id(), flag.key());
            Integer known = gateIndex.get(at);
            return known == null
                    ? through(add(new Gate(at, sort, flag, passes, passes ? "" : why(rig, e, flag, on))))
                    : through(known);
        }

        /** Numbers a gate that wasn't there before. */
        private int add(Gate gate) {
            gateIndex.put(gate.at(), gateList.size());
            gateList.add(gate);
            return gateList.size() - 1;
        }

        /** Adds a gate that was made before. */
        private Draft through(int gate) {
            for (int known : gates) {
                if (known == gate) {
                    return this;
                }
            }
            gates = java.util.Arrays.copyOf(gates, gates.length + 1);
            gates[gates.length - 1] = gate;
            return this;
        }

        /** Adds a gate. Its reason is only worked out if somebody asks. */
        Draft gate(Address at, Gate.Sort sort, @Nullable Setting<?> setting, boolean passes, Supplier<String> why) {
            Integer known = gateIndex.get(at);
            if (known == null) {
                return through(add(new Gate(at, sort, setting, passes, passes ? "" : why.get())));
            }
            if (again && sort == Gate.Sort.IN_SCENE) {
                gateList.set(known, new Gate(at, sort, setting, passes, passes ? "" : why.get()));
            }
            return through(known);
        }
    }

    private static final int[] NONE = {};

    private final Rig rig;
    private final Map<PointId, Point> points;
    private final List<Draft> drafts = new ArrayList<>();
    private final Map<Address, Integer> gateIndex;
    private final List<Gate> gateList;
    /** Whether this makes once more, for another scene, only what depends on the scene. */
    private final boolean again;

    GraphBuilder(Rig rig) {
        this.rig = rig;
        this.points = new LinkedHashMap<>();
        this.gateIndex = new HashMap<>();
        this.gateList = new ArrayList<>();
        this.again = false;
    }

    /** Builds another scene on the points and gates of the first. */
    private GraphBuilder(GraphBuilder first) {
        this.rig = first.rig;
        this.points = first.points;
        this.gateIndex = first.gateIndex;
        this.gateList = new ArrayList<>(first.gateList);
        this.again = true;
    }

    /** A builder that makes once more, for another scene of the same shape, what depends on the scene. */
    GraphBuilder forAnotherScene() {
        return new GraphBuilder(this);
    }

    /** The point with this id, made if need be. */
    Point point(PointId id, PointKind kind, double rate) {
        return points.computeIfAbsent(id, i -> new Point(i, kind, rate));
    }

    /** The point of an element that has one, made if need be. */
    Point point(Element element, PointKind kind, double rate) {
        return point(PointId.of(element.id()), kind, rate);
    }

    /** Begins a segment. */
    Draft segment(Point from, Point to, String element) {
        Draft draft = new Draft(from, to, element);
        drafts.add(draft);
        RigTooLarge.checkSegments(drafts.size());
        return draft;
    }

    /** The gate of a flag that is known and was set otherwise, in a rig where it is. */
    static Gate turned(Rig rig, Gate gate, Element e, Setting<?> flag, boolean on) {
        boolean passes = on == (gate.sort() == Gate.Sort.ON);
        return new Gate(gate.at(), gate.sort(), flag, passes, passes ? "" : why(rig, e, flag, on));
    }

    /** Why a flag closes, in words. */
    private static String why(Rig rig, Element e, Setting<?> flag, boolean on) {
        String noun = Sentences.noun(rig, e);
        return switch (flag.key()) {
            case "muted" -> noun + " is muted";
            case "inputMuted" -> noun + "'s microphone is muted";
            case "running" -> noun + " isn't running";
            case "enabled" -> noun + " is switched off";
            case "active" -> noun + " isn't active";
            case "mayUseMicrophones" -> noun + " may not use microphones";
            case "playsAloud" -> noun + " plays to the default device instead";
            default -> noun + " is " + (on ? "" : "not ") + Sentences.label(rig, e, flag);
        };
    }

    /** Everything in its declared order. */
    Arrays finish() {
        List<Point> sorted = new ArrayList<>(points.values());
        sorted.sort(Comparator.comparing(Point::id));
        for (int i = 0; i < sorted.size(); i++) {
            sorted.get(i).number = i;
        }
        List<Draft> ordered = new ArrayList<>(drafts);
        ordered.forEach(d -> d.ends = (long) d.from.number << 32 | d.to.number);
        ordered.sort(
                (d, e) -> d.ends == e.ends ? Ids.ORDER.compare(d.element, e.element) : Long.compare(d.ends, e.ends));
        int m = ordered.size();
        boolean[] coupling = new boolean[m];
        boolean[] fallback = new boolean[m];
        for (int i = 0; i < m; i++) {
            Draft d = ordered.get(i);
            d.number = i;
            coupling[i] = d.coupling;
            fallback[i] = d.fallback;
        }
        Shape shape = new Shape(
                sorted.stream().map(p -> p.id).toArray(PointId[]::new),
                sorted.stream().map(p -> p.kind).toArray(PointKind[]::new),
                sorted.stream().mapToDouble(p -> p.rate).toArray(),
                ordered.stream().mapToInt(d -> d.from.number).toArray(),
                ordered.stream().mapToInt(d -> d.to.number).toArray(),
                ordered.stream().map(d -> d.element).toArray(String[]::new),
                coupling,
                fallback);
        int[] ofScene =
                drafts.stream().filter(d -> d.ofScene).mapToInt(d -> d.number).toArray();
        Arrays arrays = new Arrays(shape, this, ofScene);
        ordered.forEach(d -> arrays.put(d.number, d));
        return arrays;
    }

    /** The arrays of another scene: those of the first, and in them what this builder has made once more. */
    Arrays over(Arrays first) {
        if (drafts.size() != first.ofScene.length) {
            throw new IllegalStateException("the scenes are not of one shape");
        }
        Arrays arrays = new Arrays(first, this);
        for (int i = 0; i < drafts.size(); i++) {
            arrays.put(first.ofScene[i], drafts.get(i));
        }
        return arrays;
    }
}
