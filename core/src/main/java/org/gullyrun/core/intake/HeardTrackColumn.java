package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/** The track that a listener hears, by what it is for or by its number. */
record HeardTrackColumn(String head, int letters) implements Column {
    @Override
    public String key() {
        return Outlets.TRACK.key();
    }

    @Override
    public String text(Rig rig, Element row) {
        Integer number = row.get(Outlets.TRACK);
        Element production = production(rig, row);
        String name = number == null || production == null ? "" : production.or(Productions.TRACK_NAME.of(number), "");
        return name.isEmpty() ? Typed.text(rig, row, Outlets.TRACK) : name;
    }

    @Override
    public List<Option> options(Rig rig, Element row, String typed) {
        List<Option> options = new ArrayList<>();
        Element production = production(rig, row);
        if (production != null) {
            List<String> names = names(production);
            for (int place : NameMatch.all(names, typed)) {
                if (!names.get(place).isEmpty()) {
                    options.add(Option.of(names.get(place), "track " + (place + 1)));
                }
            }
        }
        return options;
    }

    @Override
    public List<Change> enter(Rig rig, Element row, String text) {
        Element production = production(rig, row);
        if (production == null || text.isBlank() || text.strip().equals("?")) {
            return Columns.enter(rig, row, Outlets.TRACK, text);
        }
        if (text.strip().equals(text(rig, row))) {
            return List.of();
        }
        if (text.strip().matches("[0-9]+")) {
            return Columns.enter(rig, row, Outlets.TRACK, text);
        }
        int place = NameMatch.best(names(production), text);
        if (place < 0) {
            throw new Refused("No track of " + production.name() + " is called “" + text.strip()
                    + "”. Enter its number, or name the track in the production first.");
        }
        return Columns.enter(rig, row, Outlets.TRACK, String.valueOf(place + 1));
    }

    /** What the tracks are for, in order; empty where that isn't entered. */
    private static List<String> names(Element production) {
        List<String> names = new ArrayList<>();
        for (int n = 1; n <= production.or(Productions.TRACKS, 6); n++) {
            names.add(production.or(Productions.TRACK_NAME.of(n), ""));
        }
        return names;
    }

    private static @Nullable Element production(Rig rig, Element row) {
        return rig.find(row.get(Outlets.OUTPUT), Kind.OUTPUT).map(rig::owner).orElse(null);
    }
}
