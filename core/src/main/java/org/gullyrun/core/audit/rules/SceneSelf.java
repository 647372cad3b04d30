package org.gullyrun.core.audit.rules;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/** Does a scene reach itself? */
final class SceneSelf implements Rule {
    @Override
    public String id() {
        return "scene.self";
    }

    @Override
    public Topic topic() {
        return Topic.SCENE;
    }

    @Override
    public FixKind fixKind() {
        return FixKind.REMOVE_ENTRY;
    }

    @Override
    public String question() {
        return "Does a scene contain itself?";
    }

    @Override
    public String severity() {
        return "Major.";
    }

    @Override
    public Rests rests() {
        return Rests.SETTINGS;
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Rig rig = context.rig();
        List<Finding> findings = new ArrayList<>();
        Set<String> told = new HashSet<>();
        for (Element scene : rig.of(Kind.SCENE)) {
            List<Element> circle = told.contains(scene.id()) ? List.of() : circle(rig, scene);
            if (!circle.isEmpty()) {
                List<String> ids =
                        circle.stream().map(e -> e.or(Productions.ENTRY_OF, "")).toList();
                told.addAll(ids);
                findings.add(tell(rig, scene, circle, ids));
            }
        }
        return findings;
    }

    /** The entries of a shortest route from a scene back to itself; empty if there is none. */
    private static List<Element> circle(Rig rig, Element scene) {
        Map<String, Element> by = new HashMap<>();
        Deque<String> queue = new ArrayDeque<>(List.of(scene.id()));
        while (!queue.isEmpty()) {
            String at = queue.poll();
            for (Element entry : rig.in(at, Kind.ENTRY)) {
                String to = rig.find(entry.get(Productions.BRINGS), Kind.SCENE)
                        .map(Element::id)
                        .orElse("");
                if (!to.isEmpty() && by.putIfAbsent(to, entry) == null) {
                    queue.add(to);
                }
            }
        }
        List<Element> circle = new ArrayList<>();
        String at = scene.id();
        while (by.get(at) instanceof Element entry && circle.size() <= by.size()) {
            circle.addFirst(entry);
            at = entry.or(Productions.ENTRY_OF, "");
            if (at.equals(scene.id())) {
                return circle;
            }
        }
        return List.of();
    }

    /** Says by which scenes a scene comes back to itself. */
    private Finding tell(Rig rig, Element scene, List<Element> circle, List<String> ids) {
        List<String> names = new ArrayList<>(ids.stream().map(rig::name).toList());
        names.add(scene.name());
        String round = String.join(" brings ", names);
        List<String> sorted = ids.stream().sorted(Ids.ORDER).toList();
        FindingBuilder told = FindingBuilder.of(id(), Severity.MAJOR, sorted.toArray(String[]::new))
                .title(Sentences.called("Scene", scene.name()) + " contains itself")
                .plain(Sentences.called("Scene", scene.name())
                        + " contains itself, so nobody can say what it sounds like.")
                .exact(round + "; it isn't followed a second time")
                .cause("an entry brings a scene that contains it")
                .noticed("Levels and mutes that don't do what they say.")
                .figure("scenes in the circle", circle.size(), "");
        circle.forEach(e -> told.setting(e, Productions.BRINGS));
        return told.made();
    }
}
