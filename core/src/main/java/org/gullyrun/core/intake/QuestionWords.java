package org.gullyrun.core.intake;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.ValueType;

/**
 * How a technician asks the creator for a setting. Most settings have a question of their own; of the others a figure is
 * asked for as "the latency of Heron", and what is true or not with "is".
 *
 * <p>In a question, {@code {thing}} is what is asked about with its program, as "strip Music of Brookdesk"; the verbs in
 * braces agree with it.
 */
final class QuestionWords {
    private record Words(String question, String why) {}

    private record Key(Kind kind, String setting) {}

    private static final String OWN_SETTINGS = "in its own settings";
    private static final String SYSTEM_SOUND = "in the system's sound settings";
    private static final String AUDIO_SETTINGS = "in its audio settings";

    /** What may be named in the plural, as "Guests" and "Mole speakers"; of others the name doesn't tell. */
    private static final Set<Kind> NAMED_IN_PLURAL = Set.of(Kind.SOURCE, Kind.OUTLET, Kind.DEVICE);

    private static final Map<Key, Words> WORDS = new HashMap<>();

    static {
        everywhere();
        computersAndDevices();
        links();
        programs();
        mixers();
        productions();
        sources();
        listeners();
    }

    private QuestionWords() {}

    private static void ask(Setting<?> setting, String question, String why) {
        WORDS.put(new Key(setting.kind(), setting.familyKey()), new Words(question, why));
    }

    private static void ask(Setting<?> setting, String question) {
        ask(setting, question, "");
    }

    /** What things of several kinds have. */
    private static void everywhere() {
        for (Kind kind : Kind.values()) {
            ask(Common.name(kind), "What {is} {thing} called?");
            ask(Common.note(kind), "What should be noted about {thing}?");
            ask(Common.fixed(kind), "What can't be changed about {thing}?");
            for (Setting<?> setting : Catalogue.of(kind)) {
                switch (setting.key()) {
                    case "machine" -> ask(setting, "Which computer {is} {thing} on?");
                    case "rate" -> ask(setting, "What sample rate {is} {thing} set to?", AUDIO_SETTINGS);
                    case "startsWithMachine" ->
                        ask(setting, "{Does} {thing} start with the computer?", "this only matters after a restart");
                    case "restarts" -> ask(setting, "{Does} {thing} have to be restarted after a change?");
                    case "converts" -> ask(setting, "{Does} {thing} resample?");
                    case "mixer", "production", "scene" ->
                        ask(setting, "Which " + setting.key() + " {does} {thing} belong to?");
                    default -> {}
                }
            }
        }
    }

    private static void computersAndDevices() {
        for (Setting<Choice> role : Questions.DEFAULTS) {
            ask(role, "Which device is the " + role.label() + " of {thing}?", SYSTEM_SOUND);
            ask(
                    Machines.orderOf(role),
                    "Which devices come next if the " + role.label() + " of {thing} can't be used?",
                    SYSTEM_SOUND);
        }
        ask(Machines.SYSTEM_CHOICE, "What does a system setting for a program do on {thing}?");
        ask(Devices.DIRECTION, "Do programs play to {thing} or record from it?");
        ask(Devices.RATE, "What sample rate {is} {thing} set to?", "in the device's advanced settings");
        ask(Devices.BITS, "What bit depth {is} {thing} set to?", "in the device's advanced settings");
        ask(Devices.CHANNELS, "How many channels {does} {thing} have?");
        ask(Devices.VIRTUAL, "{Is} {thing} virtual, made by software?");
        ask(
                Devices.LATENCY,
                "What is the latency of {thing}?",
                "in its driver's settings; it only matters for doubles and echoes");
        ask(Devices.PATH_NOTE, "What should be noted about the driver of {thing}?");
        ask(Devices.PRESENT, "{Is} {thing} plugged in and switched on?");
        ask(Devices.ENABLED, "{Is} {thing} enabled?", "in the system's list of devices");
        ask(Devices.PERMITTED, "May programs use {thing}?", "in the privacy settings");
        ask(Devices.CLOCK, "Which clock {does} {thing} run on?");
        ask(Devices.CLOCK_ERROR, "How much too fast is the clock of {thing}?", "in parts per million");
        ask(Devices.BODY, "What {is} {thing} part of?", "a headset, say");
        ask(Devices.LINK, "{Is} {thing} wired or wireless?");
        ask(Devices.CALL_RATE, "What sample rate {does} {thing} fall to while the microphone is in use?");
        ask(Devices.PROVIDED_BY, "Which mixer or processor provides {thing}?");
    }

