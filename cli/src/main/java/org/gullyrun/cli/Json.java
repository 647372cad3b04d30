package org.gullyrun.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import org.jspecify.annotations.Nullable;

/** Writes plain data as JSON. */
final class Json {
    private static final ObjectMapper MAPPER = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);

    private Json() {}

    /** Writes with sorted fields, so that the same input gives the same text. */
    static String write(Object plain) {
        try {
            // Jackson leaves direction marks and the like as they are; as \\u they are the same JSON and do nothing to
            // a
            // terminal.
            return escaped(MAPPER.writeValueAsString(plain));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("plain data always has a JSON form", e);
        }
    }

    /** Escapes what terminals might take for commands. */
    private static String escaped(String json) {
        StringBuilder escaped = new StringBuilder(json.length());
        for (int i = 0; i < json.length(); i++) {
            char c = json.charAt(i);
            int type = Character.getType(c);
            boolean acts = type == Character.FORMAT || type == Character.CONTROL && c != '\n' && c != '\r';
            if (acts || c == 0x2028 || c == 0x2029) {
                escaped.append(String.format("\\u%04x", (int) c));
            } else {
                escaped.append(c);
            }
        }
        return escaped.toString();
    }

    /** A number, or null where it is not one: JSON knows no NaN. */
    static @Nullable Double number(double value) {
        return Double.isFinite(value) ? value : null;
    }
}
