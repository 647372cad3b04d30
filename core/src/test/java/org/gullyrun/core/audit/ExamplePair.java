package org.gullyrun.core.audit;

import static org.gullyrun.core.rig.Choice.to;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.sample.SampleShow;

/**
 * For each rule changes to the sample show with which it finds something, and where it does so anyway, changes without.
 *
 * @param found the identity of the finding
 * @param with the changes to known good with which it is there
 * @param without the changes to known good with which it is not there
 * @param brief the brief it is held against
 */
public record ExamplePair(String found, List<Change> with, List<Change> without, Brief brief) {
    private static final Case CASE = SampleShow.make();
    /** The sample show, known good. */
    public static final Rig GOOD =
            CASE.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();

    private static final Brief BRIEF = CASE.brief();

    private String rule() {
        return found.substring(0, found.indexOf(':'));
    }

    /** All pairs, by rule. */
    public static Map<String, ExamplePair> all() {
        return new Pairs().all;
    }

    private static final class Pairs {
        private final Map<String, ExamplePair> all = new LinkedHashMap<>();

        private Pairs() {
            add(
                    "loop.electric:orrery",
                    set("orrery", Productions.CUE_DEVICE, Choice.Special.DEFAULT),
                    on("in-default", Productions.CUE));
            add(
                    "loop.air:dome-air+pass-again",
                    set("dome-air", Links.COUPLING_GAIN, -15.0),
                    new Change.Add(Element.of(Kind.PASS_THROUGH, "pass-again")
                            .with(Common.name(Kind.PASS_THROUGH), "Wren to dome speaker")
                            .with(Links.PASS_FROM, "wren")
                            .with(Links.PASS_TO, to("dome-speaker"))));
            add("loop.far-end:guests>call", on("strip-talk", Mixers.CROSSING.of("bus-guests")));
            without("loop.far-end:guests>call", off("strip-talk", Mixers.CROSSING.of("bus-dome")));
            add(
                    "scene.self:doors",
                    new Change.Add(Element.of(Kind.ENTRY, "doors-again")
                            .with(Productions.ENTRY_OF, "doors")
                            .with(Productions.BRINGS, "doors")));
            add("leak:music>archive", on("in-music", Productions.TRACK.of(2)));
            add("engine.down:brookdesk", off("brookdesk", Mixers.RUNNING));
            add("output.idle:out-live", off("out-live", Productions.ACTIVE));
            add("device.gone:larch", off("larch", Devices.PERMITTED));
            add("device.fallback:tern", off("tern", Devices.PRESENT));
            add("missing:guests>host-ears", off("strip-talk", Mixers.CROSSING.of("bus-ears")));
            addAll("scene.gap:charts>live", Changes.removal(GOOD, "sky-charts"));
            add("double:host>live", on("in-host-raw", Productions.PROGRAM));
            add(
                    "double.faint:host>live",
                    on("in-host-raw", Productions.PROGRAM),
                    set("in-host-raw", Productions.INPUT_LEVEL, -25.0));
            add("track.mixed:effects>track-clips", on("in-effects", Productions.TRACK.of(5)));
            add("track.empty:out-recording", on("out-recording", Productions.TAKES_TRACK.of(7)));
            add("rate.cable:heron", set("heron-record", Devices.RATE, 44_100.0));
            add("rate.engine:brookdesk", set("brookdesk", Mixers.RATE, 44_100.0));
            add(
                    "rate.drift:dome-video+kestrel",
                    set("dome-video", Devices.CLOCK_ERROR, -20.0),
                    set("kestrel", Devices.CLOCK_ERROR, 30.0));
            without("rate.drift:dome-video+kestrel", on("dome-video-cable", Links.WIRE_CONVERTS));
            add(
                    "rate.many:host>call",
                    set("hushgate-mic", Devices.RATE, 44_100.0),
                    set("brookdesk-guests", Devices.RATE, 44_100.0));
            add(
                    "device.call-profile:tern-mic",
                    set("tern", Devices.LINK, Devices.Link.WIRELESS),
                    set("tern", Devices.CALL_RATE, 16_000.0),
                    set("huddlewick", Applications.INPUT, to("tern-mic")));
            add("call.voice-only:music>call", on("farcall", Applications.VOICE_ONLY));
            add("late.self:host>host-ears", on("strip-host", Mixers.CROSSING.of("bus-ears")));
            add(
                    "late.apart:host>live",
                    set("host", Sources.TOGETHER, "conversation"),
                    set("dome", Sources.TOGETHER, "conversation"));
            add("level.clip:live", set("in-host", Productions.INPUT_LEVEL, 20.0));
            add("level.balance:live", set("in-music", Productions.INPUT_LEVEL, 15.0));
            Brief window = new Brief(
                    BRIEF.cells(),
                    Map.of(new Brief.Cell("music", "live", ""), new Brief.Window(-44.0, -34.0)),
                    BRIEF.voiceOverMusic());
            all.put(
                    "level.window",
                    new ExamplePair(
                            "level.window:music>live",
                            List.of(set("in-music", Productions.INPUT_LEVEL, 6.0)),
                            List.of(),
                            window));
            add("engine.manual:brookdesk", off("brookdesk", Mixers.STARTS));
            add("default.fragile:desk-pc+playback");
            without(
                    "default.fragile:desk-pc+playback",
                    set("pagewell-out", Applications.PROGRAM_CHOICE, to("plover-play")),
                    set("chimewire-out", Applications.PROGRAM_CHOICE, to("plover-play")),
                    set("in-default", Productions.DEVICE, to("plover-play")));
            add("capture.title:in-clips", set("in-clips", Productions.RECOGNISED, Productions.Recognised.TITLE));
            add("capture.silent:driftbox", off("driftbox", Applications.SOUNDING));
            add("hangs.on:hushgate");
            without(
                    "hangs.on:hushgate",
                    set("in-host", Productions.DEVICE, to("larch")),
                    set("strip-host", Mixers.FEED, to("larch")));
            add(
                    "stray:idler",
                    new Change.Add(Element.of(Kind.APPLICATION, "idler")
                            .with(Common.name(Kind.APPLICATION), "Idler")
                            .with(Applications.MACHINE, "desk-pc")),
                    new Change.Add(Element.of(Kind.APP_OUTPUT, "idler-out")
                            .with(Applications.OUTPUT_OF, "idler")
                            .with(Applications.PROGRAM_CHOICE, to("mole"))),
                    new Change.Add(Element.of(Kind.SOURCE, "hum")
                            .with(Common.name(Kind.SOURCE), "Hum")
                            .with(Sources.CLASS, Sources.SourceClass.SYSTEM)
                            .with(Sources.AT, "idler")));
            add(
                    "capture.idle:strip-spare",
                    new Change.Add(Element.of(Kind.STRIP, "strip-spare")
                            .with(Common.name(Kind.STRIP), "Spare")
                            .with(Mixers.STRIP_OF, "brookdesk")));
            add("choice.elsewhere:slewbell", set("slewbell", Applications.INPUT, to("larch")));
            add("choice.idle:driftbox-out", set("driftbox-out", Applications.SYSTEM_CHOICE, to("mole")));
            add("names.twin:bus-dome+bus-guests", set("bus-dome", Common.name(Kind.BUS), "Guests"));
        }

        private void add(String found, Change... with) {
            addAll(found, List.of(with));
        }

        private void addAll(String found, List<Change> with) {
            ExamplePair example = new ExamplePair(found, with, List.of(), BRIEF);
            all.put(example.rule(), example);
        }

        private void without(String found, Change... without) {
            ExamplePair before = Objects.requireNonNull(all.get(found.substring(0, found.indexOf(':'))));
            List<Change> real = new ArrayList<>(List.of(without));
            all.put(before.rule(), new ExamplePair(found, before.with, real, before.brief));
        }

        private static Change on(String id, Setting<Boolean> flag) {
            return set(id, flag, true);
        }

        private static Change off(String id, Setting<Boolean> flag) {
            return set(id, flag, false);
        }

        private static <T> Change set(String id, Setting<T> setting, T value) {
            return Objects.requireNonNull(
                    Change.set(GOOD, id, setting, value), () -> id + " stands there already: " + setting);
        }
    }
}
