package org.gullyrun.core.casefile;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Case files: nothing is lost on the way, and what is wrong is told with its place. */
class CaseFilesTest {
    private static final Path SCHEMA = Path.of("..", "docs", "formats", "case.schema.json");

    @TempDir
    Path folder;

    private Case read(String text) throws CaseProblem {
        return CaseReader.read("night.json", text.getBytes(StandardCharsets.UTF_8));
    }

    private static String with(String rig) {
        return "{\"format\":\"gullyrun case\",\"version\":1,\"title\":\"T\",\"surveys\":[{\"id\":\"s\",\"rig\":" + rig
                + "}]}";
    }

    private void refused(String text, String... words) {
        CaseProblem e = assertThrows(CaseProblem.class, () -> read(text));
        for (String word : words) {
            assertTrue(e.getMessage().contains(word), "'" + word + "' in: " + e.getMessage());
        }
    }

    @Test
    void theSampleShowComesBackAsItWas() throws Exception {
        Case sample = SampleShow.make();
        Path file = folder.resolve("sample.json");
        CaseFiles.save(sample, file);
        assertEquals(sample, CaseFiles.open(file));
        assertEquals(CaseWriter.write(sample), Files.readString(file));
        assertEquals(
                List.of("sample.json"),
                Files.list(folder).map(p -> p.getFileName().toString()).toList());
    }

    @Test
    void everyRandomRigComesBackAsItWas() throws Exception {
        for (int seed = 0; seed < 200; seed++) {
            Case one = new Case(
                    "r", "", 4, "", List.of(new Survey("s", "s", "", "", RandomRigs.of(seed), Map.of())), Brief.EMPTY);
            Case again = read(CaseWriter.write(one));
            // Places follow the order in the file; written again, nothing changes any more.
            assertEquals(CaseWriter.write(again), CaseWriter.write(read(CaseWriter.write(again))));
            assertEquals(
                    one.surveys().getFirst().rig().elements().size(),
                    again.surveys().getFirst().rig().elements().size());
        }
    }

