package org.gullyrun.core.casefile;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.Map;
import org.gullyrun.core.casefile.CaseReader.Wrong;
import org.gullyrun.core.rig.Ids;

/**
 * Refuses what a JSON parser lets through and a case file cannot give back: numbers beyond the range of a double, which
 * turn into infinity, and halves of surrogate pairs, which UTF-8 has no bytes for.
 */
final class StorableJson {
    private StorableJson() {}

    /**
     * Checks a node and all inside it.
     *
     * @throws Wrong at the first value that could not be saved again; the message says what to write in its place
     */
    static void check(JsonNode node, String place) {
        switch (node.getNodeType()) {
            case NUMBER -> {
                if (!Double.isFinite(node.asDouble())) {
                    throw new Wrong(place, "this number is too large; the largest is 1.7e308");
                }
            }
            case STRING -> whole(node.asText(), place);
            case ARRAY -> {
                for (int i = 0; i < node.size(); i++) {
                    check(node.get(i), place + "[" + i + "]");
                }
            }
            case OBJECT -> {
                for (Map.Entry<String, JsonNode> field : node.properties()) {
                    whole(field.getKey(), place);
                    check(field.getValue(), place.isEmpty() ? field.getKey() : place + "." + field.getKey());
                }
            }
            case BINARY, BOOLEAN, MISSING, NULL, POJO -> {}
        }
    }

    /** Refuses text that can't be written as UTF-8 and read back the same. */
    private static void whole(String text, String place) {
        if (!Ids.isWhole(text)) {
            throw new Wrong(
                    place,
                    "this text holds half of a character (a lone surrogate, \\ud800 to \\udfff); write it whole");
        }
    }
}
