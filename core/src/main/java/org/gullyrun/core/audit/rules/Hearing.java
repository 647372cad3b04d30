package org.gullyrun.core.audit.rules;

import java.util.List;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.rig.Sentences;

/** A source and a listener who hears it, or should or must not, by their names. */
record Hearing(String source, String listener) {
    static Hearing of(CellReading cell) {
        return new Hearing(cell.source().name(), cell.outlet().name());
    }

    /** The first few, as "Crew at Live, Crew at Archive and 3 more". */
    static String first(List<Hearing> all, int most) {
        return Say.first(all.stream().map(Hearing::toString).toList(), most);
    }

    /**
     * Who loses or hears the first source, and of how many more sources the same could be said: "Live and Archive would lose
     * Host, and 2 more sounds would go missing."
     */
    static String told(List<Hearing> all, String would, String others) {
        String source = all.getFirst().source;
        List<String> listeners = all.stream()
                .filter(hearing -> hearing.source.equals(source))
                .map(Hearing::listener)
                .toList();
        long more = all.stream().map(Hearing::source).distinct().count() - 1;
        return Sentences.few(listeners) + would + source
                + (more == 0 ? "" : ", and " + more + (more == 1 ? " more sound" : " more sounds") + others) + ".";
    }

    @Override
    public String toString() {
        return source + " at " + listener;
    }
}