    @Test
    void whatIsWrittenFollowsThePublishedSchema() throws Exception {
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(SCHEMA), InputFormat.JSON);
        assertEquals(List.of(), schema.validate(CaseWriter.write(SampleShow.make()), InputFormat.JSON));
        assertTrue(!schema.validate("{\"format\":\"gullyrun case\"}", InputFormat.JSON)
                .isEmpty());
        assertTrue(!schema.validate(with("{\"devices\":[{\"id\":\"d\",\"rate\":\"fast\"}]}"), InputFormat.JSON)
                .isEmpty());
    }

    @Test
    void allThatABriefAndItsTermsCanSayComesBack() throws Exception {
        Brief brief = new Brief(
                Map.of(
                        new Brief.Cell("ann", "live", ""), Wish.MUST,
                        new Brief.Cell("ann", "live", "break"), Wish.NEVER,
                        new Brief.Cell("film", "ears", ""), Wish.MAY),
                Map.of(
                        new Brief.Cell("ann", "live", ""), new Brief.Window(-24.0, -16.5),
                        new Brief.Cell("film", "live", ""), new Brief.Window(null, -20.0),
                        new Brief.Cell("film", "ears", ""), new Brief.Window(-40.0, null)),
                Map.of("live", 8.5, "ears", 3.0));
        Terms terms = new Terms(Map.of("leak.minor", -35.0, "rate.many", 1.0), List.of());
        Case one = new Case(
                "Second night",
                "two\nlines",
                2.5,
                "s",
                List.of(new Survey("s", "after", "15 Nov", "n", Rig.EMPTY, Map.of())),
                brief,
                terms,
                List.of(work("s")),
                Map.of());
        assertEquals(one, read(CaseWriter.write(one)));
    }

    /** A work order with everything in it. */
    static WorkRecord work(String survey) {
        return new WorkRecord(
                survey,
                "as-found",
                false,
                List.of(new WorkRecord.Step(new Address("in-music", "tracks:2"), "Take Music off Archive")),
                List.of(new WorkRecord.RuledOut(new Address("panel-copy", ""), "The creator “needs” it")),
                List.of(new WorkRecord.Step(new Address("tern", "present"), "Plug in Tern")));
    }

    @Test
    void aWorkOrderThatCannotBeReadIsRefusedWithItsPlace() {
        String head =
                "{\"format\":\"gullyrun case\",\"version\":1,\"title\":\"T\",\"surveys\":[{\"id\":\"s\",\"rig\":{}}],";
        refused(head + "\"workOrders\":{}}", "workOrders", "expected a list");
        refused(head + "\"workOrders\":[{}]}", "workOrders[0].survey", "id of its survey");
        refused(
                head + "\"workOrders\":[{\"survey\":\"s\",\"done\":[{\"setting\":\"/muted\"}]}]}",
                "workOrders[0].done.setting",
                "in-music/muted");
        refused(
                head + "\"workOrders\":[{\"survey\":\"s\"},{\"survey\":\"s\"}]}",
                "workOrders[1].survey",
                "two work orders");
    }

    @Test
    void whatABriefCannotSayIsRefusedWithItsPlace() {
        String head =
                "{\"format\":\"gullyrun case\",\"version\":1,\"title\":\"T\",\"surveys\":[{\"id\":\"s\",\"rig\":{}}],";
        refused(head + "\"brief\":{\"windows\":{\"source\":\"a\"}}}", "brief.windows", "expected a list");
        refused(
                head + "\"brief\":{\"windows\":[{\"source\":\"a\",\"outlet\":\"o\",\"least\":\"low\"}]}}",
                "brief.windows[0].least",
                "dBFS");
        refused(head + "\"brief\":{\"voiceOverMusic\":6}}", "brief.voiceOverMusic", "expected an object");
        refused(head + "\"brief\":{\"voiceOverMusic\":{\"live\":\"much\"}}}", "brief.voiceOverMusic.live", "dB");
        refused(head + "\"brief\":{\"should\":{}}}", "brief.should", "must, may or never");
        refused(head + "\"limits\":{\"leak.minor\":\"low\"}}", "limits.leak.minor", "a number");
        refused(head + "\"showHours\":-1}", "showHours", "above 0");
    }

    @Test
    void unknownFieldsAreKept() throws Exception {
        String text =
                "{\"format\":\"gullyrun case\",\"version\":1,\"title\":\"T\",\"mood\":{\"calm\":[1,2]},\"surveys\":[{\"id\":\"s\","
                        + "\"weather\":\"clear\",\"rig\":{\"devices\":[{\"id\":\"d\",\"colour\":\"green\"}]}}]}";
        String again = CaseWriter.write(read(text));
        assertTrue(again.contains("\"mood\": {\"calm\":[1,2]}"), again);
        assertTrue(again.contains("\"weather\": \"clear\""), again);
        assertTrue(again.contains("\"colour\":\"green\""), again);
        assertEquals(
                List.of(
                        new UnknownField("", "", "mood"),
                        new UnknownField("s", "", "weather"),
                        new UnknownField("s", "device d", "colour")),
                UnknownField.in(read(text)));
        assertEquals(
                "3 fields of the file are unknown: 'mood' of the case, 'weather' of survey s,"
                        + " 'colour' of device d in survey s. They have no effect and are kept.",
                UnknownField.told(UnknownField.in(read(text))));
        assertEquals("", UnknownField.told(UnknownField.in(SampleShow.make())));
    }

    /** JSON's null is no text: "null" would be a name, or refer to an element of that name. */
    @Test
    void nullIsKeptInUnknownFieldsAndRefusedInKnownOnes() throws Exception {
        String again = CaseWriter.write(read(with("{\"devices\":[{\"id\":\"d\",\"colour\":null}]}")));
        assertTrue(again.contains("\"colour\":null"), again);
        for (String known : List.of("name", "machine", "level", "muted")) {
            refused(
                    with("{\"devices\":[{\"id\":\"d\",\"" + known + "\":null}]}"),
                    "surveys[0].rig.devices[0]." + known,
                    "found null");
        }
        refused(with("{\"machines\":[{\"id\":\"a\",\"playback\":null}]}"), "machines[0].playback", "found null");
        refused(with("{\"strips\":[{\"id\":\"a\",\"crossings\":[null]}]}"), "strips[0].crossings", "found null");
        refused(with("{\"devices\":[{\"name\":\"Mole\"}]}"), "surveys[0].rig.devices[0]", "this device has no id");
    }

    @Test
    void referencesToNothingAreKept() throws Exception {
        Case one = read(
                with("{\"strips\":[{\"id\":\"a\",\"mixer\":\"gone\",\"feed\":\"nowhere\",\"crossings\":[\"b\"]}]}"));
        assertTrue(CaseWriter.write(one)
                .contains("{\"id\":\"a\",\"mixer\":\"gone\",\"feed\":\"nowhere\",\"crossings\":[\"b\"]}"));
    }

    @Test
    void notYetKnownIsWrittenAndRead() throws Exception {
        Case one = read(with("{\"devices\":[{\"id\":\"d\",\"muted\":\"?\",\"level\":-3.5}]}"));
        assertTrue(
                CaseWriter.write(one).contains("{\"id\":\"d\",\"level\":-3.5,\"muted\":\"?\"}"), CaseWriter.write(one));
    }

    @Test
    void whatIsWrongIsToldWithFilePlaceAndReason() {
        refused("{\"format\": \"gullyrun case\",\n \"version\": 1,,", "night.json", "line 2, column 15", "not JSON");
        refused("[]", "the file", "expected an object");
        refused("{\"format\":\"gullyrun case\",\"version\":7}", "a newer Gullyrun wrote it, in version 7");
        refused(
                with("{\"devices\":[{\"id\":\"d\",\"rate\":\"fast\"}]}"),
                "surveys[0].rig.devices[0].rate",
                "expected a number",
                "fast");
        refused(
                with("{\"devices\":[{\"id\":\"d\"},{\"id\":\"d\"}]}"),
                "surveys[0].rig.devices[1].id",
                "used already, at surveys[0].rig.devices[0]");
        refused(with("{\"devices\":[{\"id\":\"\"}]}"), "surveys[0].rig.devices[0].id");
        refused(with("{\"racks\":[]}"), "surveys[0].rig.racks", "no such section");
        refused(with("{\"devices\":[{\"id\":\"d\",\"direction\":\"sideways\"}]}"), "direction", "playback, recording");
        refused(with("{\"devices\":[{\"id\":\"d\",\"id\":\"e\"}]}"), "line 1", "Duplicate");
        refused("{\"format\":\"gullyrun case\",\"version\":1,\"surveys\":[]}", "surveys", "1 to 1000 surveys");
        refused(
                with("{}")
                        .replace(
                                "\"title\"",
                                "\"brief\":{\"must\":{\"live\":[\"a\"]},\"never\":{\"live\":[\"a\"]}},\"title\""),
                "brief.never.live",
                "both must and never");
    }

    @Test
    void aFileThatCannotBeWrittenLeavesTheOldOneUnharmed() throws Exception {
        Path file = folder.resolve("case.json");
        CaseFiles.save(SampleShow.make(), file);
        String before = Files.readString(file);
        Path within = file.resolve("deeper.json"); // a file is no folder
        CaseProblem e = assertThrows(CaseProblem.class, () -> CaseFiles.save(SampleShow.make(), within));
        assertTrue(e.getMessage().contains("deeper.json") && e.getMessage().contains("unchanged"), e.getMessage());
        assertEquals(before, Files.readString(file));
        CaseProblem gone = assertThrows(CaseProblem.class, () -> CaseFiles.open(folder.resolve("none.json")));
        assertTrue(gone.getMessage().contains("there is no such file"), gone.getMessage());
    }

    @Test
    void theDocumentedExampleIsReadAndItsBriefHolds() throws Exception {
        String page = Files.readString(SCHEMA.resolveSibling("case.md"));
        String example = page.substring(page.indexOf("```json") + 7, page.indexOf("```", page.indexOf("```json") + 7));
        Case one = read(example);
        Reading reading = RuleCatalogue.usual().read(one.surveys().getFirst().rig(), one.brief());
        assertEquals(List.of(), reading.findings());
        assertEquals(5, reading.scenes().getFirst().cell(0, 0).delivery().first(), 1e-9);
    }

    @Test
    void pageAndSchemaKnowEverySetting() throws Exception {
        String page = Files.readString(SCHEMA.resolveSibling("case.md"));
        String schema = Files.readString(SCHEMA);
        for (Kind kind : Kind.values()) {
            assertTrue(page.contains("### `" + kind.section() + "`"), kind.section());
            assertTrue(schema.contains("\"" + kind.section() + "\""), kind.section());
            for (Setting<?> setting : Catalogue.of(kind)) {
                assertTrue(page.contains("`" + setting.key() + "`"), kind + " " + setting.key());
                assertTrue(schema.contains("\"" + setting.key() + "\""), kind + " " + setting.key());
            }
        }
    }
}
