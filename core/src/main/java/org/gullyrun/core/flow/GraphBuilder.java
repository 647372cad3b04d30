package org.gullyrun.core.flow;

import java.util.ArrayList;
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

/** Collects points, segments and gates while a rig is compiled, and puts them in their declared order. */
final class GraphBuilder {

    /** The finished arrays that a {@link FlowGraph} holds. */
    static final class Arrays {
        String[] pointIds = {};
        PointKind[] kinds = {};
        String[] elements = {};
        double[] rates = {};
        int[] from = {};
        int[] to = {};
        String[] segmentElements = {};
        double[] gain = {};
        double[] latency = {};
        boolean[] coupling = {};
        boolean[] fallback = {};
        int[][] gates = {};
        List<List<Address>> assumed = List.of();
        Gate[] allGates = {};
    }

    /** A point being made. */
    record Point(String id, PointKind kind, String element, double rate) {}

    /** A segment being made: gains and latencies add up, gates and assumptions collect. */
    final class Draft {
        private final Point from;
        private final Point to;
        private final String element;
        private double gain;
        private double latency;
        private boolean coupling;
        private boolean fallback;
        private final List<Integer> gates = new ArrayList<>(4);
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

        private double known(Element e, Setting<Double> setting) {
            Double value = e.get(setting);
            if (value == null) {
                assume(e, setting);
                return 0;
            }
            return value;
        }

        Draft assume(Element e, Setting<?> setting) {
            if (assumed.isEmpty()) {
                assumed = new ArrayList<>(2);
            }
            assumed.add(new Address(e.id(), setting.key()));
            return this;
        }

        Draft coupling() {
            coupling = true;
            return this;
        }

        Draft fallback() {
            fallback = true;
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

        private Draft flag(Element e, Setting<Boolean> flag, Gate.Sort sort) {
            Boolean value = e.get(flag);
            if (value == null) {
                assume(e, flag);
            }
            boolean on = value == null ? Boolean.TRUE.equals(flag.usual()) : value;
            boolean passes = on == (sort == Gate.Sort.ON);
            return gate(new Address(e.id(), flag.key()), sort, flag, passes, () -> why(e, flag, on));
        }

        Draft gate(Address at, Gate.Sort sort, Setting<?> setting, boolean passes, Supplier<String> why) {
            Integer known = gateIndex.get(at);
            if (known == null) {
                known = gateList.size();
                gateIndex.put(at, known);
                gateList.add(new Gate(at, sort, setting, passes, passes ? "" : why.get()));
            }
            if (!gates.contains(known)) {
                gates.add(known);
            }
            return this;
        }
    }

    private final Rig rig;
    private final Map<String, Point> points = new LinkedHashMap<>();
    private final List<Draft> drafts = new ArrayList<>();
    private final Map<Address, Integer> gateIndex = new HashMap<>();
    private final List<Gate> gateList = new ArrayList<>();

    GraphBuilder(Rig rig) {
        this.rig = rig;
    }

    /** The point with this id, made if need be. */
    Point point(String id, PointKind kind, String element, double rate) {
        return points.computeIfAbsent(id, i -> new Point(i, kind, element, rate));
    }

    Draft segment(Point from, Point to, String element) {
        Draft draft = new Draft(from, to, element);
        drafts.add(draft);
        return draft;
    }

    private String why(Element e, Setting<?> flag, boolean on) {
        String noun = Sentences.noun(rig, e);
        return switch (flag.key()) {
            case "muted" -> noun + " is muted";
            case "inputMuted" -> noun + "'s microphone is muted";
            case "running" -> noun + " is not running";
            case "enabled" -> noun + " is switched off";
            case "active" -> noun + " is not active";
            case "mayUseMicrophones" -> noun + " may not use microphones";
            case "playsAloud" -> noun + " plays aloud instead";
            default -> noun + " is " + (on ? "" : "not ") + Sentences.label(rig, e, flag);
        };
    }

    /** Everything in its declared order. */
    Arrays finish() {
        Arrays a = new Arrays();
        List<Point> sorted = new ArrayList<>(points.values());
        sorted.sort(Comparator.comparing(Point::id, Ids.ORDER));
        Map<Point, Integer> number = new java.util.IdentityHashMap<>();
        int n = sorted.size();
        a.pointIds = new String[n];
        a.kinds = new PointKind[n];
        a.elements = new String[n];
        a.rates = new double[n];
        for (int i = 0; i < n; i++) {
            Point p = sorted.get(i);
            number.put(p, i);
            a.pointIds[i] = p.id();
            a.kinds[i] = p.kind();
            a.elements[i] = p.element();
            a.rates[i] = p.rate();
        }
        drafts.sort(Comparator.<Draft>comparingInt(d -> number.get(d.from))
                .thenComparingInt(d -> number.get(d.to))
                .thenComparing(d -> d.element, Ids.ORDER));
        int m = drafts.size();
        a.from = new int[m];
        a.to = new int[m];
        a.segmentElements = new String[m];
        a.gain = new double[m];
        a.latency = new double[m];
        a.coupling = new boolean[m];
        a.fallback = new boolean[m];
        a.gates = new int[m][];
        a.assumed = new ArrayList<>(m);
        for (int i = 0; i < m; i++) {
            Draft d = drafts.get(i);
            a.from[i] = number.get(d.from);
            a.to[i] = number.get(d.to);
            a.segmentElements[i] = d.element;
            a.gain[i] = d.gain;
            a.latency[i] = d.latency;
            a.coupling[i] = d.coupling;
            a.fallback[i] = d.fallback;
            a.gates[i] = d.gates.stream().mapToInt(Integer::intValue).toArray();
            a.assumed.add(d.assumed);
        }
        a.allGates = gateList.toArray(Gate[]::new);
        return a;
    }
}
