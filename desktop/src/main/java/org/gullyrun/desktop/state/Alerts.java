package org.gullyrun.desktop.state;

/**
 * What a person has to know as long as it is so; a message would go away.
 *
 * @param failure why the case as it stands could not be audited, so that what is shown is out of date; empty if it was
 * @param noJournal whether changes can be written down nowhere, so that a crash would lose them
 * @param causesOld whether the root causes shown are those of a rig before, while those of this one are looked for
 */
public record Alerts(String failure, boolean noJournal, boolean causesOld) {
    /** All is well. */
    static final Alerts NONE = new Alerts("", false, false);

    /** What there is to know after a case was opened and read for the first time. */
    static Alerts of(Analysis.First first, CaseSession session) {
        return NONE.failed(first.failure()).journal(session.lacksJournal());
    }

    /** The same, with why the audit failed; empty if it didn't. */
    Alerts failed(String why) {
        return new Alerts(why, noJournal, causesOld);
    }

    /** The same, with whether unsaved changes can't be kept safe at present. */
    Alerts journal(boolean lacking) {
        return new Alerts(failure, lacking, causesOld);
    }

    /** The same, with whether the root causes shown are of the rig before. */
    Alerts causes(boolean old) {
        return causesOld == old ? this : new Alerts(failure, noJournal, old);
    }

    /** Whether the case as it stands could not be audited: then nothing may look clear. */
    public boolean isNotAudited() {
        return !failure.isEmpty();
    }

    /** What is to be said as long as it is so; empty if nothing is. */
    public String told() {
        String audit = failure.isEmpty()
                ? ""
                : "This case can't be audited as it stands, so the findings shown belong to an earlier state. "
                        + failure;
        String journal = noJournal
                ? "Changes can't be kept safe here: neither the case's folder nor your own can be written to. Save often."
                : "";
        return (audit + " " + journal).strip();
    }
}
