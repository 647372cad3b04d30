package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.brief.Wishes;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.graph.PointId;
import org.gullyrun.core.flow.route.BlockedRoute;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.jspecify.annotations.Nullable;

/** What the rules work on: the rig, the wishes, the scenes computed, and what several rules need alike. */
public final class AuditContext {
    private final Rig rig;
    private final Wishes wishes;
    private final Thresholds thresholds;
    private final Brief brief;
    private final List<SceneReading> scenes;
    private @Nullable List<CellReading> musts;
    private @Nullable List<MissingPair> missing;
    private @Nullable List<Integer> troubled;
    private final @Nullable KeptFindings kept;
    private final TriedRigs tried = new TriedRigs();
    private final Set<Unfinished> unfinished = new LinkedHashSet<>();
    private final boolean[] asBefore;
    private final int[] @Nullable [] rowStarts;
    /** By the id of a source. */
    private final Map<String, Map<String, Integer>> mustsThrough = new HashMap<>();
    /** The closed gates that are findings of their own. */
    private @Nullable List<Gate> ownGates;

    private @Nullable Consequences consequences;

    /** What all rules need of one version of a rig, worked out once and shared by them. */
    AuditContext(
            Rig rig,
            Brief brief,
            Wishes wishes,
            Thresholds thresholds,
            List<SceneReading> scenes,
            @Nullable KeptFindings kept) {
        this.kept = kept;
        this.rig = rig;
        this.brief = brief;
        this.wishes = wishes;
        this.thresholds = thresholds;
        this.scenes = scenes;
        this.rowStarts = new int[rig.of(Kind.SOURCE).size()][];
        this.asBefore = new boolean[scenes.size()];
        for (int i = 1; i < asBefore.length; i++) {
            asBefore[i] = scenes.get(i).isLike(scenes.get(i - 1));
        }
    }

    /** The rig. */
    public Rig rig() {
        return rig;
    }

    /** What has been entered in the brief. */
    public Brief brief() {
        return brief;
    }

    /** What counts of the brief. */
    public Wishes wishes() {
        return wishes;
    }

    /** The figures at which findings begin. */
    public Thresholds thresholds() {
        return thresholds;
    }

    /** All scenes, in the order of the axis. */
    public List<SceneReading> scenes() {
        return scenes;
    }

    /** Evidence that is one trace of segments, numbered as in the graph of the scene. */
    public Evidence evidence(int scene, Evidence.Form form, List<Integer> segments) {
        return Evidence.of(scene, scenes().get(scene).graph(), form, segments);
    }

    /** The sources, in the rig's order. */
    public List<Element> sources() {
        return rig.of(Kind.SOURCE);
    }

    /** The outlets, in the rig's order. */
    public List<Element> outlets() {
        return rig.of(Kind.OUTLET);
    }

    /** The scenes with a change that is only tried, held against the same brief; cells are shared where they can be. */
    public List<SceneReading> tried(Change change) {
        return tried.of(change, c -> {
            Rig changed = Changes.apply(rig, List.of(c));
            return Scenes.read(changed, wishes.of(changed, brief), thresholds, scenes);
        });
    }

    /** A rule says that it has not looked at everything, and why: a sentence without its first capital and full stop. */
    public void leaveUnfinished(Rule rule, String why) {
        unfinished.add(new Unfinished(rule.id(), why));
    }

    /** What rules have not looked at. */
    List<Unfinished> unfinished() {
        return List.copyOf(unfinished);
    }

    /** What has been tried so far. */
    TriedRigs tried() {
        return tried;
    }

    /**
     * What a rule about routes found of a source in an earlier reading, if all routes of the source are the same and nothing
     * differs but settings that lead sound; null if it has to be asked.
     */
    public @Nullable List<Finding> kept(Rule rule, int source) {
        return kept == null ? null : kept.ofSource(rule.id(), source);
    }

