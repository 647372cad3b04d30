package org.gullyrun.core.fix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.regex.Pattern;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Machines;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/**
 * What may happen to a rig on a call: something is unplugged, closed or muted, a default moves, a program plays elsewhere;
 * or the other way round. Found by what a person types.
 */
public final class WhatIf {
    private static final Pattern NO_WORD = Pattern.compile("[^\\p{L}\\p{N}]+");
    private static final String OFF = " off out without gone quit shut stop stopped close closed end unplug unplugged";
    private static final String ON = " on in back start started open opened plug";

    /**
     * Something that may happen.
     *
     * @param change the change that it is
     * @param sentence how a person would say it, without a full stop
     * @param about the id of the program or device in which it happens
     * @param words the words of the sentence, in lower case and between blanks
     * @param also other words by which it is found, likewise
     */
    public record Event(Change change, String sentence, String about, String words, String also) {}

    private final Rig rig;
    private final List<Event> events = new ArrayList<>();

    private WhatIf(Rig rig) {
        this.rig = rig;
        for (Kind kind : List.of(
                Kind.MACHINE,
                Kind.MIXER,
                Kind.PRODUCTION,
                Kind.PROCESSOR,
                Kind.APPLICATION,
                Kind.DEVICE,
                Kind.APP_OUTPUT,
                Kind.PASS_THROUGH,
                Kind.STRIP,
                Kind.BUS,
                Kind.INPUT)) {
            rig.of(kind).forEach(this::to);
        }
    }

    /** All that may happen in a rig: to whole devices, programs and defaults first, then to parts of them. */
    public static List<Event> events(Rig rig) {
        return List.copyOf(new WhatIf(rig).events);
    }

    /**
     * The events that fit what was typed, the best first: every word has to begin a word of the event. With nothing typed,
     * those about one element come first.
     *
     * @param about the id of what is selected, or of what it is part of; may be empty
     */
    public static List<Event> search(List<Event> events, String typed, String about, int most) {
        List<String> words = List.of(plain(typed).strip().split(" +"));
        record Hit(Event event, int score) {}
        return events.stream()
                .map(e -> new Hit(e, score(e, words)))
                .filter(h -> h.score > 0 || typed.isBlank())
                .map(h -> !about.isEmpty() && h.event.about.equals(about) ? new Hit(h.event, h.score + 1) : h)
                .sorted(Comparator.comparingInt((Hit h) -> -h.score))
                .limit(most)
                .map(Hit::event)
                .toList();
    }

    /** 0 if a word fits nothing; the more, the more words fit the sentence itself. */
    private static int score(Event event, List<String> words) {
        String sentence = event.words;
        String also = event.also;
        int score = 0;
        for (String word : words) {
            if (sentence.contains(" " + word + " ")) {
                score += 5; // the whole word
            } else if (sentence.contains(" " + word)) {
                score += 4;
            } else if (also.contains(" " + word)) {
                score += 2;
            } else if (!word.equals("to") && !word.equals("the") && !word.equals("if") && !word.isEmpty()) {
                return 0;
            }
        }
        return score > 0 && sentence.strip().equals(String.join(" ", words)) ? score + 2 : score;
    }

    private static String plain(String sentence) {
        return " " + NO_WORD.matcher(sentence.toLowerCase(Locale.ROOT)).replaceAll(" ") + " ";
    }

    /** What can happen to an element. */
    private void to(Element element) {
        switch (element.kind()) {
            case DEVICE -> {
                flag(element, Devices.PRESENT, true);
                flag(element, Devices.ENABLED, true);
                flag(element, Devices.MUTED, false);
                if (element.get(Devices.DIRECTION) == Direction.RECORDING) {
                    flag(element, Devices.PERMITTED, true);
                }
            }
            case MIXER, PROCESSOR, PRODUCTION ->
                flag(
                        element,
                        Objects.requireNonNull(Capabilities.engine(element.kind()))
                                .running(),
                        true);
            case APPLICATION -> {
                // Closing it isn't among these: an audit takes every program as running, and would see no difference.
                flag(element, Applications.MUTED, false);
                if (element.get(Applications.INPUT) != null) {
                    flag(element, Applications.INPUT_MUTED, false);
                    choices(element, Applications.INPUT, machine(element), Direction.RECORDING, true);
                }
            }
            case APP_OUTPUT -> {
                boolean own = rig.program(element).is(Applications.HAS_OUTPUT_CHOICE, true);
                Setting<Choice> choice = own ? Applications.PROGRAM_CHOICE : Applications.SYSTEM_CHOICE;
                choices(element, choice, machine(rig.program(element)), Direction.PLAYBACK, true);
            }
            case MACHINE -> {
                choices(element, Machines.PLAYBACK, element.id(), Direction.PLAYBACK, false);
                choices(element, Machines.RECORDING, element.id(), Direction.RECORDING, false);
            }
            case PASS_THROUGH -> flag(element, Links.PASS_ENABLED, true);
            case STRIP -> {
                flag(element, Mixers.STRIP_MUTED, false);
                rig.in(rig.program(element).id(), Kind.BUS)
                        .forEach(bus -> flag(element, Mixers.CROSSING.of(bus.id()), true));
            }
            case BUS -> flag(element, Mixers.BUS_MUTED, false);
            case INPUT -> {
                flag(element, Productions.INPUT_MUTED, false);
                Productions.ticked(element, Productions.TRACK)
                        .forEach(track -> flag(element, Productions.TRACK.of(track), true));
            }
            case CABLE, WIRE, COUPLING, GROUP, SCENE, ENTRY, OUTPUT, SOURCE, OUTLET -> {}
        }
    }

    private static @Nullable String machine(Element program) {
        return program.get(Applications.MACHINE);
    }

    /** A flag that turns; {@code open} is the value with which something passes. */
    private void flag(Element element, Setting<Boolean> flag, boolean open) {
        boolean is = element.is(flag, flag.usual() != null && flag.usual());
        add(element, Change.set(rig, element.id(), flag, !is), is == open ? OFF : ON);
    }

    /** A choice that moves to each other usable device, or to the default. */
    private void choices(
            Element element, Setting<Choice> choice, @Nullable String machine, Direction direction, boolean orDefault) {
        Object now = element.get(choice);
        if (orDefault && now != Choice.Special.DEFAULT) {
            add(element, Change.set(rig, element.id(), choice, Choice.Special.DEFAULT), "");
        }
        for (Element device : rig.of(Kind.DEVICE)) {
            if (device.get(Devices.DIRECTION) == direction
                    && (machine == null || machine.equals(device.get(Devices.MACHINE)))
                    && !Choice.to(device.id()).equals(now)
                    && Choices.usable(rig, device)) {
                add(element, Change.set(rig, element.id(), choice, Choice.to(device.id())), "");
            }
        }
    }

    private void add(Element element, Change.@Nullable Set change, String also) {
        if (change != null) {
            Element program = rig.program(element);
            String sentence = Sentences.say(rig, change);
            events.add(new Event(
                    change,
                    sentence,
                    program.id(),
                    plain(sentence),
                    plain(element.name() + " " + program.name()) + also));
        }
    }
}
