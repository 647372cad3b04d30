package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.TreeSet;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Figure;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.Loop;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/** Makes findings of loops: those with the same programs on them are one, whatever scenes they are in. */
final class LoopTelling {
    private record Hit(int scene, Loop loop, List<Loop.Circle> circles, Severity severity) {}

    private final String rule;
    private final AuditContext context;
    private final Map<String, List<Hit>> bySubject = new TreeMap<>(Ids.ORDER);
    private final Map<String, List<String>> subjects = new TreeMap<>(Ids.ORDER);

    LoopTelling(String rule, AuditContext context) {
        this.rule = rule;
        this.context = context;
    }

    /** Adds a loop of a scene with those of its circles that the rule is about. */
    void add(int scene, Loop loop, List<Loop.Circle> circles, Severity severity) {
        List<String> subject = programs(context.scenes().get(scene).graph(), loop);
        String key = String.join("+", subject);
        subjects.put(key, subject);
        bySubject.computeIfAbsent(key, x -> new ArrayList<>()).add(new Hit(scene, loop, circles, severity));
    }

    /** The programs on a loop; where none lies on it, its pass-throughs and couplings; else all that make it. */
    static List<String> programs(FlowGraph graph, Loop loop) {
        Rig rig = graph.rig();
        TreeSet<String> programs = new TreeSet<>(Ids.ORDER);
        TreeSet<String> links = new TreeSet<>(Ids.ORDER);
        TreeSet<String> all = new TreeSet<>(Ids.ORDER);
        List<String> ids = new ArrayList<>();
        loop.points().forEach(p -> ids.add(graph.element(p)));
        loop.segments().forEach(s -> ids.add(graph.segmentElement(s)));
        for (String id : ids) {
            Element element = rig.find(id);
            if (element != null) {
                Element program = rig.program(element);
                all.add(program.id());
                Kind kind = program.kind();
                if (kind == Kind.APPLICATION || Capabilities.engine(kind) != null) {
                    programs.add(program.id());
                } else if (kind == Kind.PASS_THROUGH || kind == Kind.COUPLING) {
                    links.add(program.id());
                }
            }
        }
        return List.copyOf(!programs.isEmpty() ? programs : !links.isEmpty() ? links : all);
    }

    /** Loops with the same programs on them, in any scene, are one finding. */
    List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        bySubject.forEach((key, hits) -> {
            hits.sort(Comparator.comparing(Hit::severity)
                    .thenComparing(Comparator.comparingDouble((Hit h) -> h.loop.loopGain())
                            .reversed())
                    .thenComparingInt(Hit::scene));
            findings.add(finding(Objects.requireNonNull(subjects.get(key)), hits));
        });
        return findings;
    }

    /** The worst scene gives the figures. The others are listed. */
    private Finding finding(List<String> subject, List<Hit> hits) {
        Hit worst = hits.getFirst();
        Loop loop = worst.loop;
        List<Loop.Circle> circles = worst.circles.stream()
                .sorted(Comparator.comparingDouble(Loop.Circle::gain).reversed())
                .toList();
        Loop.Circle strongest = circles.getFirst();
        List<Integer> scenes = hits.stream().map(Hit::scene).distinct().toList();
        List<Evidence.Trace> routes = circles.stream()
                .limit(8)
                .map(c -> context.scenes().get(worst.scene).trace(Evidence.Form.CIRCLE, c.segments()))
                .toList();
        List<Figure> figures = new ArrayList<>();
        figures.add(new Figure("loop gain", loop.loopGain(), "dB"));
        if (!loop.buildsUp()) {
            figures.add(new Figure("margin", loop.margin(), "dB"));
        }
        figures.add(new Figure("circles", loop.circles().size(), ""));
        figures.add(new Figure("gain once round", strongest.gain(), "dB"));
        figures.add(new Figure("time once round", strongest.time(), "ms"));
        if (strongest.repeats() > 0) {
            figures.add(new Figure("repeats", strongest.repeats(), ""));
        }
        String through =
                Sentences.list(subject.stream().map(context.rig()::name).toList());
        FlowGraph graph = context.scenes().get(worst.scene).graph();
        boolean one = subject.size() == 1;
        String title = through
                + (one ? " feeds back on itself" : " feed back into each other")
                + (loop.buildsUp() ? (one ? " and builds up" : " and build up") : "");
        String each = strongest.time() == 0 ? "at once" : Say.of(strongest.time(), "ms") + " a round";
        String fate =
                loop.buildsUp() ? "builds up" : "dies down, " + Say.of(loop.margin(), "dB") + " short of building up";
        return new Finding(
                rule,
                Finding.Subject.of(subject),
                worst.severity,
                scenes,
                new Finding.Words(
                        title,
                        through
                                + (one
                                        ? " picks up its own "
                                                + (Spoken.isOfCue(graph, strongest.segments()) ? "monitor " : "")
                                                + "sound"
                                                + Spoken.backInto(graph, subject.getFirst(), strongest.segments())
                                                + " and plays it again"
                                        : " play each other's sound again")
                                + (loop.buildsUp()
                                        ? ", so it builds up."
                                        : ", so you hear it come back, fainter each time."),
                        Say.sentence(
                                Say.route(graph, strongest.segments()),
                                context.in(scenes) + ":",
                                Say.of(strongest.gain(), "dB") + ", " + each + "; " + fate),
                        "it picks up what it plays itself",
                        loop.buildsUp()
                                ? "An echo that gets louder, up to a howl."
                                : "An echo that repeats and fades."),
                new Evidence(worst.scene, routes, List.of()),
                figures,
                Say.assumed(context.scenes().get(worst.scene).graph(), loop.segments()));
    }
}
