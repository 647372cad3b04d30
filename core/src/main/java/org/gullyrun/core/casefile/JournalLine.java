package org.gullyrun.core.casefile;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32C;
import org.jspecify.annotations.Nullable;

/** One line of a journal: JSON, a tab, and the checksum (CRC-32C) of the JSON in eight hexadecimal digits. */
final class JournalLine {
    /** The version that is written. The first one had no checksums; it is still read. */
    static final int VERSION = 2;

    private JournalLine() {}

    static String write(String json) {
        return json + "\t" + sum(json) + "\n"; // JSON itself holds no tab: inside a text it is written as \t
    }

    /** What a line holds; null if it is damaged. {@code version} is that of the journal, 0 for its first line. */
    static @Nullable JsonNode read(String line, int version) {
        int tab = line.lastIndexOf('\t');
        String json = tab < 0 ? line : line.substring(0, tab);
        if (tab < 0 ? version >= VERSION : !line.substring(tab + 1).equals(sum(json))) {
            return null;
        }
        try {
            JsonNode node = CaseReader.JSON.readTree(json);
            return node.isObject() ? node : null;
        } catch (JsonProcessingException e) {
            return null;
        }
    }

    /** The checksum of a line, CRC-32C as eight hexadecimal digits. */
    private static String sum(String json) {
        CRC32C sum = new CRC32C();
        sum.update(json.getBytes(StandardCharsets.UTF_8));
        return String.format("%08x", sum.getValue());
    }
}
