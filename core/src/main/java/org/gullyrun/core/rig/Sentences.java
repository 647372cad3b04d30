package org.gullyrun.core.rig;

import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Says changes and settings in plain words that a creator can follow. */
public final class Sentences {
    private static final Pattern BRACES = Pattern.compile("((?:input|track|strip|bus|output|scene|group) )?\\{(\\w+)}");

    /** The beginning of a label that is no noun, so that it is quoted in a sentence. */
    private static final Pattern PHRASE =
            Pattern.compile("(belongs|brings|from|goes|hears|keeps|listens|offers|otherwise"
                    + "|plays|provided|reads|recognised|stands|takes|to|what|when|where)\\b");

    /** The end of a name that is a plural: an s, but not as in "Bus", "Chorus", "Glass", "News" or "Host's". */
    private static final Pattern PLURAL = Pattern.compile("(?<!i|u|s|ew|'|’)s\\z", Pattern.CASE_INSENSITIVE);

    private Sentences() {}

    /** One sentence without a full stop that tells a person to make the change. */
    public static String say(Rig rig, Change change) {
        return switch (change) {
            case Change.Add(Element what)
            when what.kind() == Kind.ENTRY ->
                "In " + rig.program(what).name() + ", bring " + brought(rig, what) + " into " + sceneOf(rig, what);
            case Change.Remove(Element what)
            when what.kind() == Kind.ENTRY ->
                "In " + rig.program(what).name() + ", take " + brought(rig, what) + " out of " + sceneOf(rig, what);
            case Change.Add(Element what) when what.kind() == Kind.INPUT -> addInputs(rig, List.of(what));
            case Change.Add(Element what) when what.kind() == Kind.APP_OUTPUT -> "Add " + OutputNames.whole(rig, what);
            case Change.Remove(Element what)
            when what.kind() == Kind.APP_OUTPUT -> "Remove " + OutputNames.whole(rig, what);
            case Change.Add(Element what) -> "Add the " + noun(rig, what);
            case Change.Remove(Element what) -> "Remove the " + noun(rig, what);
            case Change.Set(String id, Setting<?> setting, Object from, Object to) ->
                say(rig, rig.get(id), setting, to);
        };
    }

    /**
     * Where a change is made: program, part of it, setting; the program only where the part's own name doesn't say it. Of
     * what comes into a scene, or out of it, the scene.
     */
    public static String where(Rig rig, Change change) {
        Element element = change instanceof Change.Add(Element what) ? what : rig.get(change.element());
        Element program = rig.program(element);
        if (element.kind() == Kind.ENTRY && !(change instanceof Change.Set)) {
            return program.name() + " · " + sceneOf(rig, element);
        }
        Element named = OutputNames.isOnly(rig, element) ? program : element;
        String part = program == named || beginsWith(element.name(), program.name())
                ? named.name()
                : program.name() + " · " + noun(rig, element);
        return change instanceof Change.Set set ? part + " · " + label(rig, element, set.setting()) : part;
    }

    /**
     * What somebody has changed, not as a step to take but as a fact: where, and from what to what.
     *
     * @param before the rig before the change
     * @param after the rig after it
     */
    public static String happened(Rig before, Rig after, Change change) {
        return switch (change) {
            case Change.Add(Element what)
            when what.kind() == Kind.ENTRY -> where(after, change) + ": now has " + brought(after, what);
            case Change.Remove(Element what)
            when what.kind() == Kind.ENTRY -> where(before, change) + ": no longer has " + brought(before, what);
            case Change.Add add -> where(after, change) + ": new";
            case Change.Remove remove -> where(before, change) + ": gone";
            case Change.Set(String id, Setting<?> setting, Object from, Object to) ->
                where(after, change) + ": " + words(before, setting, from) + " → " + words(after, setting, to);
        };
    }

    /** Whether a change of a program's or device's settings takes effect only once that is restarted. */
    public static boolean hasToRestart(Element program) {
        return switch (program.kind()) {
            case MIXER -> program.is(Mixers.RESTARTS, false);
            case PRODUCTION -> program.is(Productions.RESTARTS, false);
            case APPLICATION -> program.is(Applications.RESTARTS, false);
            case DEVICE -> program.is(Devices.RESTARTS, false);
            case MACHINE, CABLE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APP_OUTPUT, STRIP, BUS, INPUT -> false;
            case GROUP, SCENE, ENTRY, OUTPUT, SOURCE, OUTLET -> false;
        };
    }

