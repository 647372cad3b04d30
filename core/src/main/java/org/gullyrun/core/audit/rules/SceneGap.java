package org.gullyrun.core.audit.rules;

import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.AuditContext;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FixKind;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.Topic;
import org.gullyrun.core.brief.Complaint.What;

/** Is a must absent in some of its scenes only? */
final class SceneGap implements Rule {
    @Override
    public String id() {
        return "scene.gap";
    }

    @Override
    public Topic topic() {
        return Topic.MISSING;
    }

    @Override
    public Set<What> heardAs() {
        return Set.of(What.NOTHING, What.CUTS_OUT);
    }

    @Override
    public FixKind fixKind() {
        return FixKind.CHOICES;
    }

    @Override
    public String question() {
        return "Does somebody not hear what they should, in some scenes only?";
    }

    @Override
    public String severity() {
        return "Critical at live and ears, else major.";
    }

    @Override
    public List<Finding> check(AuditContext context) {
        return context.missing().stream()
                .filter(p -> !p.everywhere() && !p.unexplained().isEmpty())
                .map(p -> Missing.finding(id(), context, p))
                .toList();
    }
}