    private static void links() {
        ask(Links.CABLE_FROM, "Which device is the play side of {thing}?", "what programs play to");
        ask(Links.CABLE_TO, "Which device is the record side of {thing}?", "what programs record from");
        ask(Links.WIRE_FROM, "Where {does} {thing} start?");
        ask(Links.WIRE_TO, "Where {does} {thing} end?");
        ask(Links.WIRE_SIGNAL, "{Is} {thing} analogue or digital?");
        ask(Links.COUPLING_FROM, "Which loudspeaker is heard in {thing}?");
        ask(Links.COUPLING_TO, "Which microphone picks up the sound of {thing}?");
        ask(Links.COUPLING_DISTANCE, "How far is the loudspeaker of {thing} from the microphone?");
        ask(Links.PASS_FROM, "Which device {does} {thing} pass on?");
        ask(Links.PASS_TO, "Which device {does} {thing} play on?");
        ask(Links.PASS_DIRECT, "{Does} {thing} work in the hardware itself?");
        ask(Links.PROCESSOR_FROM, "Which microphone {does} {thing} take?", OWN_SETTINGS);
        ask(Links.PROCESSOR_TO, "Which device {does} {thing} put its result on?");
    }

    private static void programs() {
        ask(Applications.USE, "What kind of program {is} {thing}?", "for a call, music, a game …");
        ask(Applications.SOUNDING, "{Is} {thing} playing something just now?");
        ask(Applications.INPUT, "Which microphone {does} {thing} use?", OWN_SETTINGS);
        ask(Applications.INPUT_SYSTEM, "Which microphone is set for {thing} in the system settings?");
        ask(Applications.INPUT_LEVEL, "What is the input level of {thing}?", OWN_SETTINGS);
        ask(Applications.INPUT_MUTED, "Is the microphone muted in {thing}?");
        ask(Applications.MAY_LISTEN, "May {thing} use microphones?", "in the privacy settings");
        ask(Applications.PASSES_ON, "{Does} {thing} pass its input on?");
        ask(Applications.PASS_GAIN, "How much louder {does} {thing} make what it passes on?", "in dB");
        ask(Applications.PASS_LATENCY, "How much later does what {thing} passes on come out?");
        ask(Applications.VOICE_ONLY, "{Does} {thing} carry voices only?", OWN_SETTINGS);
        ask(Applications.CANCELS_ECHO, "{Does} {thing} cancel echo?", OWN_SETTINGS);
        ask(Applications.WHEN_GONE, "What {does} {thing} do when its device is gone?");
        ask(
                Applications.PASSES_GUESTS,
                "Do the people in {thing} hear each other through it?",
                "most services do that");
        ask(Applications.HAS_OUTPUT_CHOICE, "{Does} {thing} let you choose its output?", OWN_SETTINGS);
        ask(Applications.HAS_INPUT_CHOICE, "{Does} {thing} let you choose its microphone?", OWN_SETTINGS);
        ask(Applications.OUTPUT_OF, "Which program {does} {thing} belong to?");
        ask(
                Applications.PROGRAM_CHOICE,
                "Which device {does} {player} play to?",
                "its own settings, or the system's list of programs");
        ask(Applications.SYSTEM_CHOICE, "Which output is set for {player} in the system settings?");
    }

    private static void mixers() {
        ask(Mixers.HARDWARE, "{Is} {thing} a piece of hardware?");
        ask(Mixers.FEED, "What {does} {thing} take?");
        ask(Mixers.TARGET, "Where {does} {thing} go?");
        ask(Mixers.STRIP_PATH, "Which driver path {does} {thing} use?");
        ask(Mixers.BUS_PATH, "Which driver path {does} {thing} use?");
    }

    private static void productions() {
        ask(Productions.TRACKS, "How many tracks {does} {thing} have?");
        ask(Productions.TRACK_NAME, "What is track {sub} for?", "live, archive, or who is recorded on it");
        ask(Productions.CURRENT_SCENE, "Which scene {is} {thing} in?");
        ask(Productions.CUE_DEVICE, "Which device {does} {thing} play its cue on?", AUDIO_SETTINGS);
        ask(Productions.CUE_PROGRAM, "Which track {does} {thing} play on its cue?", AUDIO_SETTINGS);
        ask(Productions.CAPTURE_LATENCY, "How long {does} {thing} hold back what it captures?", AUDIO_SETTINGS);
        ask(Productions.CUE_LATENCY, "How long {does} {thing} hold back its cue?", AUDIO_SETTINGS);
        ask(Productions.CAPTURES_PROGRAMS, "Can {thing} capture a program by itself?", "when an input is added");
        ask(Productions.TAKES, "What {does} {thing} pick up?", "a device, or one program");
        ask(Productions.DEVICE, "Which device {does} {thing} take?");
        ask(Productions.APPLICATION, "Which program {does} {thing} take?");
        ask(Productions.ALSO, "{Does} {thing} take {sub} too?");
        ask(Productions.RECOGNISED, "How {does} {thing} recognise its program?");
        ask(Productions.PLAYS_ALOUD, "{Does} {thing} play to the default device?");
        ask(Productions.MEMBER, "{Does} {thing} hold input {sub}?");
        ask(Productions.BRINGS, "What {does} {thing} bring in?");
        ask(Productions.PURPOSE, "What {is} {thing} for?", "live, archive, recording, relay");
        ask(Productions.TAKES_TRACK, "{Does} {thing} take track {sub}?");
    }

