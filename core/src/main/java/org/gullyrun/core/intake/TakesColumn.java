package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Productions.Takes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Unknown;
import org.jspecify.annotations.Nullable;

/**
 * What an input takes: a program, a device, the default, or its own sound. The name says which of these it is, so that
 * nobody has to say it twice.
 */
record TakesColumn(String head, int letters) implements Column {
    @Override
    public String key() {
        return Productions.TAKES.key();
    }

    private static final String DEFAULT = "default";
    private static final String PLAYED = "default playback";
    private static final String OWN = "own sound";

    /** Something that can be taken. */
    private record Taken(Takes takes, String id, String name) {}

    @Override
    public String text(Rig rig, Element row) {
        Takes takes = row.get(Productions.TAKES);
        if (takes == null) {
            return "?";
        }
        boolean byDefault = row.get(Productions.DEVICE) == Choice.Special.DEFAULT;
        return switch (takes) {
            case OWN -> OWN;
            case APPLICATION -> Typed.text(rig, row, Productions.APPLICATION);
            case PLAYBACK -> byDefault ? PLAYED : Typed.text(rig, row, Productions.DEVICE);
            case RECORDING -> Typed.text(rig, row, Productions.DEVICE);
        };
    }

    /** All that can be taken, with what the input takes now first: among equal names that is meant. */
    private static List<Taken> all(Rig rig, Element row) {
        List<Taken> all = new ArrayList<>();
        rig.of(Kind.APPLICATION).forEach(e -> all.add(new Taken(Takes.APPLICATION, e.id(), e.name())));
        for (Element device : rig.of(Kind.DEVICE)) {
            boolean plays = device.get(Devices.DIRECTION) == Devices.Direction.PLAYBACK;
            all.add(new Taken(plays ? Takes.PLAYBACK : Takes.RECORDING, device.id(), device.name()));
        }
        Takes now = row.get(Productions.TAKES);
        all.sort(java.util.Comparator.comparingInt(t -> t.takes == now ? 0 : t.takes == Takes.PLAYBACK ? 2 : 1));
        return all;
    }

    @Override
    public List<Option> options(Rig rig, Element row, String typed) {
        List<Option> options = new ArrayList<>();
        List<Taken> all = all(rig, row);
        for (int i : NameMatch.all(all.stream().map(Taken::name).toList(), typed)) {
            Taken taken = all.get(i);
            options.add(Option.of(
                    taken.name,
                    switch (taken.takes) {
                        case APPLICATION -> "program";
                        case RECORDING -> "recording";
                        case PLAYBACK -> "everything played to it";
                        case OWN -> "";
                    }));
        }
        for (String word : List.of(DEFAULT, PLAYED, OWN)) {
            if (NameMatch.grade(word, typed) < 2) {
                options.add(Option.of(word, "choice"));
            }
        }
        String name = typed.strip();
        if (!name.isEmpty() && options.stream().noneMatch(o -> o.text().equalsIgnoreCase(name))) {
            options.add(Option.fresh(name, "new program"));
        }
        return options;
    }

    @Override
    public List<Change> enter(Rig rig, Element row, String text) {
        String typed = text.strip();
        String lower = typed.toLowerCase(Locale.ROOT);
        if (typed.equals(text(rig, row))) {
            return List.of();
        }
        if (typed.isEmpty() || typed.equals("?")) {
            return Columns.set(rig, row, Productions.TAKES, Unknown.UNKNOWN);
        }
        if (typed.startsWith(Option.NEW) && typed.length() > 1) {
            NewElements fresh = new NewElements(rig);
            Element made = fresh.application(typed.substring(1).strip(), org.gullyrun.core.rig.Applications.Use.OTHER);
            List<Change> changes = new ArrayList<>(fresh.changes());
            changes.addAll(taking(rig, row, Takes.APPLICATION, made.id()));
            return changes;
        }
        List<Taken> all = all(rig, row);
        int at = NameMatch.best(all.stream().map(Taken::name).toList(), typed);
        boolean exact = at >= 0 && NameMatch.grade(all.get(at).name, typed) == 0;
        if (!exact && lower.length() > 2 && OWN.startsWith(lower)) {
            return taking(rig, row, Takes.OWN, null);
        }
        if (!exact && lower.length() > 2 && PLAYED.startsWith(lower)) {
            boolean played = lower.length() > DEFAULT.length() || row.get(Productions.TAKES) == Takes.PLAYBACK;
            return taking(rig, row, played ? Takes.PLAYBACK : Takes.RECORDING, null);
        }
        if (at < 0) {
            throw new Refused("There is no program or device called “" + typed + "”. Enter " + Option.NEW + typed
                    + " to add a program.");
        }
        return taking(rig, row, all.get(at).takes, all.get(at).id);
    }

    /** The changes that make an input take something; what it took before no longer counts. */
    private static List<Change> taking(Rig rig, Element row, Takes takes, @Nullable String id) {
        List<Change> changes = new ArrayList<>(Columns.set(rig, row, Productions.TAKES, takes));
        if (takes == Takes.APPLICATION) {
            changes.addAll(Columns.set(rig, row, Productions.APPLICATION, id));
        } else if (takes != Takes.OWN) {
            changes.addAll(
                    Columns.set(rig, row, Productions.DEVICE, id == null ? Choice.Special.DEFAULT : Choice.to(id)));
        }
        return changes;
    }

    @Override
    public boolean shows(String key) {
        return key.equals(Productions.DEVICE.key())
                || key.equals(Productions.APPLICATION.key())
                || key.equals(Productions.TAKES.key());
    }
}
