package org.gullyrun.core.casefile;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Complaint;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Unknown;
import org.jspecify.annotations.Nullable;

/** Writes a case as JSON: one element a line, always in the same order, what stands at its usual value left out. */
public final class CaseWriter {
    /** The first field of every case file. */
    static final String FORMAT = "gullyrun case";

    /** The version written; a reader refuses newer ones. */
    static final int VERSION = 1;

    /** How a file says that a value is not yet known. */
    private static final ObjectMapper JSON = new ObjectMapper();

    private CaseWriter() {}

    /** The text of a case file. */
    public static String write(Case what) {
        StringBuilder out = new StringBuilder();
        Map<String, String> top = new LinkedHashMap<>();
        top.put("format", json(FORMAT));
        top.put("version", json(VERSION));
        top.put("title", json(what.title()));
        if (!what.note().isEmpty()) {
            top.put("note", json(what.note()));
        }
        if (what.showHours() != Case.USUAL_HOURS) {
            top.put("showHours", json(what.showHours()));
        }
        if (!what.knownGood().isEmpty()) {
            top.put("knownGood", json(what.knownGood()));
        }
        if (!what.terms().complaint().equals(Complaint.NONE)) {
            top.put("complaint", json(complaint(what.terms().complaint())));
        }
        if (!what.terms().limits().isEmpty()) {
            top.put("limits", json(what.terms().limits()));
        }
        if (!what.terms().waivers().isEmpty()) {
            List<String> waivers =
                    what.terms().waivers().stream().map(CaseWriter::json).toList();
            top.put("waived", "[\n    " + String.join(",\n    ", waivers) + "\n  ]");
        }
        if (!what.workOrders().isEmpty()) {
            List<String> orders =
                    what.workOrders().stream().map(w -> json(w.plain())).toList();
            top.put("workOrders", "[\n    " + String.join(",\n    ", orders) + "\n  ]");
        }
        new TreeMap<>(what.extras()).forEach((key, value) -> top.put(key, json(value)));
        top.put("brief", brief(what.brief()));
        List<String> surveys = what.surveys().stream().map(CaseWriter::survey).toList();
        top.put("surveys", "[\n    " + String.join(",\n    ", surveys) + "\n  ]");
        object(out, top, "  ");
        return out.append('\n').toString();
    }

    /** What is reported, without what isn't said. */
    static Map<String, Object> complaint(Complaint complaint) {
        Map<String, Object> fields = new LinkedHashMap<>();
        fields.put("listener", complaint.listener());
        fields.put("what", complaint.what() == null ? "" : complaint.what().word());
        fields.put("source", complaint.source());
        fields.put("since", complaint.since());
        fields.values().removeIf(""::equals);
        return fields;
    }

    /** An object with a line for each field. */
    private static void object(StringBuilder out, Map<String, String> fields, String indent) {
        out.append("{");
        String comma = "\n";
        for (Map.Entry<String, String> field : fields.entrySet()) {
            out.append(comma)
                    .append(indent)
                    .append(json(field.getKey()))
                    .append(": ")
                    .append(field.getValue());
            comma = ",\n";
        }
        out.append('\n').append(indent, 0, Math.max(0, indent.length() - 2)).append('}');
    }

