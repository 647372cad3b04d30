package org.gullyrun.core.audit.rules;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Sources;

/** Is an application that is captured or routed not running or not sounding, so that it is in no list? */
final class CaptureSilent implements Rule {
    @Override
    public String id() {
        return "capture.silent";
    }

    @Override
    public Topic topic() {
        return Topic.RISK;
    }

    @Override
    public String question() {
        return "Is a program silent just now, so that other programs can't offer it?";
    }

    @Override
    public String severity() {
        return "A note; minor if something required comes from it.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        Rig rig = context.rig();
        List<Finding> findings = new ArrayList<>();
        for (Element application : rig.of(Kind.APPLICATION)) {
            boolean running = application.is(Applications.RUNNING, true);
            if (running && application.is(Applications.SOUNDING, true)) {
                continue;
            }
            List<Element> taken = rig.of(Kind.INPUT).stream()
                    .filter(i -> Productions.programs(rig, i).contains(application))
                    .toList();
            boolean routed = rig.in(application.id(), Kind.APP_OUTPUT).stream()
                    .anyMatch(o -> o.get(Applications.SYSTEM_CHOICE) != Choice.Special.UNSET);
            if (taken.isEmpty() && !routed) {
                continue;
            }
            long musts = context.musts().stream()
                    .filter(c -> application == Sources.application(rig, c.source()))
                    .count();
            String state = running ? "makes no sound" : "isn't running";
            findings.add(FindingBuilder.of(id(), musts > 0 ? Severity.MINOR : Severity.NOTE, application.id())
                    .title(application.name() + " " + state + ", so no list shows it")
                    .plain(application.name() + " " + state
                            + ", and other programs offer it only while it makes a sound.")
                    .exact(
                            application.name() + " " + state + "; "
                                    + (taken.isEmpty()
                                            ? "the computer has a system setting for it"
                                            : "input "
                                                    + Sentences.list(taken.stream()
                                                            .map(Element::name)
                                                            .toList())
                                                    + " takes it"),
                            musts > 0
                                    ? "and " + musts + (musts == 1 ? " listener needs" : " listeners need") + " it"
                                    : "")
                    .cause("programs are listed only while they make a sound")
                    .noticed("Nothing, until it is needed.")
                    .setting(application, running ? Applications.SOUNDING : Applications.RUNNING)
                    .figure("musts", musts, "")
                    .made());
        }
        return findings;
    }
}
