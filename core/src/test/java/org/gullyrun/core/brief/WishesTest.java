package org.gullyrun.core.brief;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Set;
import org.gullyrun.core.SmallRig;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Outlets.Sort;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What counts for a pair: the cell first, then the presets, then what a track is for. */
class WishesTest {
    private final SmallRig rig = new SmallRig()
            .source("host", SourceClass.VOICE, -20)
            .source("dome", SourceClass.VOICE, -20)
            .source("music", SourceClass.MUSIC, -36)
            .source("crew", SourceClass.CHAT, -20)
            .source("clips", SourceClass.MEDIA, -24)
            .alter("crew", e -> e.with(Sources.PRIVATE, true))
            .alter("music", e -> e.with(Sources.LICENSED, true));
    private Brief brief = Brief.EMPTY;

    private void outlet(String id, Sort sort) {
        rig.with(Element.of(Kind.OUTLET, id).with(Outlets.SORT, sort));
    }

    private void cell(String source, String outlet, String scene, Wish wish) {
        brief = brief.with(new Brief.Cell(source, outlet, scene), wish);
    }

    private Wishes.Counting counts(String source, String outlet, String scene) {
        Rig made = rig.rig();
        return new Wishes(made, brief).of(made.get(source), made.get(outlet), scene);
    }

    private static Wishes.Counting counting(Wish wish, Wishes.Ground ground) {
        return new Wishes.Counting(wish, ground);
    }

    @ParameterizedTest
    @EnumSource(Sort.class)
    void whatIsPrivateStaysAwayFromEverybodyButEarsAndMachines(Sort sort) {
        outlet("there", sort);
        boolean allowed = sort == Sort.EARS || sort == Sort.MACHINE;
        assertEquals(
                allowed ? counting(Wish.MAY, Wishes.Ground.NOT_SET) : counting(Wish.NEVER, Wishes.Ground.PRIVATE),
                counts("crew", "there", ""));
    }

    @ParameterizedTest
    @EnumSource(Sort.class)
    void whatIsLicensedForLiveIsNotKept(Sort sort) {
        outlet("there", sort);
        assertEquals(
                sort == Sort.ARCHIVE
                        ? counting(Wish.NEVER, Wishes.Ground.LICENSED)
                        : counting(Wish.MAY, Wishes.Ground.NOT_SET),
                counts("music", "there", ""));
    }

    @Test
    void aPrivateCallMayHearItself() {
        rig.with(Element.of(Kind.APPLICATION, "huddle").with(Applications.USE, Applications.Use.CHAT))
                .alter("crew", e -> e.with(Sources.AT, "huddle"))
                .with(Element.of(Kind.OUTLET, "own")
                        .with(Outlets.SORT, Sort.FAR_END)
                        .with(Outlets.APPLICATION, "huddle"))
                .with(Element.of(Kind.OUTLET, "other")
                        .with(Outlets.SORT, Sort.FAR_END)
                        .with(Outlets.APPLICATION, "farcall"));
        assertEquals(Wish.MAY, counts("crew", "own", "").wish());
        assertEquals(counting(Wish.NEVER, Wishes.Ground.PRIVATE), counts("crew", "other", ""));
    }

    @ParameterizedTest
    @CsvSource({"crew,PRIVATE", "music,LICENSED"})
    void aCellBeatsEveryPreset(String source, Wishes.Ground preset) {
        outlet("archive", Sort.ARCHIVE);
        assertEquals(preset, counts(source, "archive", "").ground());
        for (Wish wish : Wish.values()) {
            cell(source, "archive", "", wish);
            assertEquals(counting(wish, Wishes.Ground.ENTERED), counts(source, "archive", ""));
        }
    }

    @Test
    void aCellForOneSceneCountsThereOnly() {
        outlet("live", Sort.LIVE);
        cell("clips", "live", "", Wish.MUST);
        cell("clips", "live", "break", Wish.NEVER);
        assertEquals(Wish.NEVER, counts("clips", "live", "break").wish());
        assertEquals(Wish.MUST, counts("clips", "live", "panel").wish());
        assertEquals(Wish.MUST, counts("clips", "live", "").wish());
        cell("clips", "live", "break", null);
        assertEquals(Wish.MUST, counts("clips", "live", "break").wish(), "taken back, the general cell counts again");
    }