    /** A survey, with its elements in sections by kind. */
    static String survey(Survey survey) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("id", json(survey.id()));
        fields.put("name", json(survey.name()));
        if (!survey.date().isEmpty()) {
            fields.put("date", json(survey.date()));
        }
        if (!survey.note().isEmpty()) {
            fields.put("note", json(survey.note()));
        }
        new TreeMap<>(survey.extras()).forEach((key, value) -> fields.put(key, json(value)));
        StringBuilder rig = new StringBuilder();
        Map<String, String> sections = new LinkedHashMap<>();
        for (Kind kind : Kind.values()) {
            List<Element> elements = survey.rig().of(kind);
            if (!elements.isEmpty()) {
                List<String> lines = new ArrayList<>();
                for (int i = 0; i < elements.size(); i++) {
                    lines.add(json(element(elements.get(i), i)));
                }
                sections.put(kind.section(), "[\n          " + String.join(",\n          ", lines) + "\n        ]");
            }
        }
        object(rig, sections, "        ");
        fields.put("rig", rig.toString());
        StringBuilder out = new StringBuilder();
        object(out, fields, "      ");
        return out.toString();
    }

    /** An element as plain data; {@code index} is where it stands in its section, which says its place. */
    static Map<String, Object> element(Element element, int index) {
        Map<String, Object> fields = new LinkedHashMap<>();
        fields.put("id", element.id());
        for (Setting<?> setting : Catalogue.of(element.kind())) {
            if (setting.isFamily()) {
                Object family = family(element, setting);
                if (family != null) {
                    fields.put(setting.key(), family);
                }
            } else if (holds(element, setting)) {
                fields.put(setting.key(), plain(setting, element.raw(setting)));
            }
        }
        String place = Common.place(element.kind()).key();
        double at = element.or(Common.place(element.kind()), 0.0);
        fields.remove(place);
        if (at != index) {
            fields.put(place, at);
        }
        element.extras().forEach(fields::put);
        return fields;
    }

    /** Whether a setting says more than leaving it out would. */
    private static boolean holds(Element element, Setting<?> setting) {
        for (String key : element.keys()) {
            if (key.equals(setting.key())) {
                return true;
            }
        }
        return false;
    }

    /** A family of flags that are all on is a list; any other family an object; one with nothing entered is left out. */
    private static @Nullable Object family(Element element, Setting<?> family) {
        Map<String, Object> members = new TreeMap<>(
                Comparator.comparingInt(String::length).thenComparing(Ids.ORDER)); // numbers in their order
        if (!family.key().startsWith("track")) {
            members = new TreeMap<>(Ids.ORDER);
        }
        for (String key : element.keys()) {
            if (key.startsWith(family.key() + ":")) {
                Setting<?> member = family.of(key.substring(family.key().length() + 1));
                members.put(member.sub(), plain(member, element.raw(member)));
            }
        }
        if (members.isEmpty()) {
            return null;
        }
        if (members.values().stream().allMatch(Boolean.TRUE::equals)) {
            return members.keySet().stream()
                    .map(key -> key.matches("[1-9][0-9]{0,8}") ? (Object) Integer.valueOf(key) : key)
                    .toList();
        }
        return members;
    }

    @SuppressWarnings("unchecked") // an element holds only what the setting's own type has read
    static <T> Object plain(Setting<T> setting, @Nullable Object raw) {
        return raw == null || raw == Unknown.UNKNOWN
                ? Unknown.MARK
                : setting.type().write((T) raw);
    }

    /** The brief in the order in which the rig lists its sources and listeners. */
    private static String brief(Brief brief) {
        Map<String, Object> plain = new LinkedHashMap<>(wishes(brief, ""));
        TreeMap<String, Object> scenes = new TreeMap<>(Ids.ORDER);
        brief.cells().keySet().stream()
                .map(Brief.Cell::scene)
                .filter(s -> !s.isEmpty())
                .distinct()
                .forEach(scene -> scenes.put(scene, wishes(brief, scene)));
        if (!scenes.isEmpty()) {
            plain.put("inScenes", scenes);
        }
        if (!brief.windows().isEmpty()) {
            List<Object> windows = new ArrayList<>();
            brief.windows().forEach((cell, window) -> {
                Map<String, Object> one = new LinkedHashMap<>();
                one.put("source", cell.source());
                one.put("outlet", cell.outlet());
                if (window.least() != null) {
                    one.put("least", window.least());
                }
                if (window.most() != null) {
                    one.put("most", window.most());
                }
                windows.add(one);
            });
            plain.put("windows", windows);
        }
        if (!brief.voiceOverMusic().isEmpty()) {
            plain.put("voiceOverMusic", new TreeMap<>(brief.voiceOverMusic()));
        }
        Map<String, String> fields = new LinkedHashMap<>();
        plain.forEach((key, value) -> {
            if (value instanceof Map<?, ?> map && !map.isEmpty() && !key.equals("voiceOverMusic")) {
                Map<String, String> inner = new LinkedHashMap<>();
                map.forEach((k, v) -> inner.put((String) k, json(v)));
                StringBuilder out = new StringBuilder();
                object(out, inner, "      ");
                fields.put(key, out.toString());
            } else {
                fields.put(key, json(value));
            }
        });
        StringBuilder out = new StringBuilder();
        if (fields.isEmpty()) {
            return "{}";
        }
        object(out, fields, "    ");
        return out.toString();
    }

    /** Wishes by source, then listener. */
    private static Map<String, Object> wishes(Brief brief, String scene) {
        Map<String, Object> byWish = new LinkedHashMap<>();
        for (Wish wish : Wish.values()) {
            TreeMap<String, List<String>> byOutlet = new TreeMap<>(Ids.ORDER);
            brief.cells().forEach((cell, w) -> {
                if (w == wish && cell.scene().equals(scene)) {
                    byOutlet.computeIfAbsent(cell.outlet(), x -> new ArrayList<>())
                            .add(cell.source());
                }
            });
            if (!byOutlet.isEmpty()) {
                byWish.put(wish.word(), byOutlet);
            }
        }
        return byWish;
    }

    /** A value of plain data as JSON on one line. */
    private static String json(Object value) {
        try {
            return JSON.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("plain data always has a JSON form", e);
        }
    }
}
