package org.gullyrun.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.gullyrun.core.flow.Choices;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Sources;
import org.gullyrun.core.rig.Unknown;
import org.gullyrun.core.rig.ValueType;

/**
 * The questions still open in a rig: every setting entered as <em>not yet known</em>, and those without which an element
 * leads nowhere or an answer would be a guess.
 */
public final class Questions {
    private record Words(String question, String why) {}

    /** For settings that have to be known: asked even where nothing was entered. */
    private static final Map<Setting<?>, Words> NEEDED = Map.ofEntries(
            Map.entry(Sources.CLASS, new Words("What sort of sound is {name}?", "a voice, guests, music, alerts …")),
            Map.entry(Sources.AT, new Words("Where does {name} start?", "a program, or a microphone")),
            Map.entry(Devices.DIRECTION, new Words("Does one play to {name}, or record from it?", "")),
            Map.entry(Devices.RATE, new Words("At which rate does {name} run?", "in the device's advanced settings")),
            Map.entry(Outlets.SORT, new Words("Who is {name}?", "somebody's ears, the live audience, a call …")),
            Map.entry(Links.CABLE_FROM, new Words("Which device does one play to for {name}?", "")),
            Map.entry(Links.CABLE_TO, new Words("At which device does {name} come out?", "")),
            Map.entry(Links.WIRE_FROM, new Words("Where is the {name} plugged in, at the beginning?", "")),
            Map.entry(Links.WIRE_TO, new Words("Where does the {name} end?", "")),
            Map.entry(Links.PROCESSOR_FROM, new Words("Which microphone does {name} read?", "in its own settings")),
            Map.entry(Links.PROCESSOR_TO, new Words("As which device does {name} offer the result?", "")),
            Map.entry(Productions.TAKES, new Words("What does the input {name} take?", "a device, or one program")),
            Map.entry(
                    Productions.PURPOSE,
                    new Words("What is the output {name} for?", "live, archive, recording, relay")));

    /** Better words for settings that are asked only where somebody entered that they are not yet known. */
    private static final Map<Setting<?>, Words> ASKED = Map.ofEntries(
            Map.entry(
                    Applications.PROGRAM_CHOICE,
                    new Words("Which output does {owner} use?", "its own settings, or the system's list of programs")),
            Map.entry(Applications.INPUT, new Words("Which microphone does {name} use?", "in its own settings")),
            Map.entry(Mixers.STARTS, new Words("Does {name} start with the computer?", "only matters after a restart")),
            Map.entry(Mixers.RUNNING, new Words("Is {name} running?", "")),
            Map.entry(Mixers.TARGET, new Words("Where does the bus {name} of {owner} go?", "")),
            Map.entry(Mixers.FEED, new Words("What does the strip {name} of {owner} take?", "")),
            Map.entry(Devices.PRESENT, new Words("Is {name} plugged in and switched on?", "")),
            Map.entry(Devices.ENABLED, new Words("Is {name} enabled?", "in the system's list of devices")),
            Map.entry(Devices.PERMITTED, new Words("May programs use {name}?", "in the privacy settings")),
            Map.entry(Productions.CUE_DEVICE, new Words("On which device does {name} let one hear the cue?", "")));

    private Questions() {}

    /** All that is open in a rig, in the order of the call. */
    public static List<Question> of(Rig rig) {
        List<Question> all = new ArrayList<>();
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
        return List.copyOf(all);
    }

    private static void ask(Rig rig, Element element, List<Question> into) {
        for (Setting<?> setting : Catalogue.of(element.kind())) {
            if (!setting.isFamily() && element.isUnknown(setting)) {
                boolean entered = setting.usual() != null || setting.isOptional();
                Words words = NEEDED.get(setting);
                if (words != null || entered) {
                    into.add(question(rig, element, setting, words != null ? words : ASKED.get(setting)));
                }
            }
        }
        for (String key : element.keys()) {
            Setting<?> member = key.indexOf(':') < 0 ? null : Catalogue.find(element.kind(), key);
            if (member != null && element.raw(member) == Unknown.UNKNOWN) {
                into.add(question(rig, element, member, null));
            }
        }
        if (element.kind() == Kind.OUTLET && element.get(Outlets.SORT) instanceof Outlets.Sort sort) {
            outlet(rig, element, sort, into);
        }
    }

    private static void outlet(Rig rig, Element outlet, Outlets.Sort sort, List<Question> into) {
        if (sort.isDevice() && outlet.raw(Outlets.DEVICE) == Choice.Special.UNSET) {
            into.add(new Question(
                    new Address(outlet.id(), Outlets.DEVICE.key()),
                    "On which device does " + outlet.name() + " listen?",
                    "the headset or speakers that are worn or heard"));
        } else if (sort.isDevice()
                && outlet.raw(Outlets.DEVICE) == Choice.Special.DEFAULT
                && Choices.machineOf(rig, outlet) == null) {
            into.add(new Question(
                    new Address(outlet.id(), Outlets.MACHINE.key()),
                    "On which computer's default does " + outlet.name() + " listen?",
                    ""));
        } else if (sort.isOutput() && outlet.raw(Outlets.OUTPUT) == null) {
            into.add(new Question(
                    new Address(outlet.id(), Outlets.OUTPUT.key()),
                    "Which output does " + outlet.name() + " hear?",
                    "of the production"));
        } else if (sort == Outlets.Sort.FAR_END && outlet.raw(Outlets.APPLICATION) == null) {
            into.add(new Question(
                    new Address(outlet.id(), Outlets.APPLICATION.key()),
                    "Through which call do " + outlet.name() + " hear us?",
                    ""));
        }
    }

    private static Question question(
            Rig rig, Element element, Setting<?> setting, @org.jspecify.annotations.Nullable Words words) {
        String name = rig.name(element.id());
        String owner = rig.program(element).name();
        Address at = new Address(element.id(), setting.key());
        if (words != null) {
            return new Question(at, Sentences.fill(words.question, Map.of("name", name, "owner", owner)), words.why);
        }
        String label = Sentences.label(rig, element, setting);
        String of = owner.equals(element.name()) ? element.name() : Sentences.noun(rig, element) + " of " + owner;
        String wording = setting.type() instanceof ValueType.Flag
                ? "Is it so for " + of + ": " + label + "?"
                : "What is the " + label.toLowerCase(Locale.ROOT) + " of " + of + "?";
        return new Question(at, wording, "");
    }
}
