package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;

/**
 * One table of a sheet.
 *
 * @param key unique among the tables of a rig
 * @param title over it; empty where the section says enough
 * @param kind the kind of element that a row is
 * @param owner the id of what the rows live in, or an empty text
 * @param columns from left to right; the first is the name
 * @param grows whether rows can be added
 */
public record Table(String key, String title, Kind kind, String owner, List<Column> columns, boolean grows) {
    public Table {
        columns = List.copyOf(columns);
    }

    /** The elements that are its rows, in order. */
    public List<Element> rows(Rig rig) {
        if (!grows) {
            List<Element> rows = new ArrayList<>(rig.in(owner, Kind.INPUT));
            rows.addAll(rig.in(owner, Kind.GROUP));
            rows.addAll(rig.in(owner, Kind.SCENE));
            return kind == Kind.PRODUCTION ? List.of(rig.get(owner)) : rows;
        }
        if (kind == Kind.APP_OUTPUT) {
            return rig.of(kind).stream().filter(o -> isFurther(rig, o)).toList();
        }
        return owner.isEmpty() ? rig.of(kind) : rig.in(owner, kind);
    }

    /** Whether an output is not the one that stands in the row of its program. */
    private static boolean isFurther(Rig rig, Element output) {
        String program = output.get(Applications.OUTPUT_OF);
        List<Element> all = program == null ? List.of() : rig.in(program, Kind.APP_OUTPUT);
        return rig.find(program, Kind.APPLICATION).isEmpty() || all.indexOf(output) > 0;
    }

    /**
     * The changes that add a row of a name. What it obviously is, is put in: a program's output, a source's class as in
     * the row before. Where rows can be named by themselves, "-" leaves the name to what the row will join.
     *
     * @throws Refused if the name is empty
     */
    public List<Change> add(Rig rig, String name) {
        if (name.isBlank()) {
            throw new Refused("Enter a name.");
        }
        NewElements fresh = new NewElements(rig);
        String given =
                isNamedByItself() && name.strip().equals(EndNames.MARK) ? EndNames.first(rig, kind) : name.strip();
        switch (kind) {
            case APPLICATION -> fresh.application(given, Applications.Use.OTHER);
            case CABLE -> fresh.cable(given);
            case DEVICE -> fresh.make(kind, given, owner, NameGuess::device);
            case SOURCE -> fresh.make(kind, given, owner, NameGuess::source);
            case OUTLET -> fresh.make(kind, given, owner, e -> NameGuess.outlet(rig, e));
            case OUTPUT -> fresh.make(kind, given, owner, e -> NameGuess.output(rig, e));
            case MACHINE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APP_OUTPUT, MIXER, STRIP, BUS ->
                fresh.make(kind, given, owner, e -> e);
            case PRODUCTION, INPUT, GROUP, SCENE, ENTRY -> fresh.make(kind, given, owner, e -> e);
        }
        return NameGuess.withListeners(rig, fresh.changes());
    }

    /** Whether a row can do without a name of its own: it joins two things, and is named after them. */
    public boolean isNamedByItself() {
        return EndNames.has(kind);
    }

    /** The id of the row that a list of changes from {@link #add} makes. */
    public String added(List<Change> changes) {
        for (Change change : changes) {
            if (change instanceof Change.Add(Element e) && e.kind() == kind) {
                return e.id();
            }
        }
        throw new IllegalArgumentException("nothing is added");
    }
}
