package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.rig.Capabilities;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Common;
import org.gullyrun.core.rig.Devices;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/** Do two things have the same name, or is a strip, bus or track in use without one? */
final class NamesTwin implements Rule {
    private static final List<Kind> NAMED = List.of(
            Kind.MACHINE,
            Kind.DEVICE,
            Kind.CABLE,
            Kind.WIRE,
            Kind.PROCESSOR,
            Kind.APPLICATION,
            Kind.MIXER,
            Kind.STRIP,
            Kind.BUS,
            Kind.PRODUCTION,
            Kind.INPUT,
            Kind.GROUP,
            Kind.SCENE,
            Kind.OUTPUT,
            Kind.SOURCE,
            Kind.OUTLET);

    @Override
    public String id() {
        return "names.twin";
    }

    @Override
    public Topic topic() {
        return Topic.CLUTTER;
    }

    @Override
    public String question() {
        return "Do two things share a name, or does something in use have none?";
    }

    @Override
    public String severity() {
        return "A note.";
    }

    @Override
    public Rests rests() {
        return Rests.SETTINGS;
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Rig rig = context.rig();
        List<Finding> findings = new ArrayList<>();
        for (Kind kind : NAMED) {
            Map<String, List<Element>> alike = new LinkedHashMap<>();
            for (Element e : rig.of(kind)) {
                String name = e.or(Common.name(kind), "").strip();
                if (!name.isEmpty()) {
                    alike.computeIfAbsent(name.toLowerCase(Locale.ROOT) + "|" + place(rig, e), x -> new ArrayList<>())
                            .add(e);
                }
            }
            alike.values().stream().filter(all -> all.size() > 1).forEach(all -> findings.add(twins(all)));
        }
        for (Element mixer : rig.of(Kind.MIXER)) {
            List<Element> bare = new ArrayList<>();
            rig.in(mixer.id(), Kind.STRIP).stream()
                    .filter(s -> isBare(s) && isChosen(s.get(Mixers.FEED)))
                    .forEach(bare::add);
            rig.in(mixer.id(), Kind.BUS).stream()
                    .filter(b -> isBare(b) && isChosen(b.get(Mixers.TARGET)))
                    .forEach(bare::add);
            if (!bare.isEmpty()) {
                FindingBuilder told =
                        unnamed(mixer, bare.size() + (bare.size() == 1 ? " strip or bus" : " strips and buses"));
                bare.forEach(e -> told.setting(e, Common.name(e.kind())));
                findings.add(told.made());
            }
        }
        for (Element production : rig.of(Kind.PRODUCTION)) {
            TreeSet<Integer> used = new TreeSet<>();
            rig.in(production.id(), Kind.OUTPUT)
                    .forEach(o -> used.addAll(Productions.ticked(o, Productions.TAKES_TRACK)));
            boolean several = used.size() > 1;
            used.removeIf(n -> !production.or(Productions.TRACK_NAME.of(n), "").isBlank());
            if (several && !used.isEmpty()) { // a single track needs no name to be told from others
                FindingBuilder told = unnamed(production, used.size() + (used.size() == 1 ? " track" : " tracks"));
                used.forEach(n -> told.setting(production, Productions.TRACK_NAME.of(n)));
                findings.add(told.made());
            }
        }
        return findings;
    }

    private static boolean isChosen(@Nullable Choice choice) {
        return choice != null && choice != Choice.Special.UNSET;
    }

    /** Whether an element has no name of its own. */
    private static boolean isBare(Element e) {
        return e.or(Common.name(e.kind()), "").isBlank();
    }

    /** Two names only get confused if they stand side by side: on one computer or in one program. */
    private static String place(Rig rig, Element e) {
        Element owner = rig.owner(e);
        Setting<String> machine = Capabilities.machine(e.kind());
        if (e.kind() == Kind.DEVICE) {
            return e.or(Devices.MACHINE, "") + "|" + e.get(Devices.DIRECTION);
        }
        // Listeners are distinguished by name, wherever they are.
        return machine != null && e.kind() != Kind.OUTLET ? e.or(machine, "") : owner == null ? "" : owner.id();
    }

    /** Elements of one name, which people mistake for each other. */
    private Finding twins(List<Element> all) {
        String[] ids = all.stream().map(Element::id).sorted(Ids.ORDER).toArray(String[]::new);
        String noun = all.getFirst().kind().noun();
        String name = all.getFirst().name();
        FindingBuilder told = FindingBuilder.of(id(), Severity.NOTE, ids)
                .title(all.size() + " " + plural(noun) + " are called " + name)
                .plain(all.size() + " " + plural(noun) + " are called " + name
                        + ", so on the phone nobody knows which one is meant.")
                .exact(all.size() + " " + plural(noun) + " in the same place are called " + name)
                .cause("nobody has renamed them")
                .noticed("Nothing, until somebody chooses the wrong one.");
        all.forEach(e -> told.setting(e, Common.name(e.kind())));
        return told.made();
    }

    /** The plural of the name of a kind. */
    private static String plural(String noun) {
        return noun.endsWith("y")
                ? noun.substring(0, noun.length() - 1) + "ies"
                : noun + (noun.endsWith("s") ? "es" : "s");
    }

    /** Begins a finding about something in use without a name. */
    private FindingBuilder unnamed(Element program, String what) {
        String has = what.startsWith("1 ") ? " has" : " have";
        return FindingBuilder.of(id(), Severity.NOTE, program.id())
                .title(what + " in " + program.name() + has + " no name")
                .plain(what + " in use in " + program.name() + has + " no name.")
                .exact(what + " in use in " + program.name() + has + " no name")
                .cause("nobody has named it")
                .noticed("Nothing, until somebody changes the wrong one.");
    }
}
