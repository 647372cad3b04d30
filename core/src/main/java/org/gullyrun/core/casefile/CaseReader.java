package org.gullyrun.core.casefile;

import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.JsonNodeType;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.brief.Waiver;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Unknown;

/** Reads the text of a case file; an error names its place, like {@code surveys[0].rig.devices[3].rate}. */
final class CaseReader {
    static final ObjectMapper JSON = JsonMapper.builder()
            .enable(JsonParser.Feature.STRICT_DUPLICATE_DETECTION)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .build();
    private static final int MOST_SURVEYS = 1_000;
    /** Names, values and brackets; the sample show has some 6 000. It keeps a hostile file from filling the memory. */
    private static final long MOST_TOKENS = 2_000_000;

    static {
        JSON.getFactory()
                .setStreamReadConstraints(StreamReadConstraints.builder()
                        .maxNestingDepth(64)
                        .maxStringLength(1_000_000)
                        .maxTokenCount(MOST_TOKENS)
                        .build());
    }

    /** What is wrong at a place; the door adds the file's name. */
    static final class Wrong extends RuntimeException {
        private final String place;
        private final String remedy;

        Wrong(String place, String reason) {
            this(place, reason, "Nothing was changed. Correct it there and open it again.");
        }

        Wrong(String place, String reason, String remedy) {
            super(reason);
            this.place = place;
            this.remedy = remedy;
        }
    }

    private CaseReader() {}

    /** Reads bytes, and says in the case of trouble where in the file it is. */
    static Case read(String file, byte[] bytes) throws CaseProblem {
        try {
            if (bytes.length > 1 && (bytes[0] & bytes[1] & 0xfe) == 0xfe && bytes[0] != bytes[1]) {
                throw new Wrong("as a whole", "it is written in UTF-16; save it in UTF-8");
            }
            JsonNode root = JSON.readTree(bytes);
            StorableJson.check(root, "");
            return read(root);
        } catch (StreamConstraintsException e) {
            JsonLocation at = e.getLocation();
            throw new CaseProblem(
                    file,
                    at == null ? "as a whole" : "line " + at.getLineNr() + ", column " + at.getColumnNr(),
                    "it holds more than a case can: "
                            + String.valueOf(e.getOriginalMessage()).replaceAll(" \\(.*", ""),
                    "A case has at most " + MOST_TOKENS + " values, texts of 1000000 letters and 64 levels.");
        } catch (JsonProcessingException e) {
            JsonLocation at = e.getLocation();
            String place = at == null ? "" : "line " + at.getLineNr() + ", column " + at.getColumnNr();
            // Where the parser says it stands is said before; its own words for that mean nothing to people.
            String why =
                    String.valueOf(e.getOriginalMessage()).split("\n")[0].replaceAll(" ?\\(start marker at .*", "");
            throw new CaseProblem(file, place, "it is not JSON: " + why, "Correct it there, or open an earlier copy.");
        } catch (IOException e) {
            throw new CaseProblem(file, "", "it can't be read: " + e.getMessage(), "Open an earlier copy.");
        } catch (Wrong e) {
            throw new CaseProblem(file, e.place, String.valueOf(e.getMessage()), e.remedy);
        }
    }

    /** Reads the parts in the order in which they refer to each other. */
    private static Case read(JsonNode root) {
        object(root, "the file");
        if (!CaseWriter.FORMAT.equals(root.path("format").asText())) {
            throw new Wrong("format", "a case file begins with \"format\": \"" + CaseWriter.FORMAT + "\"");
        }
        int version = root.path("version").isInt() ? root.path("version").intValue() : -1;
        if (version > CaseWriter.VERSION) {
            throw new Wrong(
                    "version",
                    "a newer Gullyrun wrote it, in version " + version
                            + " of the case file; this one reads up to version " + CaseWriter.VERSION,
                    "Nothing was changed. Open it with the newer Gullyrun.");
        }
        if (version < 1) {
            throw new Wrong("version", "expected a whole number from 1 to " + CaseWriter.VERSION);
        }
        List<Survey> surveys = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        JsonNode list = array(root.path("surveys"), "surveys");
        if (list.isEmpty() || list.size() > MOST_SURVEYS) {
            throw new Wrong("surveys", "a case has 1 to " + MOST_SURVEYS + " surveys, found " + list.size());
        }
        for (int i = 0; i < list.size(); i++) {
            Survey survey = survey(list.get(i), "surveys[" + i + "]");
            if (!ids.add(survey.id())) {
                throw new Wrong("surveys[" + i + "].id", "two surveys have the id '" + survey.id() + "'");
            }
            surveys.add(survey);
        }
        JsonNode hours = root.path("showHours");
        if (!hours.isMissingNode()
                && (!hours.isNumber() || hours.asDouble() <= 0 || hours.asDouble() > Case.MOST_HOURS)) {
            throw new Wrong("showHours", "expected a number of hours above 0, up to 1000");
        }
        return new Case(
                text(root, "title", "title"),
                text(root, "note", "note"),
                hours.asDouble(Case.USUAL_HOURS),
                text(root, "knownGood", "knownGood"),
                surveys,
                BriefReader.read(root.path("brief")),
                terms(root.path("limits"), root.path("waived"), root.path("complaint")),
                workOrders(root.path("workOrders")),
                extras(
                        root,
                        Set.of(
                                "format",
                                "version",
                                "title",
                                "note",
                                "showHours",
                                "knownGood",
                                "limits",
                                "waived",
                                "complaint",
                                "workOrders",
                                "surveys",
                                "brief")));
    }

