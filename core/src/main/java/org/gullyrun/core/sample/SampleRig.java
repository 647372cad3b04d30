package org.gullyrun.core.sample;

import static org.gullyrun.core.rig.Choice.to;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Applications.Use;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Productions.Takes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Sources.SourceClass;

/** The sample show's rig as it stands when all is well. */
final class SampleRig {
    private final List<Element> all = new ArrayList<>();
    private final int[] count = new int[Kind.values().length];

    private SampleRig() {}

    /** The rig as it is when all is well. */
    static Rig make() {
        SampleRig rig = new SampleRig();
        rig.machines();
        rig.links();
        rig.applications();
        rig.mixer();
        rig.production();
        rig.scenes();
        rig.sources();
        rig.outlets();
        return Rig.of(rig.all);
    }

    private void add(Kind kind, String id, String name, UnaryOperator<Element> settings) {
        Element element = Element.of(kind, id).with(Common.name(kind), name).with(Common.place(kind), (double)
                count[kind.ordinal()]++);
        all.add(settings.apply(element));
    }

    /** A device that one can touch, at 48 kHz. */
    private void device(String id, String name, String machine, Direction direction, double latency) {
        add(
                Kind.DEVICE,
                id,
                name,
                e -> e.with(Devices.MACHINE, machine)
                        .with(Devices.DIRECTION, direction)
                        .with(Devices.RATE, 48_000.0)
                        .with(Devices.LATENCY, latency));
    }

    /** One end of a cable in software. */
    private void virtual(String id, String name, Direction direction) {
        add(
                Kind.DEVICE,
                id,
                name,
                e -> e.with(Devices.MACHINE, "desk-pc")
                        .with(Devices.DIRECTION, direction)
                        .with(Devices.VIRTUAL, true)
                        .with(Devices.RATE, 48_000.0));
    }

    /** Both computers with all their devices. */
    private void machines() {
        add(
                Kind.MACHINE,
                "desk-pc",
                "Desk PC",
                e -> e.with(Machines.PLAYBACK, to("plover-play"))
                        .with(Machines.RECORDING, to("larch"))
                        .with(Machines.CALL_PLAYBACK, to("tern")));
        add(
                Kind.MACHINE,
                "dome-pc",
                "Dome PC",
                e -> e.with(Machines.PLAYBACK, to("dome-speaker")).with(Machines.RECORDING, to("wren")));
        device("larch", "Larch boom", "desk-pc", Direction.RECORDING, 5);
        device("tern", "Tern headset", "desk-pc", Direction.PLAYBACK, 8);
        device("tern-mic", "Tern microphone", "desk-pc", Direction.RECORDING, 8);
        device("mole", "Mole speakers", "desk-pc", Direction.PLAYBACK, 10);
        device("kestrel", "Kestrel box", "desk-pc", Direction.RECORDING, 35);
        device("desk-out", "Desk line out", "desk-pc", Direction.PLAYBACK, 6);
        device("desk-in", "Desk line in", "desk-pc", Direction.RECORDING, 6);
        virtual("heron-play", "Heron, play side", Direction.PLAYBACK);
        virtual("heron-record", "Heron, record side", Direction.RECORDING);
        virtual("plover-play", "Plover, play side", Direction.PLAYBACK);
        virtual("plover-record", "Plover, record side", Direction.RECORDING);
        virtual("brookdesk-shows", "Brookdesk Shows", Direction.PLAYBACK);
        virtual("brookdesk-music", "Brookdesk Music", Direction.PLAYBACK);
        virtual("brookdesk-guests", "Brookdesk Guests", Direction.RECORDING);
        virtual("hushgate-mic", "Hushgate microphone", Direction.RECORDING);
        device("wren", "Wren clip", "dome-pc", Direction.RECORDING, 5);
        device("dome-speaker", "Dome speaker", "dome-pc", Direction.PLAYBACK, 8);
        device("dome-video", "Dome video out", "dome-pc", Direction.PLAYBACK, 12);
        device("dome-in", "Dome line in", "dome-pc", Direction.RECORDING, 6);
        all.replaceAll(e -> e.id().startsWith("tern")
                ? e.with(Devices.BODY, "Tern headset")
                : e.id().startsWith("brookdesk-")
                        ? e.with(Devices.PROVIDED_BY, "brookdesk")
                        : e.id().equals("hushgate-mic") ? e.with(Devices.PROVIDED_BY, "hushgate") : e);
    }

