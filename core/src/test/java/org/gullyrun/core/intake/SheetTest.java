package org.gullyrun.core.intake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Unknown;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** What typing into the sheet does. */
class SheetTest {
    /** Latencies of the production are entered with all its settings, not in the sheet. */
    private final Rig sample = Changes.apply(
            SampleShow.make().surveys().getFirst().rig(),
            List.of(
                    new Change.Set("orrery", Productions.CAPTURE_LATENCY, 5.0, null),
                    new Change.Set("orrery", Productions.CUE_LATENCY, 20.0, null)));

    private Rig rig = Rig.EMPTY;

    private Table table(Section section, int place) {
        return Sheet.of(rig, section).get(place);
    }

    private String add(Section section, int place, String name) {
        Table table = table(section, place);
        List<Change> changes = table.add(rig, name);
        rig = Changes.apply(rig, changes);
        return table.added(changes);
    }

    private void type(Section section, int place, String row, int column, String text) {
        Column into = table(section, place).columns().get(column);
        rig = Changes.apply(rig, into.enter(rig, rig.get(row), text));
    }

    private void rename(String device, String name) {
        rig = Changes.apply(rig, Entering.enter(rig, new Address(device, "name"), name));
    }

    /** The cells of a table by its columns, parted by bars. */
    private static String line(Table table, Rig rig, Element row) {
        return String.join(
                " | ", table.columns().stream().map(c -> c.text(rig, row)).toList());
    }

    @Test
    void enteringWhatStandsInACellChangesNothingWhateverTheRig() {
        List<Rig> rigs = new ArrayList<>(List.of(sample));
        for (long seed = 1; seed <= 150; seed++) {
            rigs.add(RandomRigs.of(seed));
        }
        for (Rig each : rigs) {
            for (Section section : Section.values()) {
                for (Table table : Sheet.of(each, section)) {
                    for (Element row : table.rows(each)) {
                        for (Column column : table.columns()) {
                            String text = column.text(each, row);
                            boolean name = column == table.columns().getFirst()
                                    && row.name().equals(row.id());
                            if (!name && !text.isEmpty() && !text.equals("?")) {
                                assertEquals(
                                        List.of(),
                                        column.enter(each, row, text),
                                        () -> row.id() + ", " + column.head() + ": " + text);
                            }
                        }
                    }
                }
            }
        }
    }

    /** Types the whole sample show from nothing, names and cells as they are shown, and compares what is computed. */
    @Test
    void theSampleShowCanBeTypedInFromNothingAndIsTheSameRig() {
        // Twice over: the first time round, some cells name what is only entered further down.
        for (int round = 0; round < 2; round++) {
            for (Section section : List.of(
                    Section.MACHINES,
                    Section.DEVICES,
                    Section.LINKS,
                    Section.PROGRAMS,
                    Section.MIXERS,
                    Section.PRODUCTION,
                    Section.SOUNDS,
                    Section.LISTENERS,
                    Section.MACHINES)) {
                for (int t = 0; t < Sheet.of(sample, section).size(); t++) {
                    retype(section, t);
                }
            }
        }
        assertEquals(
                List.of(), Questions.of(rig).stream().map(Question::wording).toList(), "nothing of it is left open");
        Brief brief = renamed(SampleShow.make().brief());
        Reading want = RuleCatalogue.usual().read(sample, SampleShow.make().brief());
        Reading is = RuleCatalogue.usual().read(rig, brief);
        assertEquals(want.scenes().size(), is.scenes().size());
        for (int scene = 0; scene < want.scenes().size(); scene++) {
            for (int s = 0; s < sample.of(Kind.SOURCE).size(); s++) {
                for (int o = 0; o < sample.of(Kind.OUTLET).size(); o++) {
                    var a = want.scenes().get(scene).cell(s, o);
                    var b = is.scenes().get(scene).cell(s, o);
                    String where = a.source().name() + " at " + a.outlet().name() + " in scene " + scene;
                    assertEquals(a.source().name(), b.source().name());
                    assertEquals(a.verdict(), b.verdict(), where);
                    assertEquals(a.delivery().routes(), b.delivery().routes(), where);
                    if (a.delivery().arrives()) {
                        assertEquals(a.usualLevel(), b.usualLevel(), 1e-9, where);
                        assertEquals(a.delivery().first(), b.delivery().first(), 1e-9, where);
                    }
                }
            }
        }
    }

