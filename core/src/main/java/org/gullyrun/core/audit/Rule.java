package org.gullyrun.core.audit;

import java.util.List;

/** One question put to a rig. Without state; everything it needs is in the context. */
public interface Rule {

    /** Its stable id. */
    String id();

    /** The question it answers. */
    String question();

    /** Everything it finds, in a fixed order; at most one finding for each subject. */
    List<Finding> check(AuditContext context);
}
