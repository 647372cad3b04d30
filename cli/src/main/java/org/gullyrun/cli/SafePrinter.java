package org.gullyrun.cli;

import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.PrintWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * Prints to a terminal or a file, in UTF-8 whatever the locale says. Names out of a case cannot command the terminal: escape
 * sequences and direction marks are shown as �, and a line break inside a value as a blank, so that one line stays one line.
 */
final class SafePrinter extends PrintWriter {
    private static final char SHOWN = '\uFFFD';

    /** Prints to a writer. */
    SafePrinter(Writer out) {
        super(out, true);
    }

    /** Prints to a stream. */
    static SafePrinter to(OutputStream out) {
        return new SafePrinter(new OutputStreamWriter(out, StandardCharsets.UTF_8));
    }

    /** One line. */
    @Override
    public void println(@Nullable String line) {
        super.print(clean(String.valueOf(line), true));
        super.println();
    }

    /** Some text of the program's own, as its help or JSON, with the line breaks in it. */
    @Override
    public void print(@Nullable String text) {
        super.print(clean(String.valueOf(text), false));
    }

    @Override
    public PrintWriter format(@Nullable Locale locale, String format, @Nullable Object... arguments) {
        return super.format(locale, format, cleaned(arguments));
    }

    @Override
    public PrintWriter format(String format, @Nullable Object... arguments) {
        return super.format(Locale.ROOT, format, cleaned(arguments));
    }

    /** Arguments of a format with control characters taken out of texts. */
    private static @Nullable Object[] cleaned(@Nullable Object[] arguments) {
        return Arrays.stream(arguments)
                .map(a -> a instanceof String text ? clean(text, true) : a)
                .toArray();
    }

    /** A text without anything that a terminal would act on. */
    static String clean(String text, boolean oneLine) {
        StringBuilder clean = new StringBuilder(text.length());
        text.codePoints().forEach(c -> {
            if (c == '\n' || c == '\r' || c == 0x2028 || c == 0x2029) {
                clean.append(oneLine ? ' ' : c == '\n' ? '\n' : ' ');
            } else if (c == '\t') {
                clean.append(' ');
            } else {
                clean.appendCodePoint(commands(c) ? SHOWN : c);
            }
        });
        return clean.toString();
    }

    /** Whether a character could move the cursor or change colours. */
    private static boolean commands(int c) {
        return switch (Character.getType(c)) {
            case Character.CONTROL, Character.SURROGATE -> true;
            case Character.FORMAT -> c != 0x200C && c != 0x200D; // joiners are part of words in some scripts
            default -> false;
        };
    }
}
