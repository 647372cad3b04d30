package org.gullyrun.core.rig;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.rig.Devices.Direction;
import org.junit.jupiter.api.Test;

/** Changes as the single way to alter a rig: what holds for all of them, and what is refused. */
class ChangesTest {
    private static final Rig RIG = Rig.of(List.of(
            Element.of(Kind.MIXER, "mix").with(Common.name(Kind.MIXER), "Brookdesk"),
            Element.of(Kind.STRIP, "music")
                    .with(Common.name(Kind.STRIP), "Music")
                    .with(Mixers.STRIP_OF, "mix"),
            Element.of(Kind.BUS, "guests").with(Common.name(Kind.BUS), "Guests").with(Mixers.BUS_OF, "mix"),
            Element.of(Kind.DEVICE, "heron").with(Devices.DIRECTION, Direction.RECORDING)));

    @Test
    void betweenAnyTwoRigsChangesLeadThereAndBackInAnyOrder() {
        for (int seed = 0; seed < 400; seed++) {
            Rig a = RandomRigs.of(seed);
            Rig b = RandomRigs.of(seed + 1_000);
            List<Change> changes = new ArrayList<>(Changes.between(a, b));
            Rig there = Changes.apply(a, changes);
            assertEquals(b, there, "seed " + seed);
            assertEquals(a, Changes.apply(there, Changes.inverse(changes)), "seed " + seed);
            Collections.shuffle(changes, new Random(seed));
            assertEquals(b, Changes.apply(a, changes), "in another order, seed " + seed);
            assertTrue(Changes.between(a, a).isEmpty());
        }
    }

    @Test
    void changesOneByOneAreAsChangesAtOnce() {
        for (int seed = 0; seed < 100; seed++) {
            Rig a = RandomRigs.of(seed);
            Rig b = RandomRigs.of(seed + 500);
            Rig step = a;
            for (Change change : Changes.between(a, b)) {
                step = Changes.apply(step, List.of(change));
            }
            assertEquals(b, step, "seed " + seed);
        }
    }

    @Test
    void settingASettingToWhatItStandsAtIsNoChange() {
        Element strip = RIG.get("music");
        assertSame(strip, strip.with(Mixers.STRIP_MUTED, false));
        assertEquals(null, Change.set(RIG, "music", Mixers.STRIP_MUTED, false));
        assertSame(RIG, Changes.apply(RIG, List.of()));
    }

    @Test
    void aChangeFromSomewhereElseIsRefusedAndNothingIsAltered() {
        Change.Set on = Change.set(RIG, "music", Mixers.STRIP_MUTED, true);
        Rig muted = Changes.apply(RIG, List.of(on));
        Changes.Conflict e = assertThrows(Changes.Conflict.class, () -> Changes.apply(muted, List.of(on)));
        assertTrue(e.getMessage().contains("music/muted stands at true"), e.getMessage());
        assertThrows(Changes.Conflict.class, () -> Changes.apply(RIG, List.of(on, on)));
    }

    @Test
    void removingAMixerRemovesWhatLivesInItAndLeavesReferencesDangling() {
        Rig linked = Changes.apply(RIG, List.of(Change.set(RIG, "music", Mixers.CROSSING.of("guests"), true)));
        Rig without = Changes.apply(linked, Changes.removal(linked, "guests"));
        assertEquals(
                List.of(new Dangling(new Address("music", "crossings:guests"), "guests", "doesn't exist")),
                Dangling.in(without));
        Rig gone = Changes.apply(linked, Changes.removal(linked, "mix"));
        assertEquals(List.of("heron"), gone.elements().stream().map(Element::id).toList());
        assertEquals(linked, Changes.apply(gone, Changes.inverse(Changes.removal(linked, "mix"))));
    }

    @Test
    void everyChangeSaysItselfInOnePlainSentence() {
        Rig on = Changes.apply(RIG, List.of(Change.set(RIG, "music", Mixers.CROSSING.of("guests"), true)));
        assertEquals(
                "In Brookdesk, switch strip Music off bus Guests",
                Sentences.say(on, Change.set(on, "music", Mixers.CROSSING.of("guests"), false)));
        assertEquals(
                "Set the rate of heron to 48 kHz",
                Sentences.say(RIG, Change.set(RIG, "heron", Devices.RATE, 48_000.0)));
        assertEquals(
                "In Brookdesk, set the level of strip Music to −6 dB",
                Sentences.say(RIG, Change.set(RIG, "music", Mixers.STRIP_LEVEL, -6.0)));
        assertEquals("Remove the strip Music", Sentences.say(RIG, new Change.Remove(RIG.get("music"))));
    }

    @Test
    void valuesOutsideTheirBordersAreRefusedInWords() {
        IllegalArgumentException e = assertThrows(
                IllegalArgumentException.class, () -> RIG.get("heron").with(Devices.RATE, -5.0));
        assertEquals("expected a number from 1 to 1000000 Hz, found -5", e.getMessage());
        assertThrows(IllegalArgumentException.class, () -> RIG.get("heron").with(Mixers.RATE, 48_000.0));
        assertThrows(IllegalArgumentException.class, () -> Element.of(Kind.DEVICE, "a#b"));
        assertThrows(IllegalArgumentException.class, () -> Element.of(Kind.DEVICE, "default"));
    }

    @Test
    void unknownIsAValueOfItsOwn() {
        Element asked = RIG.get("heron").with(Devices.MUTED, null);
        assertTrue(asked.isUnknown(Devices.MUTED));
        assertTrue(asked.isUnknown(Devices.RATE), "a rate not entered is not yet known");
        assertEquals(null, asked.get(Devices.MUTED));
        assertEquals(RIG.get("heron"), asked.with(Devices.MUTED, false));
    }

    @Test
    void idsSortByCodePoint() {
        List<String> ids = new ArrayList<>(List.of("z", "\uD83D\uDE00", "\uFB01", "a", "ab"));
        ids.sort(Ids.ORDER);
        assertEquals(List.of("a", "ab", "z", "\uFB01", "\uD83D\uDE00"), ids);
        assertEquals("larch-boom-2", Ids.from("Larch boom", "larch-boom"::equals));
    }
}
