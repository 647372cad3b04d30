package org.gullyrun.core.intake;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.SortedSet;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.DefaultFollowers;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Choice;
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
import org.gullyrun.core.rig.Unknown;
import org.gullyrun.core.rig.ValueType;
import org.jspecify.annotations.Nullable;

/**
 * The questions still open in a rig: every setting entered as <em>not yet known</em>, and those without which an element
 * leads nowhere or an answer would be a guess.
 */
public final class Questions {
    private record Words(String question, String why) {}

    /** For settings that have to be known: asked even where nothing was entered. */
    private static final Map<Setting<?>, Words> NEEDED = Map.ofEntries(
            Map.entry(Sources.CLASS, new Words("What kind of sound is {name}?", "a voice, guests, music, alerts …")),
            Map.entry(Sources.AT, new Words("Where does {name} start?", "a program, or a microphone")),
            Map.entry(Devices.DIRECTION, new Words("Do programs play to {name} or record from it?", "")),
            Map.entry(
                    Devices.RATE, new Words("What sample rate is {name} set to?", "in the device's advanced settings")),
            Map.entry(Outlets.SORT, new Words("Who is {name}?", "somebody's ears, the live audience, a call …")),
            Map.entry(Links.CABLE_FROM, new Words("Which device do programs play to for {name}?", "")),
            Map.entry(Links.CABLE_TO, new Words("Which device does the sound from {name} come out of?", "")),
            Map.entry(Links.WIRE_FROM, new Words("Where does {name} start?", "")),
            Map.entry(Links.WIRE_TO, new Words("Where does {name} end?", "")),
            Map.entry(Links.PROCESSOR_FROM, new Words("Which microphone does {name} take?", "in its own settings")),
            Map.entry(Links.PROCESSOR_TO, new Words("Which device does {name} put its result on?", "")),
            Map.entry(Productions.TAKES, new Words("What does input {name} pick up?", "a device, or one program")),
            Map.entry(Productions.PURPOSE, new Words("What is output {name} for?", "live, archive, recording, relay")));

    /** Asked last: they decide what time and pitch are told, not where sound goes. */
    private static final Set<Setting<?>> LAST = Set.of(
            Devices.LATENCY,
            Links.COUPLING_LATENCY,
            Links.CABLE_CONVERTS,
            Links.WIRE_CONVERTS,
            Links.PROCESSOR_CONVERTS);

    /** Better words for settings that are asked only where somebody entered that they are not yet known. */
    private static final Map<Setting<?>, Words> ASKED = Map.ofEntries(
            Map.entry(
                    Applications.PROGRAM_CHOICE,
                    new Words("Which output does {owner} use?", "its own settings, or the system's list of programs")),
            Map.entry(Applications.INPUT, new Words("Which microphone does {name} use?", "in its own settings")),
            Map.entry(
                    Mixers.STARTS,
                    new Words("Does {name} start with the computer?", "this only matters after a restart")),
            Map.entry(Productions.RECOGNISED, new Words("How does input {name} recognise its program?", "")),
            Map.entry(Machines.SYSTEM_CHOICE, new Words("What does a system setting for a program do on {name}?", "")),
            Map.entry(Mixers.RUNNING, new Words("Is {name} running?", "")),
            Map.entry(Mixers.TARGET, new Words("Where does bus {name} of {owner} go?", "")),
            Map.entry(Mixers.FEED, new Words("What feeds strip {name} of {owner}?", "")),
            Map.entry(
                    Devices.LATENCY,
                    new Words(
                            "What is the latency of {name}?",
                            "in its driver's settings; it only matters for doubles and echoes")),
            Map.entry(Devices.PRESENT, new Words("Is {name} plugged in and switched on?", "")),
            Map.entry(Devices.ENABLED, new Words("Is {name} enabled?", "in the system's list of devices")),
            Map.entry(Devices.PERMITTED, new Words("May programs use {name}?", "in the privacy settings")),
            Map.entry(Productions.CUE_DEVICE, new Words("Which device does {name} play its cue on?", "")),
            Map.entry(
                    Productions.CAPTURE_LATENCY,
                    new Words("How long does {name} hold back what it captures?", "in its audio settings")),
            Map.entry(
                    Productions.CUE_LATENCY,
                    new Words("How long does {name} hold back its cue?", "in its audio settings")),
            Map.entry(
                    Applications.PASSES_GUESTS,
                    new Words("Do the people in {name} hear each other through it?", "most services do that")),
            Map.entry(
                    Applications.HAS_OUTPUT_CHOICE,
                    new Words("Does {name} let you choose its output?", "in its own settings")),
            Map.entry(
                    Applications.HAS_INPUT_CHOICE,
                    new Words("Does {name} let you choose its microphone?", "in its own settings")),
            Map.entry(
                    Productions.CAPTURES_PROGRAMS,
                    new Words("Can {name} capture a program by itself?", "when an input is added")),
            Map.entry(Devices.PROVIDED_BY, new Words("Which program provides {name}?", "")),
            Map.entry(
                    Outlets.OTHERWISE,
                    new Words("What does {name} get while its output is off?", "in the settings of the service")),
            Map.entry(Sources.HEARD_AT, new Words("Whose headphones does {name} play to?", "")));