    /** What joins the devices: cables, wires, the air, the cleaner. */
    private void links() {
        cable("heron", "Heron", "heron-play", "heron-record");
        cable("plover", "Plover", "plover-play", "plover-record");
        add(
                Kind.WIRE,
                "dome-video-cable",
                "Video cable",
                e -> e.with(Links.WIRE_FROM, "dome-video")
                        .with(Links.WIRE_TO, "kestrel")
                        .with(Links.WIRE_SIGNAL, Links.Signal.DIGITAL)
                        .with(Links.WIRE_CONVERTS, false));
        add(
                Kind.WIRE,
                "dome-line-cable",
                "Line cable",
                e -> e.with(Links.WIRE_FROM, "desk-out").with(Links.WIRE_TO, "dome-in"));
        add(
                Kind.COUPLING,
                "dome-air",
                "Dome air",
                e -> e.with(Links.COUPLING_FROM, "dome-speaker")
                        .with(Links.COUPLING_TO, "wren")
                        .with(Links.COUPLING_GAIN, -40.0)
                        .with(Links.COUPLING_LATENCY, 4.0));
        pass("pass-plover", "Plover to Shows", "plover-record", "brookdesk-shows");
        pass("pass-wren", "Wren to video", "wren", "dome-video");
        pass("pass-dome", "Desk to dome speaker", "dome-in", "dome-speaker");
        add(
                Kind.PROCESSOR,
                "hushgate",
                "Hushgate",
                e -> e.with(Links.PROCESSOR_FROM, Choice.to("larch"))
                        .with(Links.PROCESSOR_TO, "hushgate-mic")
                        .with(Links.PROCESSOR_MACHINE, "desk-pc")
                        .with(Links.PROCESSOR_LATENCY, 10.0)
                        .with(Links.PROCESSOR_CONVERTS, true));
    }

    /** A cable in software with its two ends. */
    private void cable(String id, String name, String from, String to) {
        add(
                Kind.CABLE,
                id,
                name,
                e -> e.with(Links.CABLE_FROM, from)
                        .with(Links.CABLE_TO, to)
                        .with(Links.CABLE_LATENCY, 7.0)
                        .with(Links.CABLE_CONVERTS, false));
    }

    private void pass(String id, String name, String from, String to) {
        add(
                Kind.PASS_THROUGH,
                id,
                name,
                e -> e.with(Links.PASS_FROM, from).with(Links.PASS_TO, to(to)).with(Links.PASS_LATENCY, 10.0));
    }

    /** A program with one output. */
    private void application(String id, String name, String machine, Use use, Choice plays) {
        add(
                Kind.APPLICATION,
                id,
                name,
                e -> e.with(Applications.MACHINE, machine).with(Applications.USE, use));
        add(
                Kind.APP_OUTPUT,
                id + "-out",
                name + " output",
                e -> e.with(Applications.OUTPUT_OF, id).with(Applications.PROGRAM_CHOICE, plays));
    }

    private void listens(String id, String device) {
        all.replaceAll(e -> e.id().equals(id) ? e.with(Applications.INPUT, to(device)) : e);
    }

    /** The programs that make or take sound. */
    private void applications() {
        Choice plainDefault = Choice.Special.DEFAULT;
        application("farcall", "Farcall", "desk-pc", Use.CALL, to("heron-play"));
        application("huddlewick", "Huddlewick", "desk-pc", Use.CHAT, to("tern"));
        application("driftbox", "Driftbox", "desk-pc", Use.MUSIC, to("brookdesk-music"));
        application("almanac", "Almanac", "desk-pc", Use.MEDIA, to("brookdesk-music"));
        application("pagewell", "Pagewell", "desk-pc", Use.BROWSER, plainDefault);
        application("chimewire", "Chimewire", "desk-pc", Use.ALERT, plainDefault);
        application("tinderbox", "Tinderbox", "desk-pc", Use.EFFECT, to("brookdesk-shows"));
        application("slewbell", "Slewbell", "dome-pc", Use.OTHER, to("dome-video"));
        listens("farcall", "brookdesk-guests");
        listens("huddlewick", "hushgate-mic");
    }

    /** The mixer: strips for all that is heard, a bus for each ear. */
    private void mixer() {
        add(
                Kind.MIXER,
                "brookdesk",
                "Brookdesk",
                e -> e.with(Mixers.MACHINE, "desk-pc")
                        .with(Mixers.RATE, 48_000.0)
                        .with(Mixers.LATENCY, 12.0));
        strip("strip-host", "Host", "hushgate-mic", "bus-guests", "bus-dome");
        strip("strip-dome", "Dome", "kestrel", "bus-ears", "bus-guests");
        strip("strip-shows", "Shows", "brookdesk-shows", "bus-ears", "bus-guests", "bus-dome");
        strip("strip-music", "Music", "brookdesk-music", "bus-ears", "bus-guests");
        strip("strip-talk", "Talk", "heron-record", "bus-ears", "bus-dome");
        bus("bus-ears", "Ears", "tern");
        bus("bus-guests", "Guests", "brookdesk-guests");
        bus("bus-dome", "Dome", "desk-out");
    }

