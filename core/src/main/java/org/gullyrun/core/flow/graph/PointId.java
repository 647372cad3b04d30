package org.gullyrun.core.flow.graph;

import java.util.Locale;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Ids;

/**
 * Which point of a flow graph: an element, and which of its points where it has several.
 *
 * <p>The same point has the same id in every scene and every version of a rig. Ordered by {@link #text()}, the order
 * that breaks ties.
 */
public final class PointId implements Comparable<PointId> {

    /** Which of an element's points. */
    public enum Role {
        /** The only one, or the main one. */
        SELF,
        /** What an application plays. */
        OUT,
        /** What an application listens to. */
        IN,
        /** What a production lets the host hear. */
        CUE,
        /** A track of a production. */
        TRACK,
        /** An input as one entry of a scene copies it. */
        COPY,
        /** Where something is chosen that isn't a device of that direction: nothing gets in or out. */
        PLAYBACK,
        RECORDING
    }

    private final String element;
    private final Role role;
    private final int track;
    private final String entry;
    private final String text;

    private PointId(String element, Role role, int track, String entry, String text) {
        this.element = element;
        this.role = role;
        this.track = track;
        this.entry = entry;
        this.text = text;
    }

    private static PointId of(String element, Role role) {
        return new PointId(element, role, 0, "", element + "#" + role.name().toLowerCase(Locale.ROOT));
    }

    /** The point of an element that has one. */
    public static PointId of(String element) {
        return new PointId(element, Role.SELF, 0, "", element);
    }

    /** What an application plays. */
    public static PointId out(String application) {
        return of(application, Role.OUT);
    }

    /** What an application listens to. */
    public static PointId in(String application) {
        return of(application, Role.IN);
    }

    /** The cue of a production. */
    public static PointId cue(String production) {
        return of(production, Role.CUE);
    }

    /** A track of a production, numbered from 1. */
    public static PointId track(String production, int number) {
        String text = production + (number < 10 ? "#track0" : "#track") + number;
        return new PointId(production, Role.TRACK, number, "", text);
    }

    /** An input as an entry of a scene copies it. */
    static PointId copy(String input, String entry) {
        return new PointId(input, Role.COPY, 0, entry, input + "@" + entry);
    }

    /** What isn't a device of this direction, yet chosen as one. */
    static PointId wrong(String element, Direction direction) {
        return of(element, direction == Direction.PLAYBACK ? Role.PLAYBACK : Role.RECORDING);
    }

    /** The id of the element. */
    public String element() {
        return element;
    }

    /** Which of the element's points. */
    public Role role() {
        return role;
    }

    /** The number of a track, from 1; 0 for all other points. */
    public int track() {
        return track;
    }

    /** The id of the entry that a copy is of; else empty. */
    public String entry() {
        return entry;
    }

    /** As files and JSON name it: {@code element}, {@code element#out}, {@code element#track02}, {@code input@entry}. */
    public String text() {
        return text;
    }

    @Override
    public int compareTo(PointId other) {
        return Ids.ORDER.compare(text, other.text);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof PointId id && id.text.equals(text);
    }

    @Override
    public int hashCode() {
        return text.hashCode();
    }

    @Override
    public String toString() {
        return text;
    }
}