    private static final Map<String, String> VERBS = Map.of(
            "passes",
            "pass",
            "carries",
            "carry",
            "cancels",
            "cancel",
            "resamples",
            "resample",
            "plays",
            "play",
            "starts",
            "start",
            "takes",
            "take",
            "holds",
            "hold");

    private static final List<Setting<Choice>> DEFAULTS =
            List.of(Machines.PLAYBACK, Machines.RECORDING, Machines.CALL_PLAYBACK, Machines.CALL_RECORDING);

    private Questions() {}

    /** Whether it can matter to what is heard that a setting isn't known: only then is it asked for and shown as unknown. */
    static boolean matters(Rig rig, Element element, Setting<?> setting) {
        if (setting.equals(Devices.LATENCY)) {
            return !element.is(Devices.VIRTUAL, false);
        }
        if (setting.equals(Links.COUPLING_LATENCY)) {
            return element.get(Links.COUPLING_DISTANCE) == null;
        }
        if (setting.equals(Links.WIRE_CONVERTS) && element.get(Links.WIRE_SIGNAL) != Links.Signal.DIGITAL) {
            return false;
        }
        Capabilities.Ends ends = Capabilities.ends(element.kind());
        if (ends != null && setting.key().equals(Links.CABLE_CONVERTS.key())) {
            Double from = rate(rig, element.raw(ends.from()));
            return from == null || !from.equals(rate(rig, element.raw(ends.to())));
        }
        return !setting.equals(Capabilities.machine(element.kind()))
                || rig.of(Kind.MACHINE).size() > 1;
    }

    /** The sample rate of the device at an end, or null. */
    private static @Nullable Double rate(Rig rig, @Nullable Object end) {
        String id = end instanceof Choice choice ? choice.id() : String.valueOf(end);
        return end != null
                ? rig.find(id, Kind.DEVICE).map(d -> d.get(Devices.RATE)).orElse(null)
                : null;
    }

    /** Whether a setting of an element has to be asked for: it was never entered, or entered as not yet known. */
    static boolean isOpen(Element element, String key) {
        Setting<?> setting = Catalogue.find(element.kind(), key);
        return setting != null
                && !setting.isFamily()
                && (element.isUnknown(setting) || element.raw(setting) == Choice.Special.UNSET);
    }

    /** Whether a setting decides where sound goes, rather than how loud or how late it arrives. */
    static boolean leads(Rig rig, Address at) {
        Setting<?> setting = Catalogue.find(rig.get(at.element()).kind(), at.key());
        return setting != null && !(setting.type() instanceof ValueType.Number);
    }

    /** Whether a setting of a computer is one of its defaults. */
    static boolean isDefault(String key) {
        return DEFAULTS.stream().anyMatch(d -> d.key().equals(key));
    }

    /** The question about one setting, whether it would be asked anyway or not. */
    static Question about(Rig rig, Address at) {
        Element element = rig.get(at.element());
        Setting<?> setting = Objects.requireNonNull(Catalogue.find(element.kind(), at.key()), at.toString());
        Words needed = NEEDED.get(setting);
        return question(rig, element, setting, needed != null ? needed : ASKED.get(setting));
    }