    /** For each pair that is a must in some scene its cell in the first such scene. */
    public List<CellReading> musts() {
        if (musts == null) {
            List<CellReading> found = new ArrayList<>();
            for (int s = 0; s < sources().size(); s++) {
                for (int o = 0; o < outlets().size(); o++) {
                    for (int i = 0; i < scenes.size(); i++) {
                        CellReading cell = scenes.get(i).cell(s, o);
                        if (!asBefore[i] && cell.wish() == Wish.MUST) {
                            found.add(cell);
                            break;
                        }
                    }
                }
            }
            musts = List.copyOf(found);
        }
        return musts;
    }

    /** For each program how many musts of a source arrive through it by their strongest route, in some scene. */
    public Map<String, Integer> mustsThrough(int source) {
        return mustsThrough.computeIfAbsent(sources().get(source).id(), id -> {
            Map<String, Integer> same = kept == null ? null : kept.mustsThrough(source);
            return same == null ? countThrough(source) : same;
        });
    }

    /** What is known of all sources so far. */
    Map<String, Map<String, Integer>> mustsThrough() {
        return mustsThrough;
    }

    /** For each program, the number of listeners whose required delivery of the source passes it. */
    private Map<String, Integer> countThrough(int source) {
        Map<String, String> programs = new HashMap<>();
        Map<String, Integer> counts = new HashMap<>();
        for (int o = 0; o < outlets().size(); o++) {
            Set<String> met = new HashSet<>();
            for (int i : rowStarts(source)) {
                CellReading cell = scenes.get(i).cell(source, o);
                if (cell.wish() == Wish.MUST) {
                    for (int segment : cell.delivery().strongest()) {
                        met.add(programs.computeIfAbsent(scenes.get(i).graph().segmentElement(segment), this::program));
                    }
                }
            }
            met.forEach(program -> counts.merge(program, 1, Integer::sum));
        }
        return counts;
    }

    private String program(String id) {
        Element element = rig.find(id);
        return element == null ? "" : rig.program(element).id();
    }

    /** Whether all that is computed of a scene is the same as of the scene before it. */
    public boolean isAsBefore(int scene) {
        return asBefore[scene];
    }

    /** For a source the places of the scenes from which on its row is another than in the scene before; begins with 0. */
    public int[] rowStarts(int source) {
        int[] known = rowStarts[source];
        if (known == null) {
            known = IntStream.range(0, scenes.size())
                    .filter(i -> i == 0 || !scenes.get(i).sharesRow(scenes.get(i - 1), source))
                    .toArray();
            rowStarts[source] = known;
        }
        return known;
    }

    /** The places of the sources that are in no good order somewhere: only those need a closer look. */
    public List<Integer> troubled() {
        if (troubled == null) {
            troubled = IntStream.range(0, sources().size())
                    .filter(s -> IntStream.of(rowStarts(s))
                            .anyMatch(i -> scenes.get(i).rows().get(s).troubled()))
                    .boxed()
                    .toList();
        }
        return troubled;
    }

    /** All musts that do not arrive somewhere, source by source. Worked out once. */
    public List<MissingPair> missing() {
        if (missing == null) {
            List<int[]> pairs = new ArrayList<>();
            for (int s : troubled()) {
                for (int o = 0; o < outlets().size(); o++) {
                    if (isMissing(s, o)) {
                        pairs.add(new int[] {s, o});
                    }
                }
            }
            // First what holds still: seeking one route may make known others.
            List<@Nullable MissingPair> same = pairs.stream()
                    .map(p -> kept == null ? null : kept.missing(p[0], p[1]))
                    .toList();
            List<MissingPair> found = new ArrayList<>();
            for (int i = 0; i < pairs.size(); i++) {
                found.add(missing(pairs.get(i)[0], pairs.get(i)[1], same.get(i)));
            }
            missing = List.copyOf(found);
        }
        return missing;
    }

    /** Whether a listener lacks a source in some scene. */
    private boolean isMissing(int source, int outlet) {
        return IntStream.of(rowStarts(source))
                .anyMatch(i -> scenes.get(i).cell(source, outlet).verdict() == Verdict.MISSING);
    }

