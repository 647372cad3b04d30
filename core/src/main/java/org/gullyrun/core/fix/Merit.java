package org.gullyrun.core.fix;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.flow.route.OpenView;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * What a fix is ranked by, once it has been tried.
 *
 * @param worth how much it resolves, less what minor findings it causes: a critical one counts 100, a major 10, a minor 1;
 *     a double that it clears by silencing the processed sound counts nothing
 * @param revealed the weights of what was missing unseen behind what it clears, and still is
 * @param bad how many of the findings that it causes are major or critical
 * @param lost how many deliveries that were required or optional it loses, of those that were there when all was well
 * @param unprocessed for how many of the cleared the sound that is left, or comes, is raw, though there is a processed one
 * @param disturbance how many other deliveries that were good it loses or makes fainter, or brings another way
 * @param newly how many deliveries come that may be heard and weren't
 * @param namesakes how many of the devices that it chooses are named after what is led there, a strip Music or a source Music to
 *     Mixer music in
 * @param idle where devices are chosen, how many buses and processors carry sound then that nobody hears: what was built is meant
 *     to be used
 * @param crowd of what was missing, how many sources get to the devices that it chooses, itself among them
 * @param company how far the source's route to its listener is that of the listener's other sources: the segments from the
 *     listener back that both have, summed up over the others; 0 where the finding is not about a source
 */
