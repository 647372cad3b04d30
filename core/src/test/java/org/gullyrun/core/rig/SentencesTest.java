package org.gullyrun.core.rig;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Random;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Every setting can be spoken of: what changes, where, and to what, in a sentence that a creator can follow. */
class SentencesTest {
    private static final Rig GOOD =
            SampleShow.make().survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();

    /** Values that a setting can have. */
    private static List<Object> values(Setting<?> setting) {
        List<Object> values = new ArrayList<>();
        switch (setting.type()) {
            case ValueType.Flag flag -> values.addAll(List.of(true, false));
            case ValueType.Number(String unit, double least, double most) -> values.addAll(List.of(least, most));
            case ValueType.Count(int least, int most) -> values.addAll(List.of(least, most));
            case ValueType.Text text -> values.add("Something");
            case ValueType.Texts texts -> values.add(List.of("One", "Two"));
            case ValueType.Ref ref -> values.add("tern");
            case ValueType.Pick pick -> {
                values.addAll(pick.specials());
                values.add(Choice.to("tern"));
            }
            case ValueType.Word<?> word -> values.addAll(List.of(word.list().getEnumConstants()));
        }
        return values;
    }

    private static void sounds(String sentence, String about) {
        assertFalse(sentence.isBlank(), about);
        assertTrue(Character.isUpperCase(sentence.codePointAt(0)), about + ": " + sentence);
        assertFalse(sentence.matches(".*[{}].*"), about + " has a gap: " + sentence);
        assertFalse(sentence.contains("null"), about + ": " + sentence);
        assertFalse(sentence.contains("  "), about + ": " + sentence);
        assertFalse(sentence.endsWith("."), about + " is put into longer sentences: " + sentence);
        assertFalse(sentence.contains("-0 "), about + ": " + sentence);
    }

    @Test
    void everySettingSaysItself() {
        int said = 0;
        for (Element element : GOOD.elements()) {
            for (Setting<?> setting : Catalogue.of(element.kind())) {
                if (setting.isFamily()) {
                    continue;
                }
                for (Object value : values(setting)) {
                    Change.Set change;
                    try {
                        change = Change.setRaw(GOOD, element.id(), setting, value);
                    } catch (IllegalArgumentException e) {
                        continue; // no value that it can have
                    }
                    if (change != null) {
                        String sentence = Sentences.say(GOOD, change);
                        sounds(sentence, element.id() + "/" + setting.key() + " = " + value);
                        said++;
                    }
                }
            }
        }
        assertTrue(said > 1_000, "sentences: " + said);
    }

    @Test
    void whatComesAndGoesSaysItself() {
        for (Element element : GOOD.elements()) {
            sounds(Sentences.say(GOOD, new Change.Add(element)), "add " + element.id());
            sounds(Sentences.say(GOOD, new Change.Remove(element)), "remove " + element.id());
        }
    }

    @Test
    void unknownIsSaidToo() {
        for (Element element : GOOD.elements()) {
            for (Setting<?> setting : Catalogue.of(element.kind())) {
                if (setting.isFamily()) {
                    continue;
                }
                Change.Set change = Change.setRaw(GOOD, element.id(), setting, null);
                if (change != null) {
                    sounds(Sentences.say(GOOD, change), element.id() + "/" + setting.key() + " unknown");
                }
            }
        }
    }