    /** All that is open in a rig, in the order of the call. */
    public static List<Question> of(Rig rig) {
        Map<Address, Question> all = new LinkedHashMap<>(); // nothing is asked twice
        rig.of(Kind.MACHINE).forEach(machine -> defaults(rig, machine, all));
        for (Kind kind : List.of(
                Kind.SOURCE,
                Kind.OUTLET,
                Kind.DEVICE,
                Kind.CABLE,
                Kind.WIRE,
                Kind.COUPLING,
                Kind.PASS_THROUGH,
                Kind.PROCESSOR,
                Kind.APPLICATION,
                Kind.APP_OUTPUT,
                Kind.MIXER,
                Kind.STRIP,
                Kind.BUS,
                Kind.PRODUCTION,
                Kind.INPUT,
                Kind.OUTPUT,
                Kind.GROUP,
                Kind.SCENE,
                Kind.ENTRY,
                Kind.MACHINE)) {
            rig.of(kind).forEach(element -> ask(rig, element, all));
        }
        rig.elements().forEach(element -> rest(rig, element, all));
        return List.copyOf(all.values());
    }

    private static void ask(Address at, String question, String why, Map<Address, Question> into) {
        ask(new Question(at, question, why), into);
    }

    private static void ask(Question question, Map<Address, Question> into) {
        into.putIfAbsent(question.at(), question);
    }

    /** The questions that an element leaves open. */
    private static void ask(Rig rig, Element element, Map<Address, Question> into) {
        for (Setting<?> setting : Catalogue.of(element.kind())) {
            if (!setting.isFamily() && element.isUnknown(setting)) {
                Words words = NEEDED.get(setting);
                Address at = new Address(element.id(), setting.key());
                if (!into.containsKey(at) && (words != null || setting.usual() != null || setting.isOptional())) {
                    ask(question(rig, element, setting, words != null ? words : ASKED.get(setting)), into);
                }
            }
        }
        for (String key : element.keys()) {
            Setting<?> member = key.indexOf(':') < 0 ? null : Catalogue.find(element.kind(), key);
            if (member != null && element.raw(member) == Unknown.UNKNOWN) {
                ask(question(rig, element, member, null), into);
            }
        }
        if (element.kind() == Kind.OUTPUT) {
            tracks(rig, element, into);
        }
        if (element.kind() == Kind.SOURCE
                && element.get(Sources.KEEPS_TIME) instanceof String leader
                && element.raw(Sources.HEARD_AT) == null) {
            ask(
                    new Address(element.id(), Sources.HEARD_AT.key()),
                    "On whose headphones does " + element.name() + " hear " + rig.name(leader) + "?",
                    "the routes there decide how late " + element.name() + " is for everybody else",
                    into);
        }
        if (element.kind() == Kind.OUTLET && element.get(Outlets.SORT) instanceof Outlets.Sort sort) {
            outlet(rig, element, sort, into);
        }
    }

    /** What is good to know, but keeps nothing else waiting. */
    private static void rest(Rig rig, Element element, Map<Address, Question> into) {
        for (Setting<?> setting : Catalogue.of(element.kind())) {
            boolean shown = LAST.contains(setting) || setting.equals(Capabilities.machine(element.kind()));
            if (shown && element.isUnknown(setting) && matters(rig, element, setting)) {
                ask(question(rig, element, setting, ASKED.get(setting)), into);
            }
        }
    }

    /** A default that something follows decides where all of that goes, so it is asked for first. */
    private static void defaults(Rig rig, Element machine, Map<Address, Question> into) {
        for (Setting<Choice> role : DEFAULTS) {
            boolean call = role == Machines.CALL_PLAYBACK || role == Machines.CALL_RECORDING;
            boolean playback = role == Machines.PLAYBACK || role == Machines.CALL_PLAYBACK;
            Devices.Direction direction = playback ? Devices.Direction.PLAYBACK : Devices.Direction.RECORDING;
            Object now = machine.raw(role);
            boolean open = now == Unknown.UNKNOWN || !call && now == Choice.Special.UNSET;
            if (open && DefaultFollowers.any(rig, machine.id(), direction, call)) {
                ask(
                        new Address(machine.id(), role.key()),
                        "Which device is the " + role.label() + " of " + machine.name() + "?",
                        "in the system's sound settings",
                        into);
            } else if (now instanceof Choice.To(String device)
                    && machine.or(Machines.orderOf(role), List.of()).isEmpty()
                    && !Choices.usable(rig, device)
                    && Choices.standing(rig, machine.id(), direction, call).is().equals(device)
                    && DefaultFollowers.any(rig, machine.id(), direction, call)) {
                ask(
                        new Address(machine.id(), Machines.orderOf(role).key()),
                        "Which device is the " + role.label() + " of " + machine.name() + " while " + rig.name(device)
                                + " is off?",
                        "in the system's sound settings",
                        into);
            }
        }
    }

