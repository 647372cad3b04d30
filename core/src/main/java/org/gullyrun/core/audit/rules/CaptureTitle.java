package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;

/** Is an application recognised by the title of its window only? */
final class CaptureTitle implements Rule {
    @Override
    public String id() {
        return "capture.title";
    }

    @Override
    public Topic topic() {
        return Topic.RISK;
    }

    @Override
    public FixKind fixKind() {
        return FixKind.RECOGNISE_PROGRAM;
    }

    @Override
    public String question() {
        return "Is a program recognised only by the title of its window?";
    }

    @Override
    public String severity() {
        return "Minor.";
    }

    @Override
    public Rests rests() {
        return Rests.SETTINGS;
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Rig rig = context.rig();
        List<Finding> findings = new ArrayList<>();
        for (Element input : rig.of(Kind.INPUT)) {
            if (input.get(Productions.TAKES) == Productions.Takes.APPLICATION
                    && input.get(Productions.RECOGNISED) == Productions.Recognised.TITLE) {
                String program = rig.name(input.or(Productions.APPLICATION, "a program"));
                String name = Sentences.called("input", input.name());
                String called = Sentences.capitalized(name);
                findings.add(FindingBuilder.of(id(), Severity.MINOR, input.id())
                        .title(called + " finds " + program + " by its window title only")
                        .plain("When " + program + "'s window title changes, its sound is gone.")
                        .exact(called + " in " + rig.program(input).name() + " recognises " + program
                                + " by title only")
                        .cause("the title changes with every page, song or call")
                        .noticed("Silence as soon as the title changes.")
                        .setting(input, Productions.RECOGNISED)
                        .made());
            }
        }
        return findings;
    }
}
