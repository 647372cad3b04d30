package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Who hears a difference when a setting is changed. */
class ReachTest {
    private static final Case SHOW = SampleShow.make();
    private static final Reading GOOD = RuleCatalogue.usual()
            .read(SHOW.survey(SHOW.knownGood()).orElseThrow().rig(), SHOW.brief());

    private static String said(String kind, String name, String key) {
        Element element = GOOD.rig().elements().stream()
                .filter(e -> e.kind().noun().equals(kind) && e.name().equals(name))
                .findFirst()
                .orElseThrow();
        return Reach.of(GOOD, new Address(element.id(), key)).sentence();
    }

    @Test
    void aBusReachesThoseItIsFor() {
        assertEquals("Reaches Guests only", said("bus", "Guests", "level"));
        assertEquals("Reaches Guests only", said("bus", "Guests", "muted"));
    }

    @Test
    void whetherAProgramRunsReachesThoseWhoHearIt() {
        String heard = said("program", "Driftbox", "muted");
        assertTrue(heard.contains("Host's ears"), heard);
        assertEquals(heard, said("program", "Driftbox", "running"));
    }

    @Test
    void aClosedGateReachesWhomItWouldReachOpen() {
        assertEquals("Reaches Live, Archive, Partner relay and Host track", said("input", "Host raw", "program"));
    }

    @Test
    void whatSoundNeverPassesReachesNobody() {
        Rig rig = Changes.apply(
                GOOD.rig(),
                List.of(new Change.Add(Element.of(Kind.DEVICE, "spare-box")
                        .with(
                                org.gullyrun.core.rig.Devices.DIRECTION,
                                org.gullyrun.core.rig.Devices.Direction.PLAYBACK))));
        Reading reading = RuleCatalogue.usual().read(rig, SHOW.brief());
        assertEquals(
                "Reaches nobody",
                Reach.of(reading, new Address("spare-box", "muted")).sentence());
        assertEquals(
                "Reaches nobody",
                Reach.of(reading, new Address("spare-box", "")).sentence());
    }

    @TakesLong
    @Test
    void everyListenerWhoHearsADifferenceIsReachedBeforeOrAfter() {
        int differences = 0;
        for (int seed = 0; seed < RandomRigs.many(55, 1_000); seed++) {
            Rig rig = RandomRigs.of(seed);
            Random random = new Random(seed);
            Audit audit = RuleCatalogue.usual().quick();
            Reading before = audit.read(rig, Brief.EMPTY);
            List<Element> elements = List.copyOf(rig.elements());
            for (int tries = 0; tries < 40; tries++) {
                Element element = elements.get(random.nextInt(elements.size()));
                List<Setting<?>> settings = new ArrayList<>(Catalogue.of(element.kind()));
                settings.removeIf(s -> s.isFamily() || !(element.raw(s) instanceof Boolean));
                for (String key : element.keys()) {
                    Setting<?> member = Catalogue.find(element.kind(), key);
                    if (member != null && !member.sub().isEmpty() && member.type() instanceof ValueType.Flag) {
                        settings.add(member);
                    }
                }
                if (settings.isEmpty() || element.kind() == Kind.GROUP || element.kind() == Kind.DEVICE) {
                    continue;
                }
                Setting<?> setting = settings.get(random.nextInt(settings.size()));
                Change.Set change =
                        Change.setRaw(rig, element.id(), setting, Boolean.FALSE.equals(element.raw(setting)));
                if (change == null || REROUTING.contains(setting.familyKey()) || element.kind() == Kind.OUTPUT) {
                    continue;
                }
                Reading after = audit.read(Changes.apply(rig, List.of(change)), Brief.EMPTY);
                Address at = new Address(element.id(), setting.key());
                Set<Element> reached = new HashSet<>(Reach.of(before, at).reached());
                reached.addAll(Reach.of(after, at).reached());
                for (int i = 0; i < before.scenes().size(); i++) {
                    for (CellReading was : before.scenes().get(i).cells()) {
                        CellReading is = after.scenes()
                                .get(i)
                                .cell(
                                        rig.of(Kind.SOURCE).indexOf(was.source()),
                                        rig.of(Kind.OUTLET).indexOf(was.outlet()));
                        boolean differs =
                                was.delivery().routes() != is.delivery().routes()
                                        || was.delivery().arrives()
                                                && Math.abs(was.delivery().strength()
                                                                - is.delivery().strength())
                                                        > 1e-9;
                        if (differs) {
                            differences++;
                            assertTrue(
                                    reached.stream()
                                            .anyMatch(o ->
                                                    o.id().equals(was.outlet().id())),
                                    "seed " + seed + " " + at + " at "
                                            + was.outlet().id());
                        }
                    }
                }
            }
        }
        assertTrue(differences > 100, "differences: " + differences);
    }

    /** Settings that lead a choice elsewhere, rather than open or close what is there. */
    private static final Set<String> REROUTING = Set.of(
            "present",
            "enabled",
            "permitted",
            "running",
            "active",
            "direct",
            "always",
            "copy",
            "virtual",
            "passesInputOn",
            "playsAloud",
            "passesGuestsOn");
}
