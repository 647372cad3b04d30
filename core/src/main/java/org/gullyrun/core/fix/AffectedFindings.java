package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/**
 * Which findings about routes and loops a change might clear: those with a route through what it opens, closes or leads
 * elsewhere. It names too many rather than too few, so that what does most is not overlooked; under one in a hundred it does
 * overlook ({@code BoundsTest}), about devices that others stand in for.
 *
 * <p>Cost: for each change a look at the findings; what reaches a point is worked out once for each, and scenes that are
 * alike are looked at once.
 */
public final class AffectedFindings {
    private static final Set<String> CHOICES =
            Set.of(Applications.PROGRAM_CHOICE.key(), Applications.SYSTEM_CHOICE.key());
    private static final Set<Setting<?>> USABLE = Set.of(Devices.PRESENT, Devices.ENABLED, Devices.PERMITTED);

    private final Reading reading;
    /** The places of the scenes that are not like the one before. */
    private final int[] scenes;

    private final Map<Change.Set, List<RouteChange>> places = new HashMap<>();
    private final Map<String, FindingEnds> ends = new HashMap<>();

    /** Findings of a reading. */
    public AffectedFindings(Reading reading) {
        this.reading = reading;
        this.scenes = unlike(reading.scenes());
    }

    /** The places of the scenes that are not like the one before. */
    static int[] unlike(List<SceneReading> scenes) {
        return IntStream.range(0, scenes.size())
                .filter(i -> i == 0 || !scenes.get(i).isLike(scenes.get(i - 1)))
                .toArray();
    }

    /** The findings among some that changes might clear by opening, closing or leading routes elsewhere. */
    public List<Finding> by(List<Change> changes, Collection<Finding> findings) {
        List<RouteChange> all = new ArrayList<>();
        for (Change change : changes) {
            switch (change) {
                case Change.Set set -> all.addAll(places.computeIfAbsent(set, this::places));
                case Change.Add(Element what) -> added(what, all);
                case Change.Remove remove -> {}
            }
        }
        return findings.stream()
                .filter(f -> isTouched(f, all) || leaves(f, changes))
                .toList();
    }

    /** Whether a finding is about a device that is chosen now and isn't any more after a change. */
    private boolean leaves(Finding finding, List<Change> changes) {
        Topic topic = reading.rule(finding).topic();
        return (topic == Topic.DEVICE || topic == Topic.CALL)
                && changes.stream()
                        .anyMatch(c -> c instanceof Change.Set set
                                && set.from() instanceof Choice.To(String device)
                                && finding.subject().elements().contains(device));
    }

    /** Where a change opens or closes routes, scene by scene. */
    private List<RouteChange> places(Change.Set set) {
        List<RouteChange> found = new ArrayList<>();
        boolean choice = CHOICES.contains(set.setting().key());
        if (choice) {
            chosen(set, found);
        }
        boolean playback = set.setting().equals(Machines.PLAYBACK);
        Address address = new Address(set.element(), set.setting().key());
        for (int i : scenes) {
            FlowGraph graph = reading.scenes().get(i).graph();
            if (playback) {
                moved(graph, i, set, found);
            } else if (!choice && set.to() instanceof Choice to) {
                led(graph, i, reading.rig().get(set.element()), set.setting(), to, found);
            } else if (set.setting().equals(Productions.ALWAYS)) {
                brought(graph, i, set.element(), found);
            } else if (set.setting().familyKey().equals(Productions.MEMBER.key())
                    && set.setting().kind() == Kind.GROUP) {
                brought(graph, i, set.setting().sub(), found);
            }
            if (set.setting().familyKey().equals(Productions.TAKES_TRACK.key())
                    && set.setting().kind() == Kind.OUTPUT) {
                hears(graph, i, set.element(), found);
            }
            if (USABLE.contains(set.setting())) {
                // What had to do without the device comes back to it, from wherever it had gone.
                found.add(new RouteChange(i, RouteChange.Does.CLOSES, points(), points()));
                found.add(new RouteChange(i, RouteChange.Does.OPENS, points(), points()));
                continue;
            }
            if (set.to() instanceof Double || set.setting().equals(Applications.PASSES_ON)) {
                louder(graph, i, set.element(), found);
            }
            for (int s : graph.gated(address)) {
                found.add(new RouteChange(
                        i,
                        graph.isOpen(s) ? RouteChange.Does.CLOSES : RouteChange.Does.OPENS,
                        new int[] {graph.from(s)},
                        new int[] {graph.to(s)}));
            }
        }
        return found;
    }