    private void strip(String id, String name, String feed, String... buses) {
        add(Kind.STRIP, id, name, e -> {
            Element strip = e.with(Mixers.STRIP_OF, "brookdesk").with(Mixers.FEED, to(feed));
            for (String bus : buses) {
                strip = strip.with(Mixers.CROSSING.of(bus), true);
            }
            return strip;
        });
    }

    private void bus(String id, String name, String target) {
        add(Kind.BUS, id, name, e -> e.with(Mixers.BUS_OF, "brookdesk").with(Mixers.TARGET, to(target)));
    }

    /** The production with its tracks, inputs, groups and outputs. */
    private void production() {
        add(Kind.PRODUCTION, "orrery", "Orrery", e -> {
            Element orrery = e.with(Productions.MACHINE, "desk-pc")
                    .with(Productions.RATE, 48_000.0)
                    .with(Productions.CUE_DEVICE, to("tern"))
                    .with(Productions.CAPTURE_LATENCY, 5.0)
                    .with(Productions.CUE_LATENCY, 20.0)
                    .with(Productions.TRACKS, 6)
                    .with(Productions.CURRENT_SCENE, "doors");
            String[] names = {"live", "archive", "host", "guests", "clips", "music"};
            for (int n = 1; n <= names.length; n++) {
                orrery = orrery.with(Productions.TRACK_NAME.of(n), names[n - 1]);
            }
            return orrery;
        });
        input("in-host", "Host clean", Takes.RECORDING, "hushgate-mic", true, 1, 2, 3);
        input("in-host-raw", "Host raw", Takes.RECORDING, "larch", true, 1, 2, 3);
        input("in-dome", "Dome", Takes.RECORDING, "kestrel", true, 1, 2);
        input("in-guests", "Guests", Takes.APPLICATION, "farcall", true, 1, 2, 4);
        input("in-music", "Music", Takes.APPLICATION, "driftbox", false, 1, 6);
        input("in-charts", "Charts", Takes.APPLICATION, "almanac", false, 1, 2, 5);
        input("in-clips", "Clips", Takes.APPLICATION, "pagewell", true, 1, 2, 5);
        input("in-chimes", "Chimes", Takes.APPLICATION, "chimewire", true, 1, 2);
        input("in-effects", "Effects", Takes.APPLICATION, "tinderbox", false, 1, 2);
        input("in-default", "All of default", Takes.PLAYBACK, "", true, 1, 2);
        input("in-film", "Opening film", Takes.OWN, "", false, 1, 2);
        all.replaceAll(e -> switch (e.id()) {
            case "in-host-raw" -> e.with(Productions.PROGRAM, false);
            case "in-default" -> e.with(Productions.PROGRAM, false).with(Productions.INPUT_DELAY, 12.0);
            case "in-film" -> e.with(Productions.CUE, true);
            default -> e;
        });
        add(
                Kind.GROUP,
                "house-sound",
                "House sound",
                e -> e.with(Productions.GROUP_OF, "orrery")
                        .with(Productions.MEMBER.of("in-music"), true)
                        .with(Productions.MEMBER.of("in-effects"), true));
        output("out-live", "Live stream", Productions.Purpose.LIVE, 1);
        output("out-archive", "Service archive", Productions.Purpose.ARCHIVE, 2);
        output("out-relay", "Partner stream", Productions.Purpose.RELAY, 2);
        output("out-recording", "Show recording", Productions.Purpose.RECORDING, 1, 2, 3, 4, 5, 6);
    }

    /** An input, with what it takes and the tracks it goes to. */
    private void input(String id, String name, Takes takes, String from, boolean always, int... tracks) {
        add(Kind.INPUT, id, name, e -> {
            Element input = e.with(Productions.INPUT_OF, "orrery")
                    .with(Productions.TAKES, takes)
                    .with(Productions.ALWAYS, always);
            if (takes == Takes.APPLICATION) {
                input = input.with(Productions.APPLICATION, from);
            } else if (!from.isEmpty()) {
                input = input.with(Productions.DEVICE, to(from));
            }
            for (int n : tracks) {
                input = input.with(Productions.TRACK.of(n), true);
            }
            return input;
        });
    }