    @Test
    void randomRigsAreSpokenOfWithoutGaps() {
        for (int seed = 0; seed < RandomRigs.many(60, 600); seed++) {
            Rig from = RandomRigs.of(seed);
            Rig to = RandomRigs.of(seed + 1);
            for (Change change : Changes.between(from, to)) {
                sounds(Sentences.say(change instanceof Change.Add ? to : from, change), "seed " + seed + " " + change);
            }
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    strip-talk | crossings:bus-guests | true  | In Brookdesk, switch strip Talk onto bus Guests
                    strip-talk | crossings:bus-ears   | false | In Brookdesk, switch strip Talk off bus Ears
                    in-music   | tracks:2             | true  | In Orrery, put input Music on track archive
                    in-music   | muted                | true  | In Orrery, mute input Music
                    brookdesk  | startsWithMachine    | false | Don't start Brookdesk with the computer
                    farcall    | passesInputOn        | false | Stop Farcall from passing its input on
                    farcall    | voiceOnly            | true  | Have Farcall carry voices only
                    brookdesk  | hardware             | true  | Set “hardware” of Brookdesk to yes
                    out-live   | active               | false | In Orrery, stop output Live stream
                    """)
    void aChangeIsSaidAsATechnicianWould(String element, String key, boolean to, String sentence) {
        Setting<?> setting = Catalogue.find(GOOD.get(element).kind(), key);
        assertNotNull(setting, key);
        Change.Set change = Change.setRaw(GOOD, element, setting, to);
        if (change != null) {
            assertEquals(sentence, Sentences.say(GOOD, change));
        }
    }

    @Test
    void theOutputOfAProgramIsNeverCalledByItsId() {
        Rig one = Changes.apply(
                GOOD,
                List.of(Objects.requireNonNull(Change.set(GOOD, "huddlewick-out", Common.name(Kind.APP_OUTPUT), ""))));
        Rig two = Changes.apply(
                one,
                List.of(new Change.Add(
                        Element.of(Kind.APP_OUTPUT, "rings").with(Applications.OUTPUT_OF, "huddlewick"))));
        Rig named = Changes.apply(
                two, List.of(Objects.requireNonNull(Change.set(two, "rings", Common.name(Kind.APP_OUTPUT), "Rings"))));
        assertEquals("In Huddlewick, set the output level to −3 dB", level(one, "huddlewick-out"));
        assertEquals("In Huddlewick, set the output level of the first output to −3 dB", level(two, "rings"));
        assertEquals("In Huddlewick, set the output level of output Rings to −3 dB", level(named, "rings"));
        Change plays = Objects.requireNonNull(Change.set(two, "rings", Applications.PROGRAM_CHOICE, Choice.to("tern")));
        assertEquals("In Huddlewick, choose Tern headset for the first output", Sentences.say(two, plays));
        assertEquals("Huddlewick · the first output · plays to", Sentences.where(two, plays));
        assertEquals("Remove the first output of Huddlewick", Sentences.say(two, new Change.Remove(two.get("rings"))));
        assertEquals("output of Huddlewick", one.name("huddlewick-out"));
    }

    private static String level(Rig rig, String output) {
        return Sentences.say(rig, Objects.requireNonNull(Change.set(rig, output, Applications.OUTPUT_LEVEL, -3.0)));
    }

    @ParameterizedTest
    @CsvSource({"input,an input", "strip,a strip", "application,an application", "entry,an entry", "output,an output"})
    void theArticleFitsTheNoun(String noun, String with) {
        assertEquals(with, Sentences.a(noun));
    }

    @Test
    void idsAreOrderedByCodePoint() {
        Random random = new Random(3);
        for (int i = 0; i < 5_000; i++) {
            String a = text(random);
            String b = text(random);
            int order = Integer.signum(java.util.Arrays.compare(
                    a.codePoints().toArray(), b.codePoints().toArray()));
            assertEquals(order, Integer.signum(Ids.ORDER.compare(a, b)), a + " and " + b);
        }
    }

    private static String text(Random random) {
        StringBuilder text = new StringBuilder();
        for (int i = random.nextInt(4); i >= 0; i--) {
            int[] some = {'a', 'z', 'A', '-', 0xE9, 0xFFFD, 0x1F50A, 0xE000, 0x10000};
            text.appendCodePoint(some[random.nextInt(some.length)]);
        }
        return text.toString();
    }

    @ParameterizedTest
    @CsvSource({
        "Larch boom,larch-boom",
        "Larch boom (new),larch-boom-new",
        "Ünter Größe,ünter-größe",
        "  spaced  out ,spaced-out"
    })
    void anIdIsMadeOfAName(String name, String id) {
        String made = Ids.from(name, taken -> false);
        assertEquals(id, made);
        assertEquals("", Ids.objection(made) == null ? "" : Ids.objection(made));
        String second = Ids.from(name, made::equals);
        assertFalse(second.equals(made), "an id that is taken is not given twice");
        assertEquals(second.toLowerCase(Locale.ROOT), second);
    }
}
