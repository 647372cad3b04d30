package org.gullyrun.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.StringWriter;

/** Runs commands as from a terminal, and keeps what they print. */
final class Terminal {
    private String out = "";
    private String err = "";

    /** Runs a command; its exit code. */
    int run(String... args) {
        StringWriter o = new StringWriter();
        StringWriter e = new StringWriter();
        int code = Gullyrun.run(new SafePrinter(o), new SafePrinter(e), args);
        out = o.toString();
        err = e.toString();
        return code;
    }

    /** The answer of a command that has to succeed, as JSON. */
    JsonNode json(String... args) throws IOException {
        assertEquals(Exit.OK, run(args), err);
        return new ObjectMapper().readTree(out);
    }

    /** What the last command printed. */
    String out() {
        return out;
    }

    /** What the last command complained of. */
    String err() {
        return err;
    }
}