    private void retype(Section section, int place) {
        Table want = Sheet.of(sample, section).get(place);
        for (Element row : want.rows(sample)) {
            Table mine = table(section, place);
            String id = null;
            for (Element known : mine.rows(rig)) {
                id = known.name().equals(row.name()) || want.kind() == Kind.PRODUCTION ? known.id() : id;
            }
            if (id == null) {
                id = add(section, place, row.name());
            }
            for (int c = 0; c < want.columns().size(); c++) {
                mine = table(section, place);
                String text = want.columns().get(c).text(sample, row);
                try {
                    if (!text.equals(mine.columns().get(c).text(rig, rig.get(id)))) {
                        type(section, place, id, c, text);
                    }
                } catch (Refused e) {
                    assertTrue(String.valueOf(e.getMessage()).contains("There is no"), e.getMessage());
                }
            }
        }
    }

    /** The brief with the ids that typing has made of the names. */
    private Brief renamed(Brief brief) {
        Map<Brief.Cell, org.gullyrun.core.brief.Wish> cells = new java.util.TreeMap<>();
        brief.cells()
                .forEach((cell, wish) -> cells.put(
                        new Brief.Cell(
                                mine(Kind.SOURCE, cell.source()),
                                mine(Kind.OUTLET, cell.outlet()),
                                cell.scene().isEmpty() ? "" : mine(Kind.SCENE, cell.scene())),
                        wish));
        return new Brief(cells, Map.of(), Map.of());
    }

