package org.gullyrun.desktop.find;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.desktop.state.Selection;

/** Finds elements, runs, findings and actions by what a person types. */
public final class FindIndex {
    /** The most hits of one search. */
    public static final int MOST = 12;

    /**
     * One hit.
     *
     * @param text what it is
     * @param kind what sort of thing it is, in a word
     * @param selection what to select, or {@link Selection#NOTHING} for an action
     * @param action what to do
     * @param score the higher the better
     */
    public record Hit(String text, String kind, Selection selection, Runnable action, int score) {}

    private FindIndex() {}

    /** The hits of a search, best first. A source's and an outlet's name together give the routes between them. */
    public static List<Hit> search(String typed, Reading reading, List<Action> actions) {
        String query =
                typed.toLowerCase(Locale.ROOT).replaceAll("[>→]|\\bto\\b", " ").strip();
        if (query.isEmpty()) {
            return List.of();
        }
        List<Hit> hits = new ArrayList<>();
        Rig rig = reading.rig();
        pairs(query, rig, hits);
        for (Element element : rig.elements()) {
            int score = score(element.name(), query);
            if (score > 0 && element.kind() != Kind.ENTRY && element.kind() != Kind.APP_OUTPUT) {
                Selection selection = element.kind() == Kind.SOURCE
                        ? new Selection.OfSource(element.id())
                        : element.kind() == Kind.OUTLET
                                ? new Selection.OfOutlet(element.id())
                                : new Selection.OfElement(element.id());
                int bonus = element.kind() == Kind.SOURCE ? 6 : element.kind() == Kind.OUTLET ? 5 : 0;
                Element program = rig.program(element);
                String text =
                        program == element ? element.name() : program.name() + " · " + Sentences.noun(rig, element);
                hits.add(new Hit(text, element.kind().noun(), selection, () -> {}, score + bonus));
            }
        }
        for (Finding finding : reading.findings()) {
            int score = score(finding.words().title(), query);
            if (score > 0) {
                hits.add(new Hit(
                        finding.words().title(),
                        finding.severity().word(),
                        new Selection.Trouble(finding.identity()),
                        () -> {},
                        score - 3));
            }
        }
        for (Action action : actions) {
            int score = score(action.name(), query);
            if (score > 0) {
                hits.add(new Hit(action.name(), action.shown(), Selection.NOTHING, action.run(), score - 2));
            }
        }
        hits.sort(Comparator.comparingInt(Hit::score).reversed()); // alike: as in the rig, worst first, as in the menus
        return hits.subList(0, Math.min(MOST, hits.size()));
    }

    /** Pairs such as "music to archive". */
    private static void pairs(String query, Rig rig, List<Hit> hits) {
        String[] words = query.split("\\s+");
        for (int cut = 1; cut < words.length; cut++) {
            String a = String.join(" ", List.of(words).subList(0, cut));
            String b = String.join(" ", List.of(words).subList(cut, words.length));
            for (Element source : rig.of(Kind.SOURCE)) {
                int s = sourceScore(rig, source, a);
                if (s > 0) {
                    for (Element outlet : rig.of(Kind.OUTLET)) {
                        int o = score(outlet.name(), b);
                        if (o > 0) {
                            hits.add(new Hit(
                                    source.name() + " → " + outlet.name(),
                                    "routes",
                                    new Selection.Pair(source.id(), outlet.id()),
                                    () -> {},
                                    20 + s + o));
                        }
                    }
                }
            }
        }
    }

    /** A source is also known by what it starts at, and music by its class: "tunes" alone would find nothing. */
    private static int sourceScore(Rig rig, Element source, String query) {
        int own = score(source.name(), query);
        String at = source.or(Sources.AT, "");
        int start = at.isEmpty() ? 0 : score(rig.name(at), query) - 2;
        int kind = source.get(Sources.CLASS) instanceof Sources.SourceClass c ? score(c.word(), query) - 4 : 0;
        int tunes = source.get(Sources.CLASS) == Sources.SourceClass.MUSIC ? score("tunes songs", query) - 4 : 0;
        return Math.max(Math.max(own, start), Math.max(kind, tunes));
    }

    /** 10 for the whole name, 8 for its beginning, 6 for the beginning of words, 4 for anywhere; 0 if not at all. */
    static int score(String name, String query) {
        String text = name.toLowerCase(Locale.ROOT);
        if (text.equals(query)) {
            return 10;
        }
        if (text.startsWith(query)) {
            return 8;
        }
        boolean all = true;
        for (String word : query.split("\\s+")) {
            all &= (" " + text).contains(" " + word);
        }
        return all ? 6 : query.length() >= 3 && text.contains(query) ? 4 : 0;
    }
}
