package org.gullyrun.core.casefile;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.BriefChange;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Unknown;
import org.jspecify.annotations.Nullable;

/** Edits as plain data, one object each, for the journal. */
final class EditCodec {
    private EditCodec() {}

    /** An edit as a line of the journal. */
    static ObjectNode write(Edit edit) {
        ObjectNode node = CaseReader.JSON.createObjectNode();
        switch (edit) {
            case Edit.OfRig(String survey, List<Change> changes) -> {
                node.put("rig", survey);
                ArrayNode list = node.putArray("changes");
                changes.forEach(change -> list.add(change(change)));
            }
            case Edit.OfBrief(List<BriefChange> changes) -> {
                ArrayNode list = node.putArray("brief");
                changes.forEach(change -> list.add(change(change)));
            }
            case Edit.OfSurvey(int place, Survey from, Survey to) -> {
                node.put("survey", place);
                node.set("from", survey(from));
                node.set("to", survey(to));
            }
            case Edit.OfCase(Edit.About from, Edit.About to) -> {
                node.set("case", about(to));
                node.set("was", about(from));
            }
            case Edit.OfWork(String survey, WorkRecord from, WorkRecord to) -> {
                node.put("work", survey);
                node.set("from", CaseReader.JSON.valueToTree(from == null ? null : from.plain()));
                node.set("to", CaseReader.JSON.valueToTree(to == null ? null : to.plain()));
            }
            case Edit.Several(List<Edit> edits) -> {
                ArrayNode list = node.putArray("all");
                edits.forEach(one -> list.add(write(one)));
            }
        }
        return node;
    }

    /** A change of the rig: where, from what, to what. */
    private static ObjectNode change(Change change) {
        ObjectNode node = CaseReader.JSON.createObjectNode();
        switch (change) {
            case Change.Set(String id, Setting<?> setting, Object from, Object to) -> {
                node.put("set", id).put("kind", setting.kind().section()).put("key", setting.key());
                node.set("from", value(setting, from));
                node.set("to", value(setting, to));
            }
            case Change.Add(Element what) -> element(node.put("add", what.kind().section()), what);
            case Change.Remove(Element what) ->
                element(node.put("remove", what.kind().section()), what);
        }
        return node;
    }

    /** An element in the form of the case file, its values that are not yet known included. */
    private static void element(ObjectNode node, Element what) {
        node.set("element", CaseReader.JSON.valueToTree(CaseWriter.element(what, Integer.MIN_VALUE)));
    }

    /** A value of a setting in the form of the case file. */
    private static JsonNode value(Setting<?> setting, @Nullable Object raw) {
        return CaseReader.JSON.valueToTree(raw == null ? null : CaseWriter.plain(setting, raw));
    }

    /** A change of the brief, likewise. */
    private static ObjectNode change(BriefChange change) {
        ObjectNode node = CaseReader.JSON.createObjectNode();
        switch (change) {
            case BriefChange.OfCell(Brief.Cell cell, Wish from, Wish to) -> {
                cell(node, cell).put("scene", cell.scene());
                node.put("from", from == null ? null : from.word()).put("to", to == null ? null : to.word());
            }
            case BriefChange.OfWindow(Brief.Cell cell, Brief.Window from, Brief.Window to) -> {
                cell(node, cell).put("window", true);
                node.set("from", CaseReader.JSON.valueToTree(from));
                node.set("to", CaseReader.JSON.valueToTree(to));
            }
            case BriefChange.OfVoice(String outlet, Double from, Double to) ->
                node.put("voice", outlet).put("from", from).put("to", to);
        }
        return node;
    }

    private static ObjectNode cell(ObjectNode node, Brief.Cell cell) {
        return node.put("source", cell.source()).put("outlet", cell.outlet());
    }

    /** A survey as it stands in a case file, so that journal and file have one form. */
    private static JsonNode survey(@Nullable Survey survey) {
        try {
            return survey == null ? CaseReader.JSON.nullNode() : CaseReader.JSON.readTree(CaseWriter.survey(survey));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("what is written here can be read", e);
        }
    }