    private String mine(Kind kind, String id) {
        String name = sample.get(id).name();
        return rig.of(kind).stream()
                .filter(e -> e.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    @Test
    void aNameThatIsNotThereYetIsMadeOnTheWay() {
        String host = add(Section.SOUNDS, 0, "Host");
        type(Section.SOUNDS, 0, host, 1, "v");
        type(Section.SOUNDS, 0, host, 2, "+Lark boom");
        String music = add(Section.SOUNDS, 0, "Music");
        type(Section.SOUNDS, 0, music, 1, "music");
        type(Section.SOUNDS, 0, music, 2, "+Driftbox");
        Element mic = rig.get(String.valueOf(rig.get(host).get(Sources.AT)));
        assertEquals(Kind.DEVICE, mic.kind());
        assertEquals(Devices.Direction.RECORDING, mic.get(Devices.DIRECTION));
        Element program = rig.get(String.valueOf(rig.get(music).get(Sources.AT)));
        assertEquals(Kind.APPLICATION, program.kind());
        assertEquals(1, rig.of(Kind.MACHINE).size(), "both are on one computer, made with the first");
        type(Section.PROGRAMS, 0, program.id(), 2, "+cable Reed");
        assertEquals(
                "Driftbox | music | Reed, play side |  |  | Computer",
                line(table(Section.PROGRAMS, 0), rig, rig.get(program.id())));
        assertEquals(1, rig.of(Kind.CABLE).size());
        type(Section.PROGRAMS, 0, program.id(), 2, "");
        type(Section.PROGRAMS, 0, program.id(), 2, "rps");
        assertEquals(
                "Reed, play side", table(Section.PROGRAMS, 0).columns().get(2).text(rig, rig.get(program.id())));
    }

    @Test
    void aWireIsNamedAfterItsEndsUntilSomebodyNamesIt() {
        rig = sample;
        String wire = add(Section.LINKS, 1, "-");
        assertEquals("Wire 1", rig.name(wire));
        type(Section.LINKS, 1, wire, 1, "dvo");
        assertEquals("Wire 1", rig.name(wire), "one end is open");
        type(Section.LINKS, 1, wire, 2, "k");
        assertEquals("Dome video out to Kestrel box", rig.name(wire));
        type(Section.LINKS, 1, wire, 2, "dome l");
        assertEquals("Dome video out to Dome line in", rig.name(wire));
        String end = rig.find(rig.get(wire).get(Links.WIRE_TO)).id();
        rename(end, "Dome desk in");
        assertEquals("Dome video out to Dome desk in", rig.name(wire), "it follows its end's new name");
        rename(end, "Dome line in");
        type(Section.LINKS, 1, wire, 0, "Long wire");
        type(Section.LINKS, 1, wire, 2, "k");
        assertEquals("Long wire", rig.name(wire));
        assertThrows(Refused.class, () -> add(Section.LINKS, 1, " "));
        String cable = add(Section.LINKS, 0, "-");
        assertEquals("-", rig.name(cable), "a cable is a thing with a name of its own");
    }

    @Test
    void aProgramCanHaveASecondOutputOfItsOwn() {
        String program = add(Section.PROGRAMS, 0, "Pagewell");
        assertEquals(0, table(Section.PROGRAMS, 1).rows(rig).size(), "the first stands in the program's row");
        String second = add(Section.PROGRAMS, 1, "Second window");
        type(Section.PROGRAMS, 1, second, 1, "page");
        type(Section.PROGRAMS, 1, second, 2, "+Mole");
        assertEquals(2, rig.in(program, Kind.APP_OUTPUT).size());
        assertEquals("Second window | Pagewell | Mole |  | ", line(table(Section.PROGRAMS, 1), rig, rig.get(second)));
    }

    @Test
    void valuesAreUnderstoodAsPeopleWriteThem() {
        String device = add(Section.DEVICES, 0, "Tern headset");
        assertEquals(Devices.Direction.PLAYBACK, rig.get(device).get(Devices.DIRECTION), "its name says so");
        for (String rate : List.of("48", "48k", "48 kHz", "48000", "48000 Hz")) {
            type(Section.DEVICES, 0, device, 2, rate);
            assertEquals(48_000, rig.get(device).get(Devices.RATE), rate);
            type(Section.DEVICES, 0, device, 2, "44,1");
            assertEquals(44_100, rig.get(device).get(Devices.RATE));
        }
        type(Section.DEVICES, 0, device, 2, "?");
        assertEquals(Unknown.UNKNOWN, rig.get(device).raw(Devices.RATE));
        for (String wrong : List.of("fast", "48 dB", "-3")) {
            assertThrows(Refused.class, () -> type(Section.DEVICES, 0, device, 2, wrong), wrong);
        }
        type(Section.DEVICES, 0, device, 5, "off");
        assertEquals(false, rig.get(device).get(Devices.PRESENT));
        String machine = rig.of(Kind.MACHINE).getFirst().id();
        type(Section.MACHINES, 0, machine, 1, "tern");
        assertEquals(device, rig.get(machine).get(Machines.PLAYBACK).id());
        assertThrows(Refused.class, () -> type(Section.MACHINES, 0, machine, 1, "plover"));
    }

    @Test
    void aWordIsShownAsPeopleSayItAndTheWordOfFilesIsUnderstood() {
        rig = sample;
        assertEquals("program", enteredKind("in-music", Productions.TAKES, "application"));
        assertEquals("program", enteredKind("in-music", Productions.TAKES, "prog"));
        assertEquals("computer", enteredKind("host-ears", Outlets.SORT, "machine"));
        assertEquals("computer", enteredKind("host-ears", Outlets.SORT, "comp"));
        assertEquals("machine", Outlets.SORT.type().write(Outlets.Sort.MACHINE), "files keep their word");
    }

    private String enteredKind(String element, Setting<?> setting, String typed) {
        Address address = new Address(element, setting.key());
        rig = Changes.apply(rig, Entering.enter(rig, address, typed));
        return Typed.text(rig, rig.get(element), setting);
    }

    @Test
    void crossingsAndEntriesAreOneCellEach() {
        rig = sample;
        Table strips = Sheet.of(rig, Section.MIXERS).get(2);
        Element strip = strips.rows(rig).getFirst();
        Element last = rig.in(rig.of(Kind.MIXER).getFirst().id(), Kind.BUS).getLast();
        String busId = last.id();
        Column bus = strips.columns().stream()
                .filter(c -> c.head().equals(last.name()))
                .findFirst()
                .orElseThrow();
        rig = Changes.apply(rig, bus.enter(rig, strip, "-6"));
        assertTrue(rig.get(strip.id()).is(Mixers.CROSSING.of(busId), false));
        assertEquals(-6, rig.get(strip.id()).get(Mixers.CROSSING_LEVEL.of(busId)));
        assertEquals("−6", bus.text(rig, rig.get(strip.id())));
        rig = Changes.apply(rig, bus.enter(rig, rig.get(strip.id()), ""));
        assertFalse(rig.get(strip.id()).is(Mixers.CROSSING.of(busId), true));

        List<Table> tables = Sheet.of(rig, Section.PRODUCTION);
        Table entries = tables.getLast();
        Element input = rig.get("in-music");
        Column scene = entries.columns().getLast();
        rig = Changes.apply(rig, scene.enter(rig, input, "x, copy 120 ms -6 dB muted"));
        assertEquals("✓, copy 120 ms −6 dB muted", scene.text(rig, input));
        List<Element> copies = rig.of(Kind.ENTRY).stream()
                .filter(e -> input.id().equals(e.get(Productions.BRINGS)) && e.is(Productions.COPY, false))
                .filter(e -> Double.valueOf(120).equals(e.get(Productions.ENTRY_DELAY)))
                .toList();
        assertEquals(1, copies.size());
        rig = Changes.apply(rig, scene.enter(rig, input, "no"));
        assertEquals("", scene.text(rig, input));
        Element group = rig.of(Kind.SCENE).getFirst();
        assertThrows(Refused.class, () -> scene.enter(rig, group, "copy"), "a scene is no copy");
    }

    @Test
    void whatIsNotKnownIsAskedInPlainWords() {
        String device = add(Section.DEVICES, 0, "Mole");
        Question direction = Questions.of(rig).getFirst();
        assertEquals("Do programs play to Mole or record from it?", direction.wording());
        assertEquals(new Address(device, "direction"), direction.at());
        rig = Changes.apply(rig, Entering.enter(rig, direction.at(), "rec"));
        assertEquals(
                List.of("What sample rate is Mole set to?", "What is the latency of Mole?"),
                Questions.of(rig).stream().map(Question::wording).toList());
        rig = sample;
        rig = Changes.apply(rig, Entering.enter(rig, new Address("brookdesk", "startsWithMachine"), "?"));
        assertTrue(Questions.of(rig).stream()
                .anyMatch(q -> q.wording().equals("Does Brookdesk start with the computer?")));
    }

    @Test
    void anInputSaysWhereItGoesByName() {
        rig = sample;
        Table inputs = Sheet.of(rig, Section.PRODUCTION).stream()
                .filter(t -> t.key().startsWith("inputs:"))
                .findFirst()
                .orElseThrow();
        Column goes = inputs.columns().stream()
                .filter(c -> c.head().equals("goes to"))
                .findFirst()
                .orElseThrow();
        String music = "in-music";
        assertEquals("live, archive, music", goes.text(rig, rig.get(music)));
        for (String typed : List.of("live host", "l h", "live,host", "Live; Host", "track 1, host", "1 3")) {
            Rig after = Changes.apply(rig, goes.enter(rig, rig.get(music), typed));
            assertEquals("live, host", goes.text(after, after.get(music)), typed);
        }
        Refused refused = assertThrows(Refused.class, () -> goes.enter(rig, rig.get(music), "live nowhere"));
        assertTrue(String.valueOf(refused.getMessage()).contains("There is no “nowhere” here."), refused.getMessage());
        assertTrue(inputs.columns().stream().noneMatch(c -> c.head().matches(".*\\d.*")), "no columns by number");
    }

    @Test
    void aDefaultThatSomethingFollowsIsAskedForFirst() {
        rig = StartingRigs.empty("x").surveys().getFirst().rig();
        add(Section.PROGRAMS, 0, "Driftbox");
        List<Question> asked = Questions.of(rig);
        assertEquals(
                "Which device is the playback default of Computer?",
                asked.getFirst().wording());
        assertEquals(
                1,
                asked.stream().filter(q -> q.at().equals(asked.getFirst().at())).count(),
                "and only once");
    }
}
