package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.flow.graph.Choices;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;

/** Does a system choice for an application decide nothing? */
final class ChoiceIdle implements Rule {
    @Override
    public String id() {
        return "choice.idle";
    }

    @Override
    public Topic topic() {
        return Topic.CLUTTER;
    }

    @Override
    public FixKind fixKind() {
        return FixKind.CLEAR_CHOICE;
    }

    @Override
    public String question() {
        return "Does a system setting for a program have no effect?";
    }

    @Override
    public String severity() {
        return "A note.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Rig rig = context.rig();
        List<Finding> findings = new ArrayList<>();
        for (Element application : rig.of(Kind.APPLICATION)) {
            for (Element output : rig.in(application.id(), Kind.APP_OUTPUT)) {
                check(
                        rig,
                        application,
                        output,
                        Applications.SYSTEM_CHOICE,
                        Applications.PROGRAM_CHOICE,
                        Choices.output(rig, application, output),
                        findings);
            }
            check(
                    rig,
                    application,
                    application,
                    Applications.INPUT_SYSTEM,
                    Applications.INPUT,
                    Choices.input(rig, application),
                    findings);
        }
        return findings;
    }

    /** Adds a finding if the system setting isn't what decides where the sound goes. */
    private void check(
            Rig rig,
            Element application,
            Element holder,
            Setting<Choice> system,
            Setting<Choice> own,
            Choices.Going going,
            List<Finding> into) {
        Choice chosen = holder.get(system);
        if (chosen == null
                || holder.isUnknown(own) // it may follow the default, and then the choice counts
                || chosen == Choice.Special.UNSET
                || going.decidedBy().equals(system)) {
            return;
        }
        String name = application.name();
        String what = holder == application ? "microphone" : "output";
        into.add(FindingBuilder.of(id(), Severity.NOTE, holder.id())
                .title("The system setting for " + name + "'s " + what + " has no effect")
                .plain(name + " chooses its own " + what + ", so the system setting for it has no effect.")
                .exact("The system setting says " + Sentences.words(rig, system, chosen) + "; " + name
                        + " itself chooses " + Sentences.words(rig, own, holder.raw(own)) + ", and that counts")
                .cause(name + " names a device instead of following the default")
                .noticed("Nothing, until somebody tries to move " + name + " there and wonders.")
                .setting(holder, system)
                .setting(holder, own)
                .made());
    }
}