    /** A listener to an output hears the lowest track that it takes: with another one all that comes there may change. */
    private void hears(FlowGraph graph, int scene, String output, List<RouteChange> found) {
        int[] listeners = reading.rig().of(Kind.OUTLET).stream()
                .filter(o -> output.equals(o.get(Outlets.OUTPUT)) || output.equals(o.get(Outlets.OTHERWISE)))
                .mapToInt(o -> graph.point(o.id()))
                .filter(p -> p >= 0)
                .toArray();
        if (listeners.length > 0) {
            found.add(new RouteChange(scene, RouteChange.Does.CLOSES, points(), listeners));
            found.add(new RouteChange(scene, RouteChange.Does.OPENS, points(), listeners));
        }
    }

    /** What an element makes louder or fainter, also on the way into it or out, is as if it closed there and opened again. */
    private static void louder(FlowGraph graph, int scene, String element, List<RouteChange> found) {
        for (int s = 0; s < graph.segments(); s++) {
            boolean touches = graph.segmentElement(s).equals(element)
                    || graph.element(graph.from(s)).equals(element)
                    || graph.element(graph.to(s)).equals(element);
            if (graph.isOpen(s) && touches) {
                int[] from = points(graph.from(s));
                int[] to = points(graph.to(s));
                found.add(new RouteChange(scene, RouteChange.Does.CLOSES, from, to));
                found.add(new RouteChange(scene, RouteChange.Does.OPENS, from, to));
            }
        }
    }

    /** An output that is led to another device: what plays there leaves where it went, and comes to where that leads. */
    private void chosen(Change.Set set, List<RouteChange> found) {
        Rig rig = reading.rig();
        Element application = rig.owner(rig.get(set.element()));
        if (application == null) {
            return; // it belongs to no program, so nothing plays through it
        }
        String device = set.to() instanceof Choice choice
                ? Choices.device(rig, application.get(Applications.MACHINE), choice, Direction.PLAYBACK)
                : "";
        boolean usable = Choices.usable(rig, device);
        FlowGraph last = null;
        int[] from = {};
        int[] to = {};
        for (int i : scenes) {
            FlowGraph graph = reading.scenes().get(i).graph();
            if (last == null || !last.sharesShape(graph)) {
                last = graph;
                from = outs(graph, application.id());
                to = usable ? points(graph.point(device)) : points();
            }
            found.add(new RouteChange(i, RouteChange.Does.CLOSES, from, from));
            found.add(new RouteChange(i, RouteChange.Does.OPENS, from, to));
        }
    }

    /** A choice of an engine, an input or a listener: what it led to closes, and what it leads to now opens. */
    private void led(
            FlowGraph graph, int scene, Element element, Setting<?> setting, Choice to, List<RouteChange> found) {
        ChoiceEnd end = ChoiceEnd.of(graph, element, setting);
        if (end == null) {
            found.add(new RouteChange(scene, RouteChange.Does.CLOSES, points(), points()));
            found.add(new RouteChange(scene, RouteChange.Does.OPENS, points(), points()));
            return;
        }
        for (int s : end.segments(graph, element)) {
            found.add(new RouteChange(scene, RouteChange.Does.CLOSES, points(graph.from(s)), points(graph.to(s))));
        }
        int[] device = points(graph.point(to.id()));
        found.add(
                end.listens()
                        ? new RouteChange(scene, RouteChange.Does.OPENS, device, end.points())
                        : new RouteChange(scene, RouteChange.Does.OPENS, end.points(), device));
    }

    /** An input that comes into a scene. */
    private static void brought(FlowGraph graph, int scene, String input, List<RouteChange> found) {
        int point = graph.point(input);
        if (point >= 0) {
            int[] from = Arrays.stream(graph.in(point)).map(graph::from).toArray();
            found.add(new RouteChange(scene, RouteChange.Does.OPENS, from, points(point)));
        }
    }