    /** One sentence without a full stop that tells a person to add inputs of one program that are on the same tracks. */
    public static String addInputs(Rig rig, List<Element> inputs) {
        Element first = inputs.getFirst();
        return "In " + rig.program(first).name() + ", add an input "
                + (inputs.size() == 1 ? "that captures " : "each for ")
                + list(inputs.stream().map(Element::name).toList())
                + onTracks(rig, first);
    }

    /** The tracks of an input as the end of a sentence, by what they are for: ", on track live and track archive". */
    public static String onTracks(Rig rig, Element input) {
        List<String> names = Productions.ticked(input, Productions.TRACK).stream()
                .map(n -> called("track", trackName(rig, rig.owner(input), String.valueOf(n))))
                .toList();
        return names.isEmpty() ? "" : ", on " + String.join(" and ", names);
    }

    /** What a change does, as a step for the creator. */
    private static String say(Rig rig, Element element, Setting<?> setting, @Nullable Object to) {
        boolean off = to instanceof Boolean on && !on
                || to == null && !setting.sayOff().isEmpty();
        String template = off ? setting.sayOff() : setting.sayOn();
        boolean plainFlag = to instanceof Boolean && !template.isEmpty();
        if (template.isEmpty() || (to == Unknown.UNKNOWN && !plainFlag)) {
            Element program = rig.program(element);
            String where = program == element ? "" : "In " + program.name() + ", ";
            String of = program == element ? element.name() : noun(rig, element);
            String label = label(rig, element, setting);
            String sentence = where + "set "
                    + (to instanceof Boolean || PHRASE.matcher(label).lookingAt() ? "“" + label + "”" : "the " + label)
                    + (OutputNames.isOnly(rig, element) ? "" : " of " + of) + " to " + words(rig, setting, to);
            return capitalized(sentence);
        }
        if (setting.equals(Applications.PROGRAM_CHOICE) && !OutputNames.isOnly(rig, element)) {
            return "In " + rig.program(element).name() + ", choose " + words(rig, setting, to) + " for "
                    + OutputNames.noun(rig, element);
        }
        return fill(
                template,
                Map.of(
                        "name", rig.name(element.id()),
                        "owner", rig.program(element).name(),
                        "sub", sub(rig, element, setting),
                        "value",
                                setting.equals(Productions.CUE_PROGRAM) && to instanceof Integer track
                                        ? trackName(rig, element, track.toString())
                                        : words(rig, setting, to)));
    }

    /**
     * A template with names put in for what stands in braces, each as it is, whatever it looks like. A noun before a name
     * that begins with it is not said twice.
     */
    public static String fill(String template, Map<String, String> names) {
        return BRACES.matcher(template).replaceAll(found -> {
            String name = names.get(found.group(2));
            String noun = found.group(1);
            return Matcher.quoteReplacement(
                    name == null ? found.group() : noun == null ? name : called(noun.strip(), name));
        });
    }

    /** A setting's name, for a member of a family with what it is for. */
    public static String label(Rig rig, Element element, Setting<?> setting) {
        if (setting.sub().isEmpty()) {
            return setting.label();
        }
        int last = setting.label().lastIndexOf(' ') + 1; // "on track" and "Track 3" are "on Track 3"
        return setting.label().substring(0, last) + called(setting.label().substring(last), sub(rig, element, setting));
    }

    /** What a member of a family is about, by its name: the bus, track or input; empty for what is no member of one. */
    public static String sub(Rig rig, Element element, Setting<?> setting) {
        String sub = setting.sub();
        if (setting.familyKey().equals("tracks")) {
            return trackName(rig, rig.owner(element), sub);
        }
        return rig.name(sub);
    }

    /**
     * What a track is called: by its purpose; without one by the output that takes it, as "Live stream" or "first of
     * Recording"; by its number if no output does.
     */
    public static String trackName(Rig rig, @Nullable Element production, String number) {
        String name = production == null ? "" : production.or(Productions.TRACK_NAME.of(number), "");
        return name.isEmpty() ? TrackNames.byOutput(rig, production, number) : name;
    }