    private static void sources() {
        ask(Sources.CLASS, "What kind of sound {is} {thing}?", "a voice, guests, music, alerts …");
        ask(Sources.LEVEL, "How loud {is} {thing} as a rule?", "where it starts, in dBFS");
        ask(Sources.AT, "Where {does} {thing} start?", "a program, or a microphone");
        ask(Sources.PRIVATE, "{Is} {thing} private?", "never for the public");
        ask(Sources.LICENSED, "{Is} {thing} licensed for live only?");
        ask(Sources.PERSON, "Whose voice is heard in {thing}?");
        ask(Sources.TOGETHER, "What {does} {thing} have to arrive together with?");
        ask(Sources.PICTURE_DELAY, "How late is the picture of {thing}?");
        ask(Sources.RESTS, "Can {thing} be left out in scene {sub}?");
        ask(Sources.SILENT, "Must the public not hear {thing} in scene {sub}?");
        ask(Sources.KEEPS_TIME, "What {does} {thing} play or sing to?");
        ask(Sources.HEARD_AT, "On whose headphones {does} {thing} hear that?");
    }

    private static void listeners() {
        ask(Outlets.SORT, "What kind of listener {is} {thing}?", "somebody's ears, the live audience, a call …");
        ask(
                Outlets.DEVICE,
                "Which device carries the sound for {thing}?",
                "the headset or speakers that are worn or heard");
        ask(Outlets.MACHINE, "Which computer's default {does} {thing} use?");
        ask(Outlets.PERSON, "Who listens at {thing}?");
        ask(Outlets.PERSONS, "Who listens at {thing}?");
        ask(Outlets.OUTPUT, "Which output {does} {thing} hear?", "of the production");
        ask(Outlets.OTHERWISE, "What {does} {thing} get while the output is off?", "in the settings of the service");
        ask(Outlets.TRACK, "Which track {does} {thing} hear?");
        ask(Outlets.APPLICATION, "Which call program {does} {thing} hear you through?");
        ask(Outlets.STANDS_IN, "Which listener {does} {thing} stand in for?");
        ask(Outlets.NOTHING_ELSE, "Must {thing} get only what the brief asks for?");
    }

    /** The question for a setting of an element. */
    static Question of(Rig rig, Element element, Setting<?> setting) {
        Address at = new Address(element.id(), setting.key());
        Words words = WORDS.get(new Key(element.kind(), setting.familyKey()));
        Element program = rig.program(element);
        String thing = thing(rig, element, program);
        boolean several = NAMED_IN_PLURAL.contains(element.kind())
                && Sentences.verb(thing, "s", "").isEmpty();
        if (words != null) {
            Map<String, String> names = new HashMap<>();
            names.put("thing", thing);
            names.put("player", rig.in(program.id(), Kind.APP_OUTPUT).size() < 2 ? program.name() : thing);
            names.put(
                    "sub",
                    setting.familyKey().equals(Productions.TRACK_NAME.key())
                            ? Sentences.trackName(rig, element, setting.sub())
                            : Sentences.sub(rig, element, setting));
            names.put("is", several ? "are" : "is");
            names.put("Is", several ? "Are" : "Is");
            names.put("does", several ? "do" : "does");
            names.put("Does", several ? "Do" : "Does");
            return new Question(at, Sentences.fill(words.question, names), words.why);
        }
        String label = Sentences.label(rig, element, setting);
        String wording = setting.type() instanceof ValueType.Flag
                ? (several ? "Are " : "Is ") + thing + " " + label + "?"
                : "What is the " + label.toLowerCase(Locale.ROOT) + " of " + thing + "?";
        return new Question(at, wording, "");
    }

    /** What is asked about, with the program it belongs to. */
    private static String thing(Rig rig, Element element, Element program) {
        if (program == element) {
            return element.name();
        }
        String noun = Sentences.noun(rig, element);
        boolean said = element.kind() == Kind.ENTRY || element.name().startsWith(program.name() + " ");
        return said ? noun : noun + " of " + program.name();
    }
}