    /** One pair; {@code same} is what was found of it before if all its routes are the same, else null. */
    private MissingPair missing(int source, int outlet, @Nullable MissingPair same) {
        List<Integer> due = new ArrayList<>();
        Map<Integer, BlockedRoute> routes = new LinkedHashMap<>();
        List<Integer> unexplained = new ArrayList<>();
        Set<Gate> explainedBy = new LinkedHashSet<>();
        for (int i = 0; i < scenes.size(); i++) {
            CellReading cell = scenes.get(i).cell(source, outlet);
            if (cell.wish() == Wish.MUST) {
                due.add(i);
                if (cell.verdict() == Verdict.MISSING) {
                    BlockedRoute route = scenes.get(i).blocked(cell);
                    routes.put(i, route);
                    if (same == null) {
                        Set<Gate> by = explaining(i, cell, route);
                        if (by.isEmpty()) {
                            unexplained.add(i);
                        }
                        explainedBy.addAll(by);
                    }
                }
            }
        }
        return new MissingPair(
                source,
                outlet,
                sources().get(source),
                outlets().get(outlet),
                List.copyOf(due),
                List.copyOf(routes.keySet()),
                same == null ? List.copyOf(unexplained) : same.unexplained(),
                routes,
                same == null ? explainedBy : same.explainedBy());
    }

    /**
     * The gates of findings of their own for which a must does not arrive: those on its blocked route, and those that
     * would by themselves let it arrive. The blocked route alone is not enough: a shorter one over a switch that nobody
     * means to use would hide that the mixer is down. None explains what arrives too faintly over a route that is open.
     */
    private Set<Gate> explaining(int scene, CellReading cell, BlockedRoute route) {
        if (route.closed().isEmpty()) {
            return Set.of();
        }
        List<Gate> own = ownGates();
        Set<Gate> by = new LinkedHashSet<>();
        route.closed().stream().filter(own::contains).forEach(by::add);
        for (Gate gate : own) {
            if (scenes.get(scene).arrivesIfOpen(cell, gate)) {
                by.add(gate);
            }
        }
        return by;
    }

    /** The closed gates that are findings of their own. They hang on no scene: one list does for all. */
    private List<Gate> ownGates() {
        List<Gate> known = ownGates;
        if (known == null) {
            known = scenes.getFirst().graph().closedGates().stream()
                    .filter(this::isFindingOfItsOwn)
                    .toList();
            ownGates = known;
        }
        return known;
    }

    /** Whether a point is silent only because of something that another finding says. */
    public boolean isConsequence(PointId point) {
        Consequences known = consequences;
        if (known == null) {
            known = new Consequences(scenes, missing(), ownGates());
            consequences = known;
        }
        return known.contains(point);
    }

    /** Engines that do not run, outputs that are not active and devices that are gone are found by rules of their own. */
    private boolean isFindingOfItsOwn(Gate gate) {
        return switch (gate.sort()) {
            case USABLE -> true;
            case ON ->
                switch (gate.at().key()) {
                    case "running" -> isEngine(rig.find(gate.at().element()));
                    case "active" -> rig.find(gate.at().element(), Kind.OUTPUT).isPresent();
                    default -> false;
                };
            default -> false;
        };
    }

    /** Whether an element is something that has to run: mixer, processor or production. */
    private static boolean isEngine(@Nullable Element element) {
        return element != null && Capabilities.engine(element.kind()) != null;
    }

    /** The musts that do not arrive because of a closed gate at an element. */
    public List<MissingPair> hangingOn(String element, String key) {
        return missing().stream()
                .filter(pair -> pair.explainedBy().stream()
                        .anyMatch(g ->
                                g.at().element().equals(element) && g.at().key().equals(key)))
                .toList();
    }

    /** Scenes as words: "in all scenes", "in Panel and Sky"; empty where there is but one. */
    public String in(List<Integer> places) {
        if (scenes.size() <= 1 || places.isEmpty()) {
            return "";
        }
        if (places.size() == scenes.size()) {
            return "in all scenes";
        }
        List<String> without = IntStream.range(0, scenes.size())
                .filter(i -> !places.contains(i))
                .mapToObj(i -> scenes.get(i).name())
                .toList();
        if (without.size() <= 2 && scenes.size() > 5) {
            return "in all scenes but " + Sentences.list(without);
        }
        List<String> names =
                places.stream().sorted().map(i -> scenes.get(i).name()).toList();
        return "in " + Sentences.list(names);
    }
}