    /** A raw value for people, with unit, references by name. */
    public static String words(Rig rig, Setting<?> setting, @Nullable Object raw) {
        if (raw == null) {
            return "none";
        }
        if (raw == Unknown.UNKNOWN) {
            return "unknown";
        }
        if (raw instanceof Choice.To(String id)) {
            return rig.name(id);
        }
        if (setting.type() instanceof ValueType.Ref) {
            return rig.name((String) raw);
        }
        if (raw instanceof Choice choice) {
            return choice == Choice.Special.DEFAULT
                    ? "the default"
                    : setting.type() instanceof ValueType.Pick ? spoken(choice) : choice.toString();
        }
        return spoken(setting.type(), raw);
    }

    /** A special choice as it is said in a sentence. */
    private static String spoken(Choice choice) {
        return switch ((Choice.Special) choice) {
            case DEFAULT -> "the default";
            case PLAYBACK_DEFAULT -> "the playback default";
            case CALL_DEFAULT -> "the default for calls";
            case NOTHING -> "nothing";
            case UNSET -> "none";
        };
    }

    @SuppressWarnings("unchecked") // an element holds only what the setting's own type has read
    private static <T> String spoken(ValueType<T> type, Object raw) {
        return type.words((T) raw);
    }

    /** The kind and name of an element: "strip Music", "Larch boom". */
    public static String noun(Rig rig, Element element) {
        if (element.kind() == Kind.ENTRY) {
            return entryName(rig, element);
        }
        if (element.kind() == Kind.APP_OUTPUT) {
            return OutputNames.noun(rig, element);
        }
        return Capabilities.isNamedAlone(element.kind())
                ? element.name()
                : called(element.kind().noun(), element.name());
    }

    /** A verb as it goes with a name: "Live hears", "Guests hear", "Host's ears hear". */
    public static String verb(String name, String singular, String plural) {
        return PLURAL.matcher(name.stripTrailing()).find() ? plural : singular;
    }

    /** "a, b and c". */
    public static String list(List<String> names) {
        return names.size() < 2
                ? String.join("", names)
                : String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.getLast();
    }

    /** Names in a short line: up to two in full, else the first and how many others. */
    public static String few(List<String> names) {
        return names.size() < 3 ? list(names) : names.getFirst() + " and " + (names.size() - 1) + " others";
    }

    /** Words with a capital, as a sentence begins. */
    public static String capitalized(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    /** A noun with its article: "a device", "an output". */
    public static String a(String noun) {
        return ("aeiou".indexOf(noun.charAt(0)) >= 0 ? "an " : "a ") + noun;
    }

    /** A noun with a name after it, unless the name itself begins with that word: "input Guests", but "Input 3". */
    public static String called(String noun, String name) {
        if (noun.equals("track") && TrackNames.isPlace(name)) {
            return "the " + name.replaceFirst(" of ", " track of ");
        }
        return beginsWith(name, noun) ? name : noun + " " + name;
    }

    /** Whether a name begins with a whole word or another whole name. */
    private static boolean beginsWith(String name, String word) {
        return name.regionMatches(true, 0, word, 0, word.length())
                && (name.length() == word.length() || !Character.isLetter(name.charAt(word.length())));
    }

    /** What an entry brings. */
    private static String brought(Rig rig, Element entry) {
        String id = entry.or(Productions.BRINGS, entry.id());
        // An entry that brings an entry is an error of the file; its name would be made of that one's, round and round.
        String name = rig.find(id, Kind.ENTRY).isPresent() ? id : rig.name(id);
        return (entry.is(Productions.COPY, false) ? "the copy of " : "") + name;
    }

    private static String sceneOf(Rig rig, Element entry) {
        return called("scene", rig.name(entry.or(Productions.ENTRY_OF, Unknown.MARK)));
    }

    /** How an entry is spoken of: by what it brings and its scene. */
    static String entryName(Rig rig, Element entry) {
        String named = entry.or(Common.name(Kind.ENTRY), "");
        if (!named.isEmpty()) {
            return named;
        }
        Element scene = rig.owner(entry);
        return brought(rig, entry) + (scene == null ? "" : " in " + called("scene", scene.name()));
    }
}