    /**
     * An edit from plain data.
     *
     * @throws IllegalArgumentException if it is none; the message says why
     */
    static Edit read(JsonNode node) {
        try {
            if (node.has("all")) {
                List<Edit> edits = new ArrayList<>();
                node.get("all").forEach(one -> edits.add(read(one)));
                return new Edit.Several(edits);
            }
            if (node.has("rig")) {
                List<Change> changes = new ArrayList<>();
                node.path("changes").forEach(one -> changes.add(readChange(one)));
                return new Edit.OfRig(node.get("rig").asText(), changes);
            }
            if (node.has("brief")) {
                List<BriefChange> changes = new ArrayList<>();
                node.get("brief").forEach(one -> changes.add(readBrief(one)));
                return new Edit.OfBrief(changes);
            }
            if (node.has("survey")) {
                return new Edit.OfSurvey(node.get("survey").asInt(), readSurvey(node, "from"), readSurvey(node, "to"));
            }
            if (node.has("work")) {
                return new Edit.OfWork(node.get("work").asText(), readWork(node, "from"), readWork(node, "to"));
            }
            if (node.has("case")) {
                return new Edit.OfCase(about(node.path("was")), about(node.get("case")));
            }
        } catch (CaseReader.Wrong e) {
            throw new IllegalArgumentException(e.getMessage(), e);
        }
        throw new IllegalArgumentException("no edit: " + node);
    }

    /** A change of the rig, read back. One that doesn't fit the format is an error of this line alone. */
    private static Change readChange(JsonNode node) {
        if (node.has("set")) {
            Setting<?> setting =
                    Catalogue.find(kind(node.path("kind")), node.path("key").asText());
            if (setting == null) {
                throw new IllegalArgumentException("there is no setting " + node.path("key"));
            }
            return new Change.Set(
                    node.get("set").asText(),
                    setting,
                    readValue(setting, node.path("from")),
                    readValue(setting, node.path("to")));
        }
        boolean adds = node.has("add");
        Element element =
                CaseReader.element(kind(node.path(adds ? "add" : "remove")), node.path("element"), "element", 0);
        return adds ? new Change.Add(element) : new Change.Remove(element);
    }

    /** A raw value as it was written; unknown and none are values too. */
    private static @Nullable Object readValue(Setting<?> setting, JsonNode node) {
        if (node.isNull() || node.isMissingNode()) {
            return null;
        }
        return node.isTextual() && node.asText().equals(Unknown.MARK)
                ? Unknown.UNKNOWN
                : setting.type().read(CaseReader.plain(node));
    }

    /** The kind of element whose section of a file is named. */
    private static Kind kind(JsonNode section) {
        for (Kind kind : Kind.values()) {
            if (kind.section().equals(section.asText())) {
                return kind;
            }
        }
        throw new IllegalArgumentException("there is no kind " + section);
    }

    /** One change of a brief. */
    private static BriefChange readBrief(JsonNode node) {
        if (node.has("voice")) {
            return new BriefChange.OfVoice(node.get("voice").asText(), number(node, "from"), number(node, "to"));
        }
        Brief.Cell cell = new Brief.Cell(
                node.path("source").asText(),
                node.path("outlet").asText(),
                node.path("scene").asText());
        return node.has("window")
                ? new BriefChange.OfWindow(cell, window(node.path("from")), window(node.path("to")))
                : new BriefChange.OfCell(cell, wish(node.path("from")), wish(node.path("to")));
    }

    /** A wish, or none, as the cell may have had none before. */
    private static @Nullable Wish wish(JsonNode node) {
        for (Wish wish : Wish.values()) {
            if (wish.word().equals(node.asText())) {
                return wish;
            }
        }
        return null;
    }

    private static Brief.@Nullable Window window(JsonNode node) {
        return node.isObject() ? new Brief.Window(number(node, "least"), number(node, "most")) : null;
    }

    private static @Nullable Double number(JsonNode node, String key) {
        return node.path(key).isNumber() ? node.get(key).asDouble() : null;
    }

    private static @Nullable Survey readSurvey(JsonNode node, String key) {
        return node.path(key).isObject() ? CaseReader.survey(node.get(key), key) : null;
    }

    private static @Nullable WorkRecord readWork(JsonNode node, String key) {
        return node.path(key).isObject() ? WorkRecord.read(node.get(key), key) : null;
    }

    /** Title and terms of a case, and what the creator reports. */
    private static ObjectNode about(Edit.About about) {
        ObjectNode node = CaseReader.JSON.valueToTree(about);
        JsonNode reported =
                CaseReader.JSON.valueToTree(CaseWriter.complaint(about.terms().complaint()));
        node.withObjectProperty("terms").set("complaint", reported);
        return node;
    }

    /** What is said of the case itself: title, notes, terms. */
    private static Edit.About about(JsonNode node) {
        return new Edit.About(
                node.path("title").asText(),
                node.path("note").asText(),
                node.path("showHours").asDouble(),
                node.path("knownGood").asText(),
                CaseReader.terms(
                        node.path("terms").path("limits"),
                        node.path("terms").path("waivers"),
                        node.path("terms").path("complaint")));
    }

    /** Any plain data in one line. */
    static String line(Map<String, Object> fields) {
        try {
            return CaseReader.JSON.writeValueAsString(fields);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("plain data always has a JSON form", e);
        }
    }
}