    /** What is kept of repairs, one for each survey at most. */
    private static List<WorkRecord> workOrders(JsonNode node) {
        Map<String, WorkRecord> orders = new LinkedHashMap<>();
        JsonNode list = node.isMissingNode() ? JSON.createArrayNode() : array(node, "workOrders");
        for (int i = 0; i < list.size(); i++) {
            WorkRecord order = WorkRecord.read(list.get(i), "workOrders[" + i + "]");
            if (orders.putIfAbsent(order.survey(), order) != null) {
                throw new Wrong(
                        "workOrders[" + i + "].survey", "two work orders are of survey '" + order.survey() + "'");
            }
        }
        return List.copyOf(orders.values());
    }

    /** What the creator reports; nothing where the field is missing. */
    private static Complaint complaint(JsonNode node) {
        if (node.isMissingNode()) {
            return Complaint.NONE;
        }
        object(node, "complaint");
        String what = text(node, "what", "complaint.what");
        Complaint.What known = null;
        for (Complaint.What each : Complaint.What.values()) {
            known = each.word().equals(what) ? each : known;
        }
        if (known == null && !what.isEmpty()) {
            throw new Wrong(
                    "complaint.what",
                    "expected one of "
                            + Arrays.stream(Complaint.What.values())
                                    .map(Complaint.What::word)
                                    .toList());
        }
        return new Complaint(
                text(node, "listener", "complaint.listener"),
                known,
                text(node, "source", "complaint.source"),
                text(node, "since", "complaint.since"));
    }

    /** Figures and waivers that are the case's own, and what is reported. */
    static Terms terms(JsonNode limits, JsonNode waived, JsonNode reported) {
        Map<String, Double> own = new TreeMap<>();
        if (!limits.isMissingNode()) {
            object(limits, "limits");
            for (Map.Entry<String, JsonNode> one : limits.properties()) {
                if (!one.getValue().isNumber()) {
                    throw new Wrong("limits." + one.getKey(), "expected a number");
                }
                double value = one.getValue().asDouble();
                String objection = Threshold.objection(one.getKey(), value);
                if (!objection.isEmpty()) {
                    throw new Wrong("limits." + one.getKey(), objection);
                }
                own.put(one.getKey(), value);
            }
        }
        List<Waiver> waivers = new ArrayList<>();
        JsonNode list = waived.isMissingNode() ? JSON.createArrayNode() : array(waived, "waived");
        for (int i = 0; i < list.size(); i++) {
            String at = "waived[" + i + "]";
            object(list.get(i), at);
            waivers.add(new Waiver(
                    text(list.get(i), "finding", at + ".finding"),
                    text(list.get(i), "reason", at + ".reason"),
                    text(list.get(i), "evidence", at + ".evidence")));
        }
        return new Terms(own, waivers, complaint(reported));
    }

    /** A survey with its rig. Fields that aren't known are kept as they are. */
    static Survey survey(JsonNode node, String place) {
        object(node, place);
        String id = text(node, "id", place + ".id");
        if (id.isBlank()) {
            throw new Wrong(place + ".id", "a survey needs an id");
        }
        String name = text(node, "name", place + ".name");
        return new Survey(
                id,
                name.isEmpty() ? id : name,
                text(node, "date", place + ".date"),
                text(node, "note", place + ".note"),
                rig(node.path("rig"), place + ".rig"),
                extras(node, Set.of("id", "name", "date", "note", "rig")));
    }

