package org.gullyrun.core.intake;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.SortedSet;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.flow.graph.DefaultFollowers;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
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
    /** These have to be known: they are asked for even where nothing was entered. */
    private static final Set<Setting<?>> NEEDED = Set.of(
            Sources.CLASS,
            Sources.AT,
            Devices.DIRECTION,
            Devices.RATE,
            Outlets.SORT,
            Links.CABLE_FROM,
            Links.CABLE_TO,
            Links.WIRE_FROM,
            Links.WIRE_TO,
            Links.PROCESSOR_FROM,
            Links.PROCESSOR_TO,
            Productions.TAKES,
            Productions.PURPOSE);

    /** Asked last: they decide what time and pitch are told, not where sound goes. */
    private static final Set<Setting<?>> LAST = Set.of(
            Devices.LATENCY,
            Links.COUPLING_LATENCY,
            Links.CABLE_CONVERTS,
            Links.WIRE_CONVERTS,
            Links.PROCESSOR_CONVERTS);

    /** The defaults of a computer that are asked for. */
    static final List<Setting<Choice>> DEFAULTS =
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
        return QuestionWords.of(rig, element, setting);
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
                Address at = new Address(element.id(), setting.key());
                if (!into.containsKey(at)
                        && (NEEDED.contains(setting) || setting.usual() != null || setting.isOptional())) {
                    ask(QuestionWords.of(rig, element, setting), into);
                }
            }
        }
        for (String key : element.keys()) {
            Setting<?> member = key.indexOf(':') < 0 ? null : Catalogue.find(element.kind(), key);
            if (member != null && element.raw(member) == Unknown.UNKNOWN) {
                ask(QuestionWords.of(rig, element, member), into);
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
                ask(QuestionWords.of(rig, element, setting), into);
            }
        }
    }

    /** A default that something follows decides where all of that goes, so it is asked for first. */
    private static void defaults(Rig rig, Element machine, Map<Address, Question> into) {
        for (Setting<Choice> role : DEFAULTS) {
            boolean call = Machines.isForCalls(role);
            Devices.Direction direction =
                    Machines.isForPlayback(role) ? Devices.Direction.PLAYBACK : Devices.Direction.RECORDING;
            Object now = machine.raw(role);
            boolean open = now == Unknown.UNKNOWN || !call && now == Choice.Special.UNSET;
            if (open && !DefaultFollowers.of(rig, machine.id(), direction, call).isEmpty()) {
                ask(QuestionWords.of(rig, machine, role), into);
            } else if (now instanceof Choice.To(String device)
                    && machine.or(Machines.orderOf(role), List.of()).isEmpty()
                    && !Choices.usable(rig, device)
                    && Choices.standing(rig, machine.id(), direction, call).is().equals(device)
                    && !DefaultFollowers.of(rig, machine.id(), direction, call).isEmpty()) {
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
            if (production.or(purpose, "").isEmpty()) {
                ask(QuestionWords.of(rig, production, purpose), into);
            }
        }
    }

    /** The questions that a listener leaves open. */
    private static void outlet(Rig rig, Element outlet, Outlets.Sort sort, Map<Address, Question> into) {
        if (sort.isDevice() && outlet.raw(Outlets.DEVICE) == Choice.Special.UNSET) {
            ask(QuestionWords.of(rig, outlet, Outlets.DEVICE), into);
        } else if (sort.isDevice()
                && outlet.raw(Outlets.DEVICE) == Choice.Special.DEFAULT
                && Choices.machineOf(rig, outlet) == null) {
            ask(QuestionWords.of(rig, outlet, Outlets.MACHINE), into);
        } else if (sort.isOutput() && outlet.raw(Outlets.OUTPUT) == null) {
            ask(QuestionWords.of(rig, outlet, Outlets.OUTPUT), into);
        } else if (sort == Outlets.Sort.FAR_END && outlet.raw(Outlets.APPLICATION) == null) {
            ask(QuestionWords.of(rig, outlet, Outlets.APPLICATION), into);
        }
    }
}