    @Test
    void aTrackWithOneRequiredSourceIsForThatSourceAlone() {
        outlet("track-host", Sort.TRACK);
        cell("host", "track-host", "", Wish.MUST);
        assertEquals(counting(Wish.MUST, Wishes.Ground.ENTERED), counts("host", "track-host", ""));
        assertEquals(
                counting(Wish.NEVER, Wishes.Ground.DEDICATED),
                counts("dome", "track-host", ""),
                "another voice is mixed in too");
        assertEquals(counting(Wish.NEVER, Wishes.Ground.DEDICATED), counts("clips", "track-host", ""));
        assertEquals(Set.of("host"), new Wishes(rig.rig(), brief).dedicatedTo("track-host"));
    }

    @Test
    void aTrackWithSeveralRequiredSourcesOfOneClassIsForThatClass() {
        rig.source("guest", SourceClass.VOICE, -20);
        outlet("voices", Sort.TRACK);
        cell("host", "voices", "", Wish.MUST);
        cell("dome", "voices", "", Wish.MUST);
        assertEquals(counting(Wish.MAY, Wishes.Ground.NOT_SET), counts("guest", "voices", ""));
        assertEquals(counting(Wish.NEVER, Wishes.Ground.DEDICATED), counts("clips", "voices", ""));
    }

    @Test
    void aTrackWithRequiredSourcesOfSeveralClassesIsForAnything() {
        outlet("both", Sort.TRACK);
        cell("host", "both", "", Wish.MUST);
        cell("clips", "both", "", Wish.MUST);
        assertEquals(counting(Wish.MAY, Wishes.Ground.NOT_SET), counts("dome", "both", ""));
        assertTrue(new Wishes(rig.rig(), brief).dedicatedTo("both").isEmpty());
    }

    @Test
    void onlyTracksAreDedicated() {
        outlet("archive", Sort.ARCHIVE);
        cell("host", "archive", "", Wish.MUST);
        assertEquals(Wish.MAY, counts("clips", "archive", "").wish());
        Rig made = rig.rig();
        assertFalse(new Wishes(made, brief).isForOthers(made.get("clips"), made.get("archive")));
    }

    @Test
    void onADedicatedTrackAPrivateSourceIsKeptAwayForBeingPrivate() {
        outlet("track-host", Sort.TRACK);
        cell("host", "track-host", "", Wish.MUST);
        assertEquals(counting(Wish.NEVER, Wishes.Ground.PRIVATE), counts("crew", "track-host", ""));
    }

    @Test
    void theTableHoldsWhatEachPairIsAskedFor() {
        outlet("live", Sort.LIVE);
        outlet("archive", Sort.ARCHIVE);
        cell("host", "live", "", Wish.MUST);
        cell("clips", "live", "panel", Wish.NEVER);
        Rig made = rig.rig();
        Wishes wishes = new Wishes(made, brief);
        for (String scene : new String[] {"", "panel", "elsewhere"}) {
            Wishes.Counting[][] table = wishes.table(scene);
            for (int s = 0; s < made.of(Kind.SOURCE).size(); s++) {
                for (int o = 0; o < made.of(Kind.OUTLET).size(); o++) {
                    assertEquals(
                            wishes.of(
                                    made.of(Kind.SOURCE).get(s),
                                    made.of(Kind.OUTLET).get(o),
                                    scene),
                            table[s][o]);
                }
            }
        }
    }

    @Test
    void changesOfABriefCanBeTakenBack() {
        Brief from = Brief.EMPTY
                .with(new Brief.Cell("a", "x", ""), Wish.MUST)
                .with(new Brief.Cell("b", "x", "panel"), Wish.NEVER);
        Brief to = from.with(new Brief.Cell("a", "x", ""), Wish.NEVER)
                .with(new Brief.Cell("b", "x", "panel"), null)
                .with(new Brief.Cell("c", "y", ""), Wish.MAY);
        var changes = BriefChange.between(from, to);
        assertEquals(3, changes.size());
        assertEquals(to, BriefChange.apply(from, changes));
        assertEquals(
                from,
                BriefChange.apply(
                        to, changes.stream().map(BriefChange::inverse).toList().reversed()));
        assertTrue(BriefChange.between(to, to).isEmpty());
    }
}
