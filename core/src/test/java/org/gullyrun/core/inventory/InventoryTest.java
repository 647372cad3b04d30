package org.gullyrun.core.inventory;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.intake.Questions;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Dangling;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Lists from outside, right and wrong. */
class InventoryTest {
    private final Rig sample = SampleShow.make().surveys().getFirst().rig();

    private static Preview read(Rig rig, String text) {
        return Inventory.read(rig, text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void whatIsWrittenOutAndReadAgainChangesNothing() {
        Preview again = read(sample, Inventory.write(sample));
        assertEquals(List.of(), again.mistakes());
        assertEquals(List.of(), again.changes());
        assertEquals(again.rows().size(), again.count(Preview.Fate.LEFT));
    }

    private <T> Change set(String element, Setting<T> setting, T value) {
        return Objects.requireNonNull(Change.set(sample, element, setting, value));
    }

    @Test
    void whatFewRigsHaveIsWrittenOnlyWhereItIsNeededAndReadAgain() {
        assertFalse(Inventory.write(sample).contains("microphone choice"));
        assertTrue(Inventory.write(sample).contains("provided by"), "Hushgate provides its microphone");
        Rig rare = sample;
        for (Change change : List.of(
                set("desk-pc", Machines.PLAYBACK_ORDER, List.of("Heron, play side", "tern")),
                set("desk-pc", Common.fixed(Kind.MACHINE), List.of("system setting")),
                set("hushgate-mic", Devices.RESTARTS, true),
                set("farcall", Applications.HAS_INPUT_CHOICE, false),
                set("farcall", Applications.PASSES_GUESTS, false),
                set("farcall", Applications.RESTARTS, true))) {
            rare = Changes.apply(rare, List.of(change));
        }
        String list = Inventory.write(rare);
        assertEquals(List.of(), read(rare, list).mistakes());
        assertEquals(List.of(), read(rare, list).changes());
        Preview into = read(sample, list);
        assertEquals(List.of(), into.mistakes());
        Rig now = Changes.apply(sample, into.changes());
        assertEquals(List.of("Heron, play side", "tern"), now.get("desk-pc").get(Machines.PLAYBACK_ORDER));
        assertTrue(now.get("hushgate-mic").is(Devices.RESTARTS, false));
        Rig anew = Changes.apply(Rig.EMPTY, read(Rig.EMPTY, list).changes());
        assertEquals(
                List.of("Hushgate"),
                anew.of(Kind.DEVICE).stream()
                        .map(d -> d.get(Devices.PROVIDED_BY))
                        .filter(Objects::nonNull)
                        .map(anew::name)
                        .toList(),
                "mixers are in no inventory");
        assertFalse(now.get("farcall").is(Applications.PASSES_GUESTS, true));
    }

    @Test
    void aListReadIntoAnEmptyRigGivesTheSameDevicesWhateverTheSign() {
        String list = Inventory.write(sample);
        for (String sign : List.of(",", ";", "\t")) {
            String text = (sign.equals(",")
                            ? list
                            : list.replace("\"Heron, ", "\"Heron§ ").replace("\"Plover, ", "\"Plover§ "))
                    .replace(",", sign)
                    .replace("§", ",");
            Preview preview = read(Rig.EMPTY, text);
            assertEquals(
                    List.of(),
                    preview.mistakes().stream()
                            .filter(m -> m.why().contains("CSV"))
                            .toList());
            Rig rig = Changes.apply(Rig.EMPTY, preview.changes());
            assertEquals(sample.of(Kind.DEVICE).size(), rig.of(Kind.DEVICE).size());
            for (Element device : sample.of(Kind.DEVICE)) {
                Element mine = rig.of(Kind.DEVICE).stream()
                        .filter(e -> e.name().equals(device.name()))
                        .findFirst()
                        .orElseThrow();
                assertEquals(device.get(Devices.RATE), mine.get(Devices.RATE));
                assertEquals(device.get(Devices.DIRECTION), mine.get(Devices.DIRECTION));
            }
            assertEquals(sample.of(Kind.CABLE).size(), rig.of(Kind.CABLE).size());
            Element heron = rig.of(Kind.CABLE).getFirst();
            assertEquals("Heron, play side", rig.name(String.valueOf(heron.get(Links.CABLE_FROM))));
        }
    }

    @Test
    void aMistakeNamesRowAndColumnAndRightRowsAreKept() {
        Preview preview = read(Rig.EMPTY, """
                name;direction;sample rate;colour
                Larch boom;recording;48
                Tern headset;sideways;48
                ;playback;48
                Mole;playback;fast
                """);
        assertEquals(
                List.of(
                        "Row 1, colour: Unknown column. It is left out.",
                        "Row 3, direction: “sideways” isn't valid here. Enter one of: playback, recording.",
                        "Row 4, name: Enter a name.",
                        "Row 5, sample rate: “fast” isn't a number of kHz. Enter 44.1, 48 or 96, or ? if you don't know."),
                preview.mistakes().stream().map(Preview.Mistake::told).toList());
        assertEquals(3, preview.count(Preview.Fate.ADDED));
        Rig rig = Changes.apply(Rig.EMPTY, preview.changes());
        assertEquals(48_000, rig.get("larch-boom").get(Devices.RATE));
        assertEquals(48_000, rig.get("tern-headset").get(Devices.RATE), "the rest of a row with a mistake counts");
    }

    @Test
    void aRowThatDiffersSaysWhatItChanges() {
        Preview preview = read(sample, "rate,name\n44.1,larch boom\n48,Tern headset\n");
        assertEquals(Preview.Fate.CHANGED, preview.rows().get(0).fate());
        assertEquals(
                "Set the rate of Larch boom to 44.1 kHz", preview.rows().get(0).detail());
        assertEquals(Preview.Fate.LEFT, preview.rows().get(1).fate());
        assertEquals(1, preview.changes().size());
    }

    @Test
    void whatASpreadsheetWouldRunIsDefused() {
        for (String name : List.of("=1+1", "+cmd|x", "-2+3", "@sum", "'quoted", "a, \"b\"\nc")) {
            assertEquals(name, CsvText.armed(CsvText.defused(name)));
            String cell = CsvText.write(List.of(List.of(name))).substring(1);
            assertFalse(cell.matches("(?s)\"?[=+@-].*"), cell);
        }
        assertEquals("-6", CsvText.defused("-6"), "a number is no formula");
    }

    @Test
    void brokenFilesAreToldWithTheirPlace() {
        assertTrue(read(Rig.EMPTY, "").mistakes().getFirst().why().contains("The list is empty"));
        assertTrue(read(Rig.EMPTY, "colour,shape\nred,round\n")
                .mistakes()
                .getLast()
                .why()
                .contains("“name”"));
        Preview open = read(Rig.EMPTY, "name,rate\nLarch,48\n\"Tern,48\n");
        assertEquals(1, open.rows().size(), "what was before the open quotation mark is kept");
        assertTrue(open.mistakes().getFirst().why().contains("quotation mark"));
        byte[] latin = "name,rate\nLarch,48\nM\u00f6we,48\n".getBytes(StandardCharsets.ISO_8859_1);
        Preview.Mistake wrong = Inventory.read(Rig.EMPTY, latin).mistakes().getFirst();
        assertEquals(3, wrong.row());
        assertTrue(wrong.why().contains("UTF-8"));
    }

    @Test
    void noMutationOfAListMakesMoreThanMistakes() {
        byte[] list = Inventory.write(sample).getBytes(StandardCharsets.UTF_8);
        byte[] sheet = QuestionSheet.csv(Questions.of(RandomRigs.of(7))).getBytes(StandardCharsets.UTF_8);
        for (long seed = 1; seed <= 400; seed++) {
            Random random = new Random(seed);
            byte[] text = (seed % 2 == 0 ? list : sheet).clone();
            for (int n = random.nextInt(12); n >= 0; n--) {
                text[random.nextInt(text.length)] =
                        (byte) (random.nextBoolean() ? "\",;\n\t'+=?".charAt(random.nextInt(9)) : random.nextInt(256));
            }
            Preview preview = seed % 2 == 0 ? Inventory.read(sample, text) : QuestionSheet.read(sample, text);
            Changes.apply(sample, preview.changes());
            preview.mistakes().forEach(m -> assertFalse(m.told().isBlank()));
        }
    }

    @Test
    void aQuestionSheetFilledInAnswersItsQuestions() {
        Rig open = sample;
        for (Element device : List.of(sample.get("larch"), sample.get("tern"))) {
            open = Changes.apply(
                    open,
                    List.of(new org.gullyrun.core.rig.Change.Set(
                            device.id(), Devices.RATE, 48_000.0, org.gullyrun.core.rig.Unknown.UNKNOWN)));
        }
        assertEquals(2, Questions.of(open).size());
        assertTrue(QuestionSheet.markdown("a show", Questions.of(open))
                .contains("1. What sample rate is Larch boom set to?"));
        String filled = QuestionSheet.csv(Questions.of(open))
                .replaceFirst("Larch boom set to\\?\",\"", "Larch boom set to?\",\"48 kHz")
                .replaceFirst("Tern headset set to\\?\",\"", "Tern headset set to?\",\"no idea");
        Preview preview = QuestionSheet.read(open, filled.getBytes(StandardCharsets.UTF_8));
        assertEquals(1, preview.changes().size());
        assertEquals(1, preview.mistakes().size());
        assertEquals("answer", preview.mistakes().getFirst().column());
        Rig answered = Changes.apply(open, preview.changes());
        assertEquals(1, Questions.of(answered).size());
        assertTrue(Inventory.read(sample, filled.getBytes(StandardCharsets.UTF_8))
                .changes()
                .isEmpty());
    }

    @Test
    void devicesOfAComputerAreAPreviewToo() {
        List<FoundDevice> found = List.of(
                new FoundDevice("Larch boom", Devices.Direction.RECORDING, List.of(48_000.0), 16, 1),
                new FoundDevice("Dock", Devices.Direction.PLAYBACK, List.of(44_100.0, 48_000.0), 24, 2),
                new FoundDevice("Dock", Devices.Direction.RECORDING, List.of(), 0, 0));
        Preview preview = Inventory.take(sample, found);
        assertEquals(2, preview.count(Preview.Fate.ADDED));
        Rig rig = Changes.apply(sample, preview.changes());
        assertEquals(16, rig.get("larch").get(Devices.BITS));
        Element dock = rig.of(Kind.DEVICE).stream()
                .filter(e -> e.name().equals("Dock (playback)"))
                .findFirst()
                .orElseThrow();
        assertEquals(null, dock.get(Devices.RATE), "a choice of rates is not the rate in use");
    }

    /** Names by kind, as far as lists tell rows apart. */
    private static boolean hasUniqueNames(Rig rig) {
        Set<String> names = new HashSet<>();
        return rig.elements().stream()
                .filter(e -> e.kind() != Kind.APP_OUTPUT)
                .allMatch(e -> !e.name().isBlank()
                        && !e.name().startsWith("+")
                        && names.add(e.kind() + " " + e.name().toLowerCase(Locale.ROOT)));
    }

    @Test
    void aListTakenInOnAnEmptySheetMakesTheRigThatItWasWrittenOf() {
        List<Rig> rigs = new ArrayList<>();
        SampleShow.make().surveys().forEach(survey -> rigs.add(survey.rig()));
        for (long seed = 0; seed < RandomRigs.many(300, 3_000); seed++) {
            rigs.add(named(RandomRigs.of(seed)));
        }
        int compared = 0;
        for (Rig rig : rigs) {
            if (!hasUniqueNames(rig) || !Dangling.in(rig).isEmpty()) {
                continue;
            }
            String list = Inventory.write(rig);
            Preview preview = Inventory.read(Rig.EMPTY, list.getBytes(StandardCharsets.UTF_8));
            assertEquals(
                    List.of(),
                    preview.mistakes().stream().map(Preview.Mistake::told).toList(),
                    list);
            Rig made = Changes.apply(Rig.EMPTY, preview.changes());
            assertEquals(list, Inventory.write(made));
            for (Kind kind : List.of(Kind.MACHINE, Kind.DEVICE, Kind.CABLE, Kind.WIRE, Kind.COUPLING, Kind.PROCESSOR)) {
                assertEquals(rig.of(kind).size(), made.of(kind).size(), list);
            }
            compared++;
        }
        assertTrue(compared > 100, "rigs compared: " + compared);
    }

    /** The rig with a name for every element, none twice. */
    private static Rig named(Rig rig) {
        List<Element> named = new ArrayList<>();
        for (Element element : rig.elements()) {
            named.add(element.with(Common.name(element.kind()), "The " + element.id()));
        }
        return Rig.of(named);
    }

    @Test
    void twoRowsOfOneNameAndCellsBeyondTheColumnsAreTold() {
        Preview preview = Inventory.read(Rig.EMPTY, """
                Type,Device,Sample rate (kHz)
                device,Mic,48
                device,mic,44.1
                device,Amp,48,left over
                device,Box,quick
                """.getBytes(StandardCharsets.UTF_8));
        assertEquals(
                List.of(
                        "Row 3, Device: Row 2 is called “mic” too, and only names tell rows apart. Give one of them"
                                + " another name.",
                        "Row 4: It has 4 cells, but the first row names 3 columns. What is beyond them is left out."),
                preview.mistakes().stream().map(Preview.Mistake::told).limit(2).toList());
        assertTrue(
                preview.mistakes().get(2).told().startsWith("Row 5, Sample rate (kHz): “quick” isn't a number"),
                preview.mistakes().get(2).told());
        assertEquals(
                3, Changes.apply(Rig.EMPTY, preview.changes()).of(Kind.DEVICE).size());
    }

    @Test
    void aComputerWithoutSoundDevicesIsTold() {
        assertEquals(
                "No sound devices were found on this computer.",
                Inventory.take(Rig.EMPTY, List.of()).mistakes().getFirst().told());
    }
}
