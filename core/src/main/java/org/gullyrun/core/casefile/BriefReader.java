package org.gullyrun.core.casefile;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.jspecify.annotations.Nullable;

/** Reads the brief of a case file. */
final class BriefReader {
    private BriefReader() {}

    /** The brief: cells, scenes, presets and windows. */
    static Brief read(JsonNode node) {
        if (node.isMissingNode()) {
            return Brief.EMPTY;
        }
        CaseReader.object(node, "brief");
        Map<Brief.Cell, Wish> cells = new TreeMap<>();
        wishes(node, "", "brief", cells, Set.of("inScenes", "windows", "voiceOverMusic"));
        JsonNode scenes = node.path("inScenes");
        if (!scenes.isMissingNode()) {
            CaseReader.object(scenes, "brief.inScenes");
            for (Map.Entry<String, JsonNode> scene : scenes.properties()) {
                wishes(scene.getValue(), scene.getKey(), "brief.inScenes." + scene.getKey(), cells, Set.of());
            }
        }
        Map<Brief.Cell, Brief.Window> windows = new TreeMap<>();
        JsonNode list = node.has("windows")
                ? CaseReader.array(node.path("windows"), "brief.windows")
                : CaseReader.JSON.createArrayNode();
        for (int i = 0; i < list.size(); i++) {
            String at = "brief.windows[" + i + "]";
            CaseReader.object(list.get(i), at);
            windows.put(
                    new Brief.Cell(
                            CaseReader.text(list.get(i), "source", at), CaseReader.text(list.get(i), "outlet", at), ""),
                    new Brief.Window(number(list.get(i), "least", at), number(list.get(i), "most", at)));
        }
        Map<String, Double> over = new TreeMap<>();
        if (node.has("voiceOverMusic")) {
            CaseReader.object(node.path("voiceOverMusic"), "brief.voiceOverMusic");
        }
        for (Map.Entry<String, JsonNode> one : node.path("voiceOverMusic").properties()) {
            if (!one.getValue().isNumber()) {
                throw new CaseReader.Wrong("brief.voiceOverMusic." + one.getKey(), "expected a number of dB");
            }
            over.put(one.getKey(), one.getValue().asDouble());
        }
        return new Brief(cells, windows, over);
    }

    /** A level in dBFS, or null where the field isn't there. */
    private static @Nullable Double number(JsonNode node, String key, String place) {
        JsonNode value = node.path(key);
        if (!value.isMissingNode() && !value.isNumber()) {
            throw new CaseReader.Wrong(place + "." + key, "expected a number of dBFS");
        }
        return value.isNumber() ? value.asDouble() : null;
    }

    /** The wishes of one scene, or the general ones. Several pairs may share an entry. */
    private static void wishes(
            JsonNode node, String scene, String place, Map<Brief.Cell, Wish> cells, Set<String> others) {
        CaseReader.object(node, place);
        for (Map.Entry<String, JsonNode> field : node.properties()) {
            Wish wish = null;
            for (Wish each : Wish.values()) {
                wish = each.word().equals(field.getKey()) ? each : wish;
            }
            String at = place + "." + field.getKey();
            if (wish == null) {
                if (others.contains(field.getKey())) {
                    continue;
                }
                throw new CaseReader.Wrong(at, "expected must, may or never");
            }
            CaseReader.object(field.getValue(), at);
            for (Map.Entry<String, JsonNode> outlet : field.getValue().properties()) {
                String there = at + "." + outlet.getKey();
                for (JsonNode each : CaseReader.array(outlet.getValue(), there)) {
                    String source = CaseReader.listed(each, there);
                    Wish before = cells.put(new Brief.Cell(source, outlet.getKey(), scene), wish);
                    if (before != null && before != wish) {
                        throw new CaseReader.Wrong(
                                there, "'" + source + "' is both " + before.word() + " and " + wish.word());
                    }
                }
            }
        }
    }
}
