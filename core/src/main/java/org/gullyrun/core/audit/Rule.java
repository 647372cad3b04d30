package org.gullyrun.core.audit;

import java.util.List;
import java.util.Set;
import org.gullyrun.core.brief.Complaint.What;

/** One question put to a rig. Without state; everything it needs is in the context. */
public interface Rule {

    /** Its stable id. */
    String id();

    /** What it is about. */
    Topic topic();

    /** What a creator would report where it finds something; empty if that is not heard. */
    default Set<What> heardAs() {
        return topic().heardAs();
    }

    /** How its findings can be fixed. */
    default FixKind fixKind() {
        return FixKind.GATES;
    }

    /** The question it answers. */
    String question();

    /** How bad what it finds is, in words; limits are named by their keys in braces. */
    String severity();

    /** Whether it takes so long, trying other rigs or leaving things out, that it is asked only when there is time. */
    default boolean isDeep() {
        return false;
    }

    /** What its findings rest on. */
    enum Rests {
        /** On the settings of elements only, and on none that only leads sound ({@code flow.RoutingSettings}). */
        SETTINGS,
        /** On the loops, and on settings that lead nothing. */
        LOOPS,
        /** On anything. */
        ALL
    }

    /** What has to be the same for what it found in an earlier reading to hold still. */
    default Rests rests() {
        return Rests.ALL;
    }

    /** Everything it finds, in a fixed order; at most one finding for each subject. */
    List<Finding> check(AuditContext context);
}
