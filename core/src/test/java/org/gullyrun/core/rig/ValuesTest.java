package org.gullyrun.core.rig;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** What an element lets in, and what it refuses: nothing that a file could not give back. */
class ValuesTest {
    /** Values of every sort, good and bad, among them all that a file once lost. */
    private static List<@Nullable Object> anything() {
        List<@Nullable Object> all = new ArrayList<>(Arrays.asList(
                null,
                Unknown.UNKNOWN,
                true,
                false,
                0.0,
                -0.0,
                -200.0,
                60.0,
                60.1,
                -270.0,
                48_000.0,
                1e9,
                Double.NaN,
                Double.POSITIVE_INFINITY,
                7,
                0,
                -1,
                "",
                " ",
                "?",
                "name",
                "with\nline",
                "half \ud800",
                List.of("a", "b"),
                List.of("half \udc00"),
                Choice.to("mic"),
                Choice.to("default"),
                Choice.to("?"),
                Choice.to("unset"),
                new Object()));
        all.addAll(List.of(Choice.Special.values()));
        all.addAll(List.of(DriverPath.values()));
        all.addAll(List.of(Outlets.Sort.values()));
        return all;
    }

    @Test
    void whatIsLetInIsReadBackAsTheSameAndAllElseIsRefused() {
        int in = 0;
        int refused = 0;
        for (Kind kind : Kind.values()) {
            Element element = Element.of(kind, "e");
            for (Setting<?> setting : Catalogue.of(kind)) {
                Setting<?> one = setting.isFamily() ? setting.of("1") : setting;
                for (Object raw : anything()) {
                    try {
                        Element with = element.put(one, raw);
                        assertEquals(raw, with.raw(one), one + " " + raw);
                        if (raw != null && raw != Unknown.UNKNOWN) {
                            assertEquals(raw, readBack(one, raw), one + " " + raw);
                        }
                        in++;
                    } catch (IllegalArgumentException e) {
                        assertTrue(String.valueOf(e.getMessage()).contains(one.label()), e.getMessage());
                        refused++;
                    }
                }
            }
        }
        assertTrue(in > 500 && refused > 2_000, in + " let in, " + refused + " refused");
    }

    @SuppressWarnings("unchecked")
    private static <T> Object readBack(Setting<T> setting, Object raw) {
        Object plain = setting.type().write((T) raw);
        assertFalse(Unknown.MARK.equals(plain), "would be read as not yet known");
        return setting.type().read(plain);
    }

    @Test
    void aPlaceInTheListIsAlwaysKnown() {
        Element mic = Element.of(Kind.DEVICE, "mic");
        assertThrows(IllegalArgumentException.class, () -> mic.put(Common.place(Kind.DEVICE), Unknown.UNKNOWN));
    }

    @Test
    void tracksAreNumberedUpToTheirMost() {
        assertEquals("256", Productions.TRACK.of(256).sub());
        for (String wrong : List.of("0", "257", "999", "01", "-1", "one", "")) {
            assertThrows(IllegalArgumentException.class, () -> Productions.TRACK.of(wrong), wrong);
        }
    }

    @Test
    void anIdCanBeMadeFromAnyName() {
        for (String name :
                List.of("", "?", "default", "x".repeat(5_000), "ü".repeat(300), "🎙".repeat(300), "a/b#c:d@e")) {
            String id = Ids.from(name, taken -> false);
            assertEquals("", Ids.objection(id), name);
            assertEquals("", Ids.objection(Ids.from(name, id::equals)), name);
        }
    }

    @Test
    void anElementThatClaimsToLiveInTheWrongKindOfThingLivesNowhere() {
        Element pc = Element.of(Kind.MACHINE, "pc");
        Element stream = Element.of(Kind.OUTPUT, "stream").with(Productions.OUTPUT_OF, "pc");
        Rig rig = Rig.of(List.of(pc, stream));
        assertEquals(null, rig.owner(stream));
        assertEquals(stream, rig.program(stream));
        assertEquals("is a computer", Dangling.in(rig).getFirst().why());
    }

    @Test
    void anEntryThatBringsItselfHasAName() {
        Element entry =
                Element.of(Kind.ENTRY, "e").with(Productions.ENTRY_OF, "s").with(Productions.BRINGS, "e");
        Element scene = Element.of(Kind.SCENE, "s").with(Common.name(Kind.SCENE), "Sky");
        assertEquals("e in scene Sky", Sentences.noun(Rig.of(List.of(entry, scene)), entry));
    }

    @Test
    void aNounIsNotSaidTwice() {
        assertEquals("input Music", Sentences.called("input", "Music"));
        assertEquals("Input 3", Sentences.called("input", "Input 3"));
        assertEquals("track", Sentences.called("track", "track"));
        assertEquals("track Tracking", Sentences.called("track", "Tracking"));
        assertEquals("an output", Sentences.a("output"));
        assertEquals("a device", Sentences.a("device").toLowerCase(Locale.ROOT));
    }
}
