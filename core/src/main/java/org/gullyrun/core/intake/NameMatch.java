package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/** How well a name answers to what has been typed. */
final class NameMatch {
    private static final int NO = 9;

    private NameMatch() {}

    /**
     * 0 for the very name, then its beginning, the beginning of one of its words, the beginnings of several or their first
     * letters ("bs" for "Brookdesk Shows"), any part; 9 for none of these.
     */
    static int grade(String name, String typed) {
        String n = name.toLowerCase(Locale.ROOT);
        String t = typed.strip().toLowerCase(Locale.ROOT);
        if (n.equals(t)) {
            return 0;
        }
        if (n.startsWith(t)) {
            return 1;
        }
        if (n.contains(" " + t)) {
            return 2;
        }
        // Parts of several words, in order: "br sh" for "Brookdesk Shows".
        String[] parts = t.split("\\s+");
        if (parts.length > 1) {
            int from = 0;
            for (String part : parts) {
                int at = n.indexOf(part, from);
                if (at < 0 || at > 0 && n.charAt(at - 1) != ' ') {
                    return n.contains(t) ? 4 : NO;
                }
                from = at + part.length();
            }
            return 3;
        }
        if (t.length() > 1 && initials(n).startsWith(t)) {
            return 3;
        }
        return n.contains(t) ? 4 : NO;
    }

    /** The first letters of the words of a name. */
    private static String initials(String name) {
        StringBuilder letters = new StringBuilder();
        for (String word : name.split("[^\\p{L}\\p{N}']+")) {
            if (!word.isEmpty()) {
                letters.append(word.charAt(0));
            }
        }
        return letters.toString();
    }

    /** The places of the names that answer to it, best first; the order of the list among equals. */
    static List<Integer> all(List<String> names, String typed) {
        List<Integer> places = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            if (grade(names.get(i), typed) < NO) {
                places.add(i);
            }
        }
        places.sort(Comparator.comparingInt(i -> grade(names.get(i), typed)));
        return places;
    }

    /** The place of the name that answers best; -1 if none does. */
    static int best(List<String> names, String typed) {
        List<Integer> all = all(names, typed);
        return all.isEmpty() ? -1 : all.getFirst();
    }
}