    /** An entry brings its input into scenes; a new input captures what it takes, to wherever its tracks go. */
    private void added(Element what, List<RouteChange> found) {
        for (int i : scenes) {
            FlowGraph graph = reading.scenes().get(i).graph();
            if (what.kind() == Kind.ENTRY) {
                brought(graph, i, what.or(Productions.BRINGS, ""), found);
            } else if (what.kind() == Kind.INPUT) {
                String program = what.get(Productions.APPLICATION);
                int[] from = program != null
                        ? outs(graph, program)
                        : points(what.get(Productions.DEVICE) instanceof Choice device ? graph.point(device.id()) : -1);
                found.add(new RouteChange(i, RouteChange.Does.OPENS, from, points()));
            }
        }
    }

    /** Where the sound of a program starts: the program, and each output with sound of its own. */
    private int[] outs(FlowGraph graph, String program) {
        IntStream own = reading.rig().in(program, Kind.APP_OUTPUT).stream().mapToInt(o -> graph.point(o.id()));
        return IntStream.concat(IntStream.of(graph.point(PointId.out(program))), own)
                .filter(point -> point >= 0)
                .toArray();
    }

    /** A default that is moved: all that plays to it leaves, and what takes from it takes from another. */
    private void moved(FlowGraph graph, int scene, Change.Set set, List<RouteChange> found) {
        Rig rig = reading.rig();
        int was = graph.point(Choices.fallbackDefault(rig, set.element(), Direction.PLAYBACK, false));
        int is = set.to() instanceof Choice choice && Choices.usable(rig, choice.id()) ? graph.point(choice.id()) : -1;
        found.add(new RouteChange(scene, RouteChange.Does.CLOSES, points(was), points(was)));
        if (was < 0 || is < 0) {
            found.add(new RouteChange(scene, RouteChange.Does.OPENS, points(), points()));
            return;
        }
        IntStream outs = rig.of(Kind.APPLICATION).stream().flatMapToInt(a -> Arrays.stream(outs(graph, a.id())));
        IntStream ends = Arrays.stream(graph.in(was)).map(graph::from);
        int[] from = IntStream.concat(IntStream.of(is), IntStream.concat(outs, ends))
                .filter(p -> p >= 0)
                .distinct()
                .toArray();
        found.add(new RouteChange(scene, RouteChange.Does.OPENS, from, points(was, is)));
    }

    private static int[] points(int... points) {
        return Arrays.stream(points).filter(p -> p >= 0).toArray();
    }

    /** Whether a place lies on the way from the finding's source to its listener, or on its loop. */
    private boolean isTouched(Finding finding, List<RouteChange> places) {
        if (!finding.subject().source().isEmpty()) {
            FindingEnds ends =
                    this.ends.computeIfAbsent(finding.identity(), x -> new FindingEnds(reading, finding, scenes));
            return places.stream().anyMatch(ends::touches);
        }
        Topic topic = reading.rule(finding).topic();
        return topic == Topic.LOOP
                ? places.stream().anyMatch(p -> p.does() == RouteChange.Does.CLOSES && goesRound(scene(p), p))
                : topic == Topic.LEVEL
                        && places.stream()
                                .anyMatch(p -> p.to().length == 0
                                        || finding.subject().elements().stream().anyMatch(e -> leads(p, e)));
    }

    private SceneReading scene(RouteChange place) {
        return reading.scenes().get(place.scene());
    }

    /** Whether what a place leads to reaches an element. */
    private boolean leads(RouteChange place, String element) {
        int end = scene(place).graph().point(element);
        return end < 0 || RouteChange.any(place.to(), scene(place).view().reachingOne(end));
    }

    /** Whether one of some points passes a test. */
    private static boolean any(int[] points, IntPredicate of) {
        for (int p : points) {
            if (of.test(p)) {
                return true;
            }
        }
        return false;
    }

    /** Whether a place lies on a loop. */
    private static boolean goesRound(SceneReading scene, RouteChange place) {
        return place.from().length == 0
                || any(
                        place.from(),
                        p -> scene.view().isLooping(p)
                                && (place.to().length == 0
                                        || any(place.to(), q -> scene.view().together(p, q))));
    }
}
