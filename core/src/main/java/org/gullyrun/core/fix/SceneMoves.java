package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.flow.graph.Gate;
import org.gullyrun.core.flow.route.BlockedRoute;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Brings a missing source into all scenes at once: by what each of them lacks, by putting its input into
 * every scene, or into a group that they have.
 */
final class SceneMoves {
    private final Reading reading;
    private final Finding finding;
    private final Rig rig;
    private final Consumer<List<Change>> to;

    /** For one finding about a source that a listener misses; what might help goes to a receiver. */
    SceneMoves(Reading reading, Finding finding, Consumer<List<Change>> to) {
        this.reading = reading;
        this.finding = finding;
        this.rig = reading.rig();
        this.to = to;
    }

    /**
     * What blocks a source in each of the scenes, opened in all of them; or its inputs put into every scene or into groups.
     *
     * @param source the place of the source among all
     * @param outlet the place of the listener among all
     */
    void everyScene(int source, int outlet) {
        Set<Change> all = new LinkedHashSet<>();
        Set<String> inputs = new LinkedHashSet<>();
        for (int i : finding.scenes()) {
            SceneReading scene = reading.scenes().get(i);
            BlockedRoute route = scene.blocked(scene.cell(source, outlet));
            GateMoves moves = new GateMoves(rig, scene.key());
            for (Gate gate : route.closed()) {
                all.addAll(moves.open(gate));
                if (gate.sort() == Gate.Sort.IN_SCENE) {
                    inputs.add(gate.at().element());
                }
            }
        }
        to.accept(distinct(all));
        inputs.forEach(this::always);
        inputs.forEach(this::grouped);
        inputs.forEach(this::withItsGroup);
    }

    /** Puts an input into every scene. */
    void always(String input) {
        one(rig.find(input, Kind.INPUT).isEmpty() ? null : Change.set(rig, input, Productions.ALWAYS, true));
    }

    /** Where an input is missing in several scenes that all have a group, it goes into that group. */
    private void grouped(String input) {
        Element production = rig.find(input, Kind.INPUT).map(rig::owner).orElse(null);
        if (production == null || finding.scenes().size() < 2) {
            return;
        }
        for (Element group : rig.in(production.id(), Kind.GROUP)) {
            if (finding.scenes().stream().allMatch(i -> has(reading.scenes().get(i), group))) {
                one(Change.set(rig, group.id(), Productions.MEMBER.of(input), true));
            }
        }
    }

    /** A group that holds an input, and that other scenes bring, comes into the scenes in which the input is missing. */
    private void withItsGroup(String input) {
        Element production = rig.find(input, Kind.INPUT).map(rig::owner).orElse(null);
        for (Element group : production == null ? List.<Element>of() : rig.in(production.id(), Kind.GROUP)) {
            if (group.is(Productions.MEMBER.of(input), false)
                    && rig.of(Kind.ENTRY).stream().anyMatch(e -> group.id().equals(e.get(Productions.BRINGS)))) {
                Set<Change> all = new LinkedHashSet<>();
                for (int i : finding.scenes()) {
                    SceneReading scene = reading.scenes().get(i);
                    if (!scene.key().scene().isEmpty() && !has(scene, group)) {
                        all.add(new GateMoves(rig, scene.key()).bring(group.id()));
                    }
                }
                to.accept(distinct(all));
            }
        }
    }

    /** Whether a scene has a group that it brings itself and doesn't mute. */
    private boolean has(SceneReading scene, Element group) {
        return rig.in(scene.key().scene(), Kind.ENTRY).stream()
                .anyMatch(e -> group.id().equals(e.get(Productions.BRINGS))
                        && !e.is(Productions.COPY, false)
                        && !e.is(Productions.ENTRY_MUTED, false));
    }

    private void one(Change.@Nullable Set change) {
        if (change != null) {
            to.accept(List.of(change));
        }
    }

    /** Elements that are added get ids of their own: each was thought of as if it were alone. */
    private List<Change> distinct(Set<Change> changes) {
        Set<String> ids = new LinkedHashSet<>();
        List<Change> distinct = new ArrayList<>();
        for (Change change : changes) {
            if (change instanceof Change.Add(Element what)) {
                String id = Ids.from(what.id(), i -> rig.find(i) != null || ids.contains(i));
                ids.add(id);
                // Only entries of scenes are added to open a gate.
                distinct.add(new Change.Add(
                        what.id().equals(id)
                                ? what
                                : Element.of(Kind.ENTRY, id)
                                        .with(Productions.ENTRY_OF, what.get(Productions.ENTRY_OF))
                                        .with(Productions.BRINGS, what.get(Productions.BRINGS))));
            } else {
                distinct.add(change);
            }
        }
        return distinct;
    }
}
