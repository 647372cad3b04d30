package org.gullyrun.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import org.jspecify.annotations.Nullable;

/** Writes plain data as JSON. */
final class Json {
    private static final ObjectMapper MAPPER = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);

    private Json() {}

    static String write(Object plain) {
        try {
            return MAPPER.writeValueAsString(plain);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("plain data always has a JSON form", e);
        }
    }

    /** A number, or null where it is not one: JSON knows no NaN. */
    static @Nullable Double number(double value) {
        return Double.isFinite(value) ? value : null;
    }
}
