package org.gullyrun.core.sample;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;

/**
 * <em>Lantern Hill Skywatch</em>, an amateur observatory's live night: its case with the surveys <em>known good</em> and
 * <em>as found</em>, and the faults that lie between them, one by one.
 */
public final class SampleShow {
    private SampleShow() {}

    /** The id of the survey in which the brief holds. */
    public static final String KNOWN_GOOD = "known-good";

    /** The id of the survey after the update, with all faults. */
    public static final String AS_FOUND = "as-found";

    /** What went wrong between the two surveys; each fault is made by settings of its own. */
    public enum Fault {
        /** The all-in-one input is on program beside the inputs of its own, and crew talk plays on the default. */
        ALL_IN_ONE,
        /** The cue device is the default, and the all-in-one input is on cue. */
        CUE_LOOP,
        /** The raw microphone is on program beside its cleaned version. */
        RAW_AND_CLEANED,
        /** The group <em>House sound</em> is brought into Panel beside a late copy of itself. */
        PANEL_COPY,
        /** Licensed music is ticked for the archive's track. */
        MUSIC_ARCHIVED,
        /** The star charts' input is not in Sky. */
        CHARTS_NOT_IN_SKY,
        /** The ends of the cable Heron run at different rates. */
        HERON_RATES,
        /** The guests' own strip is on the bus that feeds their call. */
        GUESTS_HEAR_THEMSELVES,
        /** The playback default has moved to the loudspeakers. */
        DEFAULT_MOVED,
        /** Effects are on the track for clips and charts. */
        EFFECTS_ON_CLIPS,
        /** The mixer no longer starts with the computer, and has a strip that nobody feeds. */
        MIXER_BY_HAND
    }

    /** The whole case. */
    public static Case make() {
        Rig good = SampleRig.make();
        return new Case(
                "Lantern Hill Skywatch",
                "A weekly live night. Since an update the host calls: everything is doubled, and the crew was on air.",
                Case.USUAL_HOURS,
                KNOWN_GOOD,
                List.of(
                        new Survey(AS_FOUND, "as found", "14 Nov, 19:40", "", found(good), Map.of()),
                        new Survey(KNOWN_GOOD, "known good", "31 Oct, 18:05", "", good, Map.of())),
                SampleBrief.make());
    }

    /** The rig as found: known good with every fault. */
    static Rig found(Rig good) {
        List<Change> all = new ArrayList<>();
        for (Fault fault : Fault.values()) {
            all.addAll(changes(good, fault));
        }
        return Changes.apply(good, all);
    }

    /** The changes that make one fault in the known good rig. */
    public static List<Change> changes(Rig good, Fault fault) {
        return switch (fault) {
            case ALL_IN_ONE ->
                List.of(
                        set(good, "in-default", Productions.PROGRAM, true),
                        set(good, "huddlewick-out", Applications.PROGRAM_CHOICE, Choice.Special.DEFAULT));
            case CUE_LOOP ->
                List.of(
                        set(good, "orrery", Productions.CUE_DEVICE, Choice.Special.DEFAULT),
                        set(good, "in-default", Productions.CUE, true));
            case RAW_AND_CLEANED -> List.of(set(good, "in-host-raw", Productions.PROGRAM, true));
            case PANEL_COPY ->
                List.of(new Change.Add(Element.of(Kind.ENTRY, "panel-house-copy")
                        .with(Common.place(Kind.ENTRY), 99.0)
                        .with(Productions.ENTRY_OF, "panel")
                        .with(Productions.BRINGS, "house-sound")
                        .with(Productions.COPY, true)
                        .with(Productions.ENTRY_DELAY, 120.0)));
            case MUSIC_ARCHIVED -> List.of(set(good, "in-music", Productions.TRACK.of(2), true));
            case CHARTS_NOT_IN_SKY -> Changes.removal(good, "sky-charts");
            case HERON_RATES -> List.of(set(good, "heron-record", Devices.RATE, 44_100.0));
            case GUESTS_HEAR_THEMSELVES -> List.of(set(good, "strip-talk", Mixers.CROSSING.of("bus-guests"), true));
            case DEFAULT_MOVED -> List.of(set(good, "desk-pc", Machines.PLAYBACK, Choice.to("mole")));
            case EFFECTS_ON_CLIPS -> List.of(set(good, "in-effects", Productions.TRACK.of(5), true));
            case MIXER_BY_HAND ->
                List.of(
                        set(good, "brookdesk", Mixers.STARTS, false),
                        new Change.Add(Element.of(Kind.STRIP, "strip-spare")
                                .with(Common.name(Kind.STRIP), "Spare")
                                .with(Common.place(Kind.STRIP), 99.0)
                                .with(Mixers.STRIP_OF, "brookdesk")
                                .with(Mixers.CROSSING.of("bus-ears"), true)));
        };
    }

    private static <T> Change set(Rig rig, String id, Setting<T> setting, T value) {
        return Objects.requireNonNull(Change.set(rig, id, setting, value), () -> id + " stands there already");
    }
}
