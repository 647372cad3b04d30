package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.OtherComputer;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;

/** Is something chosen that is on another computer? Then what the rig says of its sound can't be so. */
final class ChoiceElsewhere implements Rule {
    @Override
    public String id() {
        return "choice.elsewhere";
    }

    @Override
    public Topic topic() {
        return Topic.DEVICE;
    }

    @Override
    public FixKind fixKind() {
        return FixKind.OWN_COMPUTER;
    }

    @Override
    public String question() {
        return "Is something chosen that is on another computer?";
    }

    @Override
    public String severity() {
        return "Major: no sound takes that way, whatever is traced there.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Rig rig = context.rig();
        List<Finding> findings = new ArrayList<>();
        for (Element element : rig.elements()) {
            if (OtherComputer.computer(rig, element) != null) {
                for (Setting<?> setting : Catalogue.of(element.kind())) {
                    Element chosen = setting.isFamily() || !counts(element, setting)
                            ? null
                            : OtherComputer.chosen(rig, element, setting, element.raw(setting));
                    if (chosen != null) {
                        findings.add(tell(rig, element, setting, chosen));
                    }
                }
            }
        }
        return findings;
    }

    /** Of an input only what it takes. */
    private static boolean counts(Element element, Setting<?> setting) {
        return element.kind() != Kind.INPUT
                || setting.equals(
                        element.get(Productions.TAKES) == Productions.Takes.APPLICATION
                                ? Productions.APPLICATION
                                : Productions.DEVICE);
    }

    private static String who(Rig rig, Element element) {
        if (element.kind() == Kind.APP_OUTPUT) {
            return rig.program(element).name();
        }
        boolean part = element.kind() == Kind.INPUT || element.kind() == Kind.STRIP || element.kind() == Kind.BUS;
        return Sentences.noun(rig, element)
                + (part ? " in " + rig.program(element).name() : "");
    }

    private Finding tell(Rig rig, Element element, Setting<?> setting, Element chosen) {
        String here = rig.name(String.valueOf(OtherComputer.computer(rig, element)));
        String there = rig.name(String.valueOf(rig.machine(chosen)));
        String who = who(rig, element);
        boolean itself = element.kind() == Kind.MACHINE;
        return FindingBuilder.of(id(), Severity.MAJOR, element.id())
                .title(Sentences.capitalized(who) + " can't use " + chosen.name() + ", which is on " + there)
                .plain(Sentences.capitalized(chosen.name()) + " is on " + there + ", so " + who
                        + (itself ? "" : " on " + here)
                        + " can't use it. Which one is really chosen, or which cable is in between?")
                .exact(Sentences.capitalized(who) + ", " + setting.label() + ": " + chosen.name() + ", which is on "
                        + there + (itself ? "" : ", not on " + here))
                .cause("it was entered so")
                .noticed("That isn't known: sound can't take this way.")
                .setting(element, setting)
                .made();
    }
}