    private void output(String id, String name, Productions.Purpose purpose, int... tracks) {
        add(Kind.OUTPUT, id, name, e -> {
            Element output = e.with(Productions.OUTPUT_OF, "orrery").with(Productions.PURPOSE, purpose);
            for (int n : tracks) {
                output = output.with(Productions.TAKES_TRACK.of(n), true);
            }
            return output;
        });
    }

    private void scenes() {
        for (String scene : List.of("Doors", "Sky", "Panel", "Break")) {
            String id = scene.toLowerCase(java.util.Locale.ROOT);
            add(Kind.SCENE, id, scene, e -> e.with(Productions.SCENE_OF, "orrery"));
            entry(id + "-charts", id, "in-charts", 0);
            entry(id + "-house", id, "house-sound", scene.equals("Panel") ? -6 : 0);
        }
        entry("doors-film", "doors", "in-film", 0);
    }

    private void entry(String id, String scene, String brings, double level) {
        add(
                Kind.ENTRY,
                id,
                "",
                e -> e.with(Productions.ENTRY_OF, scene)
                        .with(Productions.BRINGS, brings)
                        .with(Productions.ENTRY_LEVEL, level));
    }

    private void source(String id, String name, SourceClass sourceClass, double level, String at) {
        add(
                Kind.SOURCE,
                id,
                name,
                e -> e.with(Sources.CLASS, sourceClass)
                        .with(Sources.LEVEL, level)
                        .with(Sources.AT, at));
    }

    private void sources() {
        source("host", "Host", SourceClass.VOICE, -20, "larch");
        source("dome", "Dome", SourceClass.VOICE, -20, "wren");
        source("guests", "Guests", SourceClass.GUEST, -21, "farcall");
        source("crew", "Crew", SourceClass.CHAT, -22, "huddlewick");
        source("music", "Music", SourceClass.MUSIC, -36, "driftbox");
        source("charts", "Star charts", SourceClass.MEDIA, -32, "almanac");
        source("clips", "Clips", SourceClass.MEDIA, -32, "pagewell");
        source("chimes", "Chimes", SourceClass.ALERT, -30, "chimewire");
        source("effects", "Effects", SourceClass.EFFECT, -30, "tinderbox");
        source("tracking", "Tracking", SourceClass.SYSTEM, -38, "slewbell");
        source("film", "Opening film", SourceClass.MEDIA, -32, "in-film");
        all.replaceAll(e -> switch (e.id()) {
            case "crew" -> e.with(Sources.PRIVATE, true);
            case "music" -> e.with(Sources.LICENSED, true);
            case "host" -> e.with(Sources.PERSON, "Host");
            case "dome" -> e.with(Sources.PERSON, "Dome");
            default -> e;
        });
    }

    private void outlet(String id, String name, Outlets.Sort sort, UnaryOperator<Element> settings) {
        add(Kind.OUTLET, id, name, e -> settings.apply(e.with(Outlets.SORT, sort)));
    }

    private void outlets() {
        outlet(
                "host-ears",
                "Host's ears",
                Outlets.Sort.EARS,
                e -> e.with(Outlets.DEVICE, to("tern")).with(Outlets.PERSON, "Host"));
        outlet(
                "dome-ears",
                "Dome ears",
                Outlets.Sort.EARS,
                e -> e.with(Outlets.DEVICE, to("dome-speaker")).with(Outlets.PERSON, "Dome"));
        outlet("call", "Guests", Outlets.Sort.FAR_END, e -> e.with(Outlets.APPLICATION, "farcall"));
        outlet("crew-call", "Crew", Outlets.Sort.FAR_END, e -> e.with(Outlets.APPLICATION, "huddlewick"));
        outlet("live", "Live", Outlets.Sort.LIVE, e -> e.with(Outlets.OUTPUT, "out-live"));
        outlet("archive", "Archive", Outlets.Sort.ARCHIVE, e -> e.with(Outlets.OUTPUT, "out-archive"));
        outlet("relay", "Partner relay", Outlets.Sort.RELAY, e -> e.with(Outlets.OUTPUT, "out-relay"));
        track("track-host", "Host track", 3);
        track("track-guests", "Guests track", 4);
        track("track-clips", "Clips track", 5);
        track("track-music", "Music track", 6);
    }

    private void track(String id, String name, int number) {
        outlet(
                id,
                name,
                Outlets.Sort.TRACK,
                e -> e.with(Outlets.OUTPUT, "out-recording").with(Outlets.TRACK, number));
    }
}