    /** An output that takes several tracks keeps them apart for a reason, which their names should say. */
    private static void tracks(Rig rig, Element output, Map<Address, Question> into) {
        Element production = rig.owner(output);
        SortedSet<Integer> taken = Productions.ticked(output, Productions.TAKES_TRACK);
        if (production == null || taken.size() < 2) {
            return;
        }
        for (int n : taken) {
            Setting<String> purpose = Productions.TRACK_NAME.of(n);
            String name = Sentences.trackName(rig, production, String.valueOf(n));
            Address at = new Address(production.id(), purpose.key());
            if (production.or(purpose, "").isEmpty()) {
                ask(
                        at,
                        "What is " + Sentences.called("track", name) + " for?",
                        "live, archive, or who is recorded on it",
                        into);
            }
        }
    }

    /** The questions that a listener leaves open. */
    private static void outlet(Rig rig, Element outlet, Outlets.Sort sort, Map<Address, Question> into) {
        if (sort.isDevice() && outlet.raw(Outlets.DEVICE) == Choice.Special.UNSET) {
            ask(
                    new Address(outlet.id(), Outlets.DEVICE.key()),
                    "Which device carries the sound for " + outlet.name() + "?",
                    "the headset or speakers that are worn or heard",
                    into);
        } else if (sort.isDevice()
                && outlet.raw(Outlets.DEVICE) == Choice.Special.DEFAULT
                && Choices.machineOf(rig, outlet) == null) {
            ask(
                    new Address(outlet.id(), Outlets.MACHINE.key()),
                    "Which computer's default does " + outlet.name() + " use?",
                    "",
                    into);
        } else if (sort.isOutput() && outlet.raw(Outlets.OUTPUT) == null) {
            ask(
                    new Address(outlet.id(), Outlets.OUTPUT.key()),
                    "Which output is " + outlet.name() + "?",
                    "of the production",
                    into);
        } else if (sort == Outlets.Sort.FAR_END && outlet.raw(Outlets.APPLICATION) == null) {
            ask(
                    new Address(outlet.id(), Outlets.APPLICATION.key()),
                    "Which call program do " + outlet.name() + " hear you through?",
                    "",
                    into);
        }
    }

    /** The question for a setting, in words of its own where there are any. */
    private static Question question(Rig rig, Element element, Setting<?> setting, @Nullable Words words) {
        String name = rig.name(element.id());
        String owner = rig.program(element).name();
        Address at = new Address(element.id(), setting.key());
        if (words != null) {
            return new Question(at, Sentences.fill(words.question, Map.of("name", name, "owner", owner)), words.why);
        }
        String label = Sentences.label(rig, element, setting);
        String of = owner.equals(element.name()) ? element.name() : Sentences.noun(rig, element) + " of " + owner;
        String wording = setting.type() instanceof ValueType.Flag
                ? yesOrNo(of, label)
                : "What is the " + label.toLowerCase(Locale.ROOT) + " of " + of + "?";
        return new Question(at, wording, "");
    }

    /** A question about a flag whose name is an adjective ("muted"), a verb ("cancels echo") or a permission. */
    private static String yesOrNo(String of, String label) {
        String word = label.contains(" ") ? label.substring(0, label.indexOf(' ')) : label;
        String rest = label.substring(word.length());
        if (word.equals("may")) {
            return "May " + of + rest + "?";
        }
        return VERBS.containsKey(word)
                ? "Does " + of + " " + VERBS.get(word) + rest + "?"
                : "Is " + of + " " + label + "?";
    }
}
