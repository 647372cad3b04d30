package org.gullyrun.core.rig;

import java.util.Comparator;
import java.util.Locale;

/** Rules for ids: their order and how one is made from a name. */
public final class Ids {
    /** The most characters of an id. */
    private static final int MOST = 200;

    /** An id made from a name is no longer than this, so that there is room for a number. */
    private static final int MOST_OF_NAME = 60;

    private Ids() {}

    /** By code point, the order that breaks every tie in this program. */
    public static final Comparator<String> ORDER = Ids::byCodePoint;

    /** By code point, so that no language or platform changes the order. */
    private static int byCodePoint(String a, String b) {
        int length = Math.min(a.length(), b.length());
        for (int i = 0; i < length; i++) {
            char x = a.charAt(i);
            char y = b.charAt(i);
            if (x != y) {
                // Surrogates sort above all other units by code point, but not by unit.
                boolean sx = Character.isSurrogate(x);
                boolean sy = Character.isSurrogate(y);
                return sx == sy ? Character.compare(x, y) : sx ? 1 : -1;
            }
        }
        return Integer.compare(a.length(), b.length());
    }

    /** Why a text cannot be an id, or an empty text if it can. '#', '@' and '/' are kept for points and addresses. */
    public static String objection(String id) {
        if (id.isBlank() || !id.equals(id.strip())) {
            return "an id cannot be empty or begin or end with blanks";
        }
        if (id.length() > MOST) {
            return "an id has at most " + MOST + " characters";
        }
        if (id.equals(Unknown.MARK) || Choice.parse(id) instanceof Choice.Special) {
            return "'" + id + "' has a meaning of its own and cannot be an id";
        }
        if (!isWhole(id)) {
            return "an id cannot hold half of a character";
        }
        return id.chars().anyMatch(c -> c == '#' || c == '@' || c == '/' || c == ':' || c < ' ')
                ? "an id cannot hold #, @, /, : or control characters"
                : "";
    }

    /** Whether a text holds whole characters only: half of a surrogate pair cannot be written in UTF-8. */
    public static boolean isWhole(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (Character.isHighSurrogate(c) && i + 1 < text.length() && Character.isLowSurrogate(text.charAt(i + 1))) {
                i++;
            } else if (Character.isSurrogate(c)) {
                return false;
            }
        }
        return true;
    }

    /** An id made from a name: lower case letters and digits with hyphens, and a number where it is taken. */
    public static String from(String name, java.util.function.Predicate<String> taken) {
        String base = name.toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{N}]+", "-")
                .codePoints()
                .limit(MOST_OF_NAME)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString()
                .replaceAll("^-+|-+$", "");
        if (!objection(base).isEmpty()) {
            base = base.isEmpty() ? "element" : base + "-1";
        }
        String id = base;
        for (int n = 2; taken.test(id); n++) {
            id = base + "-" + n;
        }
        return id;
    }
}