    /**
     * The elements of a rig, section by section. Two with one id are an error, as the second would replace the
     * first.
     */
    private static Rig rig(JsonNode node, String place) {
        List<Element> elements = new ArrayList<>();
        if (node.isMissingNode()) {
            return Rig.EMPTY;
        }
        object(node, place);
        Map<String, Kind> sections = new TreeMap<>();
        for (Kind kind : Kind.values()) {
            sections.put(kind.section(), kind);
        }
        Map<String, String> places = new TreeMap<>();
        for (Map.Entry<String, JsonNode> section : node.properties()) {
            Kind kind = sections.get(section.getKey());
            String at = place + "." + section.getKey();
            if (kind == null) {
                throw new Wrong(at, "there is no such section; the sections are " + sections.keySet());
            }
            JsonNode list = array(section.getValue(), at);
            for (int i = 0; i < list.size(); i++) {
                Element element = element(kind, list.get(i), at + "[" + i + "]", i);
                String before = places.put(element.id(), at + "[" + i + "]");
                if (before != null) {
                    throw new Wrong(
                            at + "[" + i + "].id", "the id '" + element.id() + "' is used already, at " + before);
                }
                elements.add(element);
            }
        }
        return Rig.of(elements);
    }

    /** An element with its settings. A setting with a value that isn't valid names the place. */
    static Element element(Kind kind, JsonNode node, String place, int index) {
        object(node, place);
        if (node.path("id").isMissingNode()) {
            throw new Wrong(place, "this " + kind.noun() + " has no id");
        }
        Element element;
        try {
            element = Element.of(kind, text(node, "id", place + ".id"));
        } catch (IllegalArgumentException e) {
            throw new Wrong(place + ".id", String.valueOf(e.getMessage()));
        }
        element = element.with(Common.place(kind), (double) index);
        Set<String> known = new HashSet<>(Set.of("id"));
        for (Setting<?> setting : Catalogue.of(kind)) {
            JsonNode value = node.path(setting.key());
            known.add(setting.key());
            if (value.isMissingNode()) {
                continue;
            }
            String at = place + "." + setting.key();
            if (!setting.isFamily()) {
                element = put(element, setting, value, at);
            } else if (value.isArray()) {
                for (JsonNode one : value) {
                    if (!(setting.type() instanceof org.gullyrun.core.rig.ValueType.Flag)) {
                        throw new Wrong(at, "expected an object with a value for each");
                    }
                    element = element.put(member(setting, listed(one, at), at), true);
                }
            } else {
                object(value, at);
                for (Map.Entry<String, JsonNode> one : value.properties()) {
                    element = put(element, member(setting, one.getKey(), at), one.getValue(), at + "." + one.getKey());
                }
            }
        }
        return element.withExtras(extras(node, known));
    }

    /** A member of a family of settings, such as the crossing to one bus. */
    private static Setting<?> member(Setting<?> family, String sub, String place) {
        try {
            return family.of(sub);
        } catch (IllegalArgumentException e) {
            throw new Wrong(place, String.valueOf(e.getMessage()));
        }
    }

    /** An element with one setting read; an error names the place in the file. */
    private static Element put(Element element, Setting<?> setting, JsonNode value, String place) {
        try {
            if (value.isTextual() && value.asText().equals(Unknown.MARK)) {
                return element.put(setting, Unknown.UNKNOWN);
            }
            return element.put(setting, setting.type().read(plain(value)));
        } catch (IllegalArgumentException e) {
            throw new Wrong(place, String.valueOf(e.getMessage()));
        }
    }

    /** Refuses what is not an object, naming its place. */
    static void object(JsonNode node, String place) {
        if (!node.isObject()) {
            throw new Wrong(place, "expected an object, found " + said(node));
        }
    }

    /** The node itself if it is a list. */
    static JsonNode array(JsonNode node, String place) {
        if (!node.isArray()) {
            throw new Wrong(place, "expected a list, found " + said(node));
        }
        return node;
    }

    /** What was found instead, in words. */
    private static String said(JsonNode node) {
        return node.getNodeType() == JsonNodeType.MISSING
                ? "nothing"
                : node.getNodeType().name().toLowerCase(java.util.Locale.ROOT);
    }

    /** The text of a field, empty where the field isn't there. */
    static String text(JsonNode node, String key, String place) {
        JsonNode value = node.path(key);
        if (!value.isMissingNode() && !value.isTextual()) {
            throw new Wrong(place, "expected a text, found " + said(value));
        }
        return value.asText();
    }

    /** A value as plain data. JSON's null stays itself: it is no text, and no setting takes it. */
    static Object plain(JsonNode node) {
        return JSON.convertValue(node, Object.class) instanceof Object value ? value : node;
    }

    /** What stands in a list: the id of an element, or the number of a track. */
    static String listed(JsonNode node, String place) {
        if (!node.isTextual() && !node.isIntegralNumber()) {
            throw new Wrong(place, "expected the id of an element, found " + said(node));
        }
        return node.asText();
    }

    /** Fields that this version doesn't know. They are kept and written again. */
    private static Map<String, Object> extras(JsonNode node, Set<String> known) {
        Map<String, Object> extras = new TreeMap<>();
        for (Map.Entry<String, JsonNode> field : node.properties()) {
            if (!known.contains(field.getKey())) {
                extras.put(field.getKey(), plain(field.getValue()));
            }
        }
        return extras;
    }
}
