package org.gullyrun.core.audit.rules;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;

/** The page of each rule, as it stands in {@code docs/findings} and ships with the program. */
public final class RulePages {
    private RulePages() {}

    /** The page of a rule, in Markdown; empty if there is none. */
    public static String of(String rule) {
        try (InputStream in = RulePages.class.getResourceAsStream("pages/" + rule + ".md")) {
            return in == null ? "" : new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
