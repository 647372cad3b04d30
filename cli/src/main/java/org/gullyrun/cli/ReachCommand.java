package org.gullyrun.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.gullyrun.core.audit.Reach;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code gullyrun reach}: who hears a difference if an element or one of its settings is changed. */
@Command(
        name = "reach",
        mixinStandardHelpOptions = true,
        description = "Says which listeners an element or one of its settings reaches.")
final class ReachCommand implements Callable<Integer> {
    @Mixin
    CaseArgument argument = new CaseArgument();

    @Parameters(
            index = "1",
            paramLabel = "ELEMENT[/SETTING]",
            description =
                    "Id or name of an element, and if you like one of its settings, by its field or its name on screen.")
    String what = "";

    @Option(names = "--json", description = "As JSON: element, setting, sentence, and for each listener the sources.")
    boolean json;

    @Spec
    CommandSpec spec = CommandSpec.create();

    @Override
    public Integer call() throws Exception {
        CaseArgument.Opened opened = argument.open();
        Rig rig = opened.survey().rig();
        Address at = address(rig, what);
        Reach reach = Reach.of(opened.reading(), at, opened.scenes());
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.print(Json.write(plain(at, reach)) + "\n");
            return Exit.OK;
        }
        String reaches = reach.sentence().substring(0, 1).toLowerCase(Locale.ROOT)
                + reach.sentence().substring(1);
        out.println(said(rig, at) + (at.key().isEmpty() ? " " : ": ") + reaches + ".");
        reach.sources()
                .forEach((outlet, sources) -> out.println("  " + outlet.name() + ": "
                        + Sentences.list(sources.stream().map(Element::name).toList())));
        return Exit.OK;
    }

    /** The same as plain data; listeners and sources by id. */
    private static Map<String, Object> plain(Address at, Reach reach) {
        Map<String, Object> listeners = new LinkedHashMap<>();
        reach.sources()
                .forEach((outlet, sources) -> listeners.put(
                        outlet.id(), sources.stream().map(Element::id).toList()));
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("element", at.element());
        all.put("setting", at.key());
        all.put("sentence", reach.sentence());
        all.put("listeners", listeners);
        return all;
    }

    /** What is asked about, in words: an element or one of its settings. */
    private static String said(Rig rig, Address at) {
        Element element = rig.get(at.element());
        Setting<?> setting = at.key().isEmpty() ? null : Catalogue.find(element.kind(), at.key());
        String noun = Sentences.noun(rig, element);
        return setting == null ? noun : noun + ", " + Sentences.label(rig, element, setting);
    }

    /** The element or setting that is meant; names count where ids don't match, whatever their case. */
    static Address address(Rig rig, String what) {
        Element whole = CaseArgument.named(rig.elements(), what).orElse(null);
        int slash = what.lastIndexOf('/');
        if (whole != null || slash < 0) {
            return new Address(found(whole, what).id(), "");
        }
        String before = what.substring(0, slash);
        Element element = found(CaseArgument.named(rig.elements(), before).orElse(null), before);
        String wanted = what.substring(slash + 1);
        Setting<?> byKey = Catalogue.find(element.kind(), wanted);
        if (byKey != null) {
            return new Address(element.id(), byKey.key());
        }
        List<String> known = new ArrayList<>();
        for (Setting<?> setting : Catalogue.of(element.kind())) {
            if (setting.label().equalsIgnoreCase(wanted) && !setting.isFamily()) {
                return new Address(element.id(), setting.key());
            }
            known.add(setting.key() + (setting.isFamily() ? ":…" : ""));
        }
        throw new UsageProblem(Sentences.capitalized(Sentences.a(element.kind().noun())) + " has no setting '" + wanted
                + "'. There are: " + String.join(", ", known));
    }

    /** The element, or an error that says how one is given. */
    private static Element found(@Nullable Element element, String name) {
        if (element == null) {
            throw new UsageProblem("There is no element '" + name
                    + "' in this survey. Give an id of the case file, or a name as Intake shows it.");
        }
        return element;
    }
}