record Merit(
        int worth,
        int revealed,
        int bad,
        int lost,
        int unprocessed,
        int disturbance,
        int newly,
        int namesakes,
        int idle,
        int crowd,
        int company) {

    /** Of fixes that do as much and take as much: names that go together, nothing built in vain, least that is new, few at a device, the usual way. */
    static final Comparator<Merit> ALIKE = Comparator.comparingInt((Merit m) -> -m.namesakes)
            .thenComparingInt(m -> m.idle)
            .thenComparingInt(m -> m.newly)
            .thenComparingInt(m -> m.crowd)
            .thenComparingInt(m -> -m.company);

    /**
     * What a fix is ranked by.
     *
     * @param cleared the findings that it clears
     * @param worth their weights, less those of minor findings that are new
     * @param revealed the weights of what was missing unseen and shows now
     * @param bad how many findings are new that are major or critical
     * @param effects what listeners notice of it
     * @param finding the finding it is for, by whose route it is judged; null if it clears none
     * @param whenGood what was heard when all was well; null if that isn't known
     */
    static Merit of(
            Reading before,
            Reading after,
            List<Change> changes,
            List<Finding> cleared,
            int worth,
            int revealed,
            int bad,
            SideEffects effects,
            @Nullable Finding finding,
            @Nullable WhenGood whenGood) {
        Processing processing = Processing.lost(before, after, cleared);
        Finding on =
                finding != null && finding.evidence().scene() < after.scenes().size() ? finding : null;
        return new Merit(
                worth - processing.worth(),
                revealed,
                bad,
                lost(before, after, whenGood),
                processing.raw(),
                effects.count(SideEffects.Sort.LESS),
                effects.count(SideEffects.Sort.NEW),
                namesakes(after.rig(), changes),
                on != null && changes.stream().anyMatch(c -> chosen(after.rig(), c) != null) ? idle(after, on) : 0,
                on != null && before.rule(on).topic() == Topic.MISSING ? crowd(after, changes, on) : 0,
                on == null ? 0 : company(after, on));
    }

    /** How many required or optional deliveries, each counted once for all scenes, are gone that were there when all was well. */
    private static int lost(Reading before, Reading after, @Nullable WhenGood whenGood) {
        int lost = 0;
        if (!SideEffects.comparable(before, after)) {
            return lost;
        }
        int outlets = before.rig().of(Kind.OUTLET).size();
        for (int s = 0; s < before.rig().of(Kind.SOURCE).size(); s++) {
            int[] differing = SideEffects.differing(before, after, s);
            for (int o = 0; differing.length > 0 && o < outlets; o++) {
                for (int i : differing) {
                    CellReading was = before.scenes().get(i).cell(s, o);
                    if (was.delivery().arrives()
                            && was.wish() != Wish.NEVER
                            && (whenGood == null || whenGood.wasHeard(was))
                            && !after.scenes().get(i).cell(s, o).delivery().arrives()) {
                        lost++;
                        break;
                    }
                }
            }
        }
        return lost;
    }

    /** How many devices that are chosen have the name of what chooses them, or of what its program plays, in their own; programs likewise. */
    private static int namesakes(Rig rig, List<Change> changes) {
        return (int) changes.stream()
                .filter(c -> chosen(rig, c) instanceof Element device && Namesakes.are(rig, c.element(), device)
                        || c instanceof Change.Set set
                                && set.setting().equals(Productions.APPLICATION)
                                && set.to() instanceof String id
                                && rig.find(id) instanceof Element program
                                && Namesakes.takes(rig, rig.get(c.element()), program))
                .count();
    }

    /** How many buses, and devices that a processor offers, carry sound that no listener hears, in the scene of a finding. */
    private static int idle(Reading after, Finding finding) {
        Rig rig = after.rig();
        FlowGraph graph = after.scenes().get(finding.evidence().scene()).graph();
        OpenView view = after.scenes().get(finding.evidence().scene()).view();
        boolean[] carries = view.reachedFrom(graph.sources());
        boolean[] heard = view.reaching(rig.of(Kind.OUTLET).stream()
                .mapToInt(o -> graph.point(o.id()))
                .filter(p -> p >= 0)
                .toArray());
        return (int) Stream.concat(
                        rig.of(Kind.BUS).stream().map(Element::id),
                        rig.of(Kind.PROCESSOR).stream().map(p -> p.or(Links.PROCESSOR_TO, "")))
                .mapToInt(graph::point)
                .filter(p -> p >= 0 && carries[p] && !heard[p])
                .count();
    }

    /** How many sources get to the devices that are chosen, in the scene of a finding. */
    private static int crowd(Reading after, List<Change> changes, Finding finding) {
        int crowd = 0;
        SceneReading scene = after.scenes().get(finding.evidence().scene());
        for (Change change : changes) {
            Element device = chosen(after.rig(), change);
            int end = device == null ? -1 : scene.graph().point(device.id());
            if (end >= 0) {
                boolean[] reaching = scene.view().reachingOne(end);
                crowd += (int) IntStream.range(0, after.rig().of(Kind.SOURCE).size())
                        .filter(i -> reaching[scene.sourcePoint(i)])
                        .count();
            }
        }
        return crowd;
    }

    /** The device that a change chooses; null if it is of another kind. */
    private static @Nullable Element chosen(Rig rig, Change change) {
        return change instanceof Change.Set set && set.to() instanceof Choice.To(String id) ? rig.find(id) : null;
    }

    /** How far the route of a finding's source is that of the listener's other sources, in the scene of its evidence. */
    private static int company(Reading after, Finding finding) {
        Element source = after.rig().find(finding.subject().source());
        Element outlet = after.rig().find(finding.subject().outlet());
        if (source == null
                || outlet == null
                || finding.evidence().scene() >= after.scenes().size()) {
            return 0;
        }
        SceneReading scene = after.scenes().get(finding.evidence().scene());
        int column = after.rig().of(Kind.OUTLET).indexOf(outlet);
        int row = after.rig().of(Kind.SOURCE).indexOf(source);
        List<Integer> route = scene.cell(row, column).delivery().strongest();
        int company = 0;
        for (int s = 0; s < after.rig().of(Kind.SOURCE).size(); s++) {
            company += s == row
                    ? 0
                    : shared(route, scene.cell(s, column).delivery().strongest());
        }
        return company;
    }

    /** How many segments two routes have in common at their ends. */
    private static int shared(List<Integer> one, List<Integer> other) {
        int shared = 0;
        while (shared < Math.min(one.size(), other.size())
                && one.get(one.size() - 1 - shared).equals(other.get(other.size() - 1 - shared))) {
            shared++;
        }
        return shared;
    }
}
