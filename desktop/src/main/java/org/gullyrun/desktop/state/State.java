package org.gullyrun.desktop.state;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.FindingFilter;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Judgement;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.brief.Terms;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Edit;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.casefile.UnsavedChanges;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.repair.Conditions;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;

/**
 * Everything the window shows, in one piece. Immutable; {@link Store} makes the next one.
 *
 * @param what the case as it stands
 * @param file where it was opened from or saved to, or null
 * @param past what can be done about what was done
 * @param place where a person is in the window
 * @param answer what is computed of the survey; it may be one change behind the case, and is whole in itself
 * @param shown what the selection lights
 * @param proposals what the program proposes to do, as far as worked out
 * @param message something to tell, or null
 * @param leftovers what windows that ended without saving have left behind, to be decided on
 * @param alerts what a person has to know as long as it is so
 * @param look how the window looks
 */
public record State(
        Case what,
        @Nullable Path file,
        Past past,
        Place place,
        Answer answer,
        Shown shown,
        Proposals proposals,
        @Nullable Message message,
        List<UnsavedChanges> leftovers,
        Alerts alerts,
        Look look) {

    /** A case just opened. */
    static State fresh(
            Case what, @Nullable Path file, Answer answer, List<UnsavedChanges> leftovers, Alerts alerts, Look look) {
        return new State(
                what,
                file,
                Past.NOTHING,
                Place.in(what.surveys().getFirst().id()),
                answer,
                Shown.NOTHING,
                Proposals.NONE,
                null,
                leftovers,
                alerts,
                look);
    }

    /** The survey shown. */
    public Survey surveyShown() {
        return what.survey(place.survey()).orElseThrow();
    }

    /** What is heard and found. */
    public Reading reading() {
        return answer.reading();
    }

    /** The graph that the routes shown are of. */
    public FlowGraph graph() {
        return reading().scenes().get(shown.scene()).graph();
    }

    /** As {@link Past#unsaved}. */
    public boolean unsaved() {
        return past.unsaved();
    }

    /** As {@link Place#survey}. */
    public String survey() {
        return place.survey();
    }

    /** As {@link Place#scene}. */
    public int scene() {
        return place.scene();
    }

    /** As {@link Place#step}. */
    public Step step() {
        return place.step();
    }

    /** As {@link Place#selection}. */
    public Selection selection() {
        return place.selection();
    }

    /** As {@link Place#hop}. */
    public int hop() {
        return place.hop();
    }

    /** As {@link Place#filter}. */
    public FindingFilter filter() {
        return place.filter();
    }

    /** As {@link Place#lens}. */
    public Lens lens() {
        return place.lens();
    }

    /** As {@link Look#night}. */
    public boolean night() {
        return look.night();
    }

    /** As {@link Look#textScale}. */
    public double textScale() {
        return look.textScale();
    }

    /** Another case, or another survey of it. */
    State with(Case changed, String survey, int scene) {
        return new State(
                changed,
                file,
                past,
                place.at(survey, scene),
                answer,
                shown,
                proposals.with((Against) null),
                message,
                leftovers,
                alerts.causes(true),
                look);
    }

    /** Whether the answer stays what it is in a changed case: another survey may have come, or something was noted. */
    boolean isHeardAlike(Case changed, String survey) {
        return survey.equals(place.survey())
                && !isAnswerOld()
                && changed.survey(survey).orElseThrow().rig() == surveyShown().rig()
                && changed.brief() == what.brief()
                && changed.terms().equals(what.terms())
                && changed.showHours() == what.showHours()
                && Objects.equals(changed.goodRig(survey), what.goodRig(survey));
    }

    /** A case in which nothing is heard otherwise, but something else may be ruled out. */
    State noting(Case changed) {
        boolean otherCauses = !changed.ruledOut(survey()).equals(ruledOut());
        return new State(
                changed,
                file,
                past,
                place,
                answer,
                shown,
                proposals,
                message,
                leftovers,
                otherCauses ? alerts.causes(true) : alerts,
                look);
    }

    State with(Past other) {
        return new State(what, file, other, place, answer, shown, proposals, message, leftovers, alerts, look);
    }

    State in(@Nullable Path other) {
        return new State(what, other, past, place, answer, shown, proposals, message, leftovers, alerts, look);
    }

    State with(Place other) {
        return new State(what, file, past, other, answer, shown, proposals, message, leftovers, alerts, look);
    }

    State with(@Nullable Message other) {
        return new State(what, file, past, place, answer, shown, proposals, other, leftovers, alerts, look);
    }

    State with(Look other) {
        return new State(what, file, past, place, answer, shown, proposals, message, leftovers, alerts, other);
    }

    State with(List<UnsavedChanges> left) {
        return new State(what, file, past, place, answer, shown, proposals, message, left, alerts, look);
    }

    State with(Alerts other) {
        return new State(what, file, past, place, answer, shown, proposals, message, leftovers, other, look);
    }

    /** Whether the answer shown is not of the case as it stands: it is being worked out, or could not be. */
    public boolean isAnswerOld() {
        return reading().rig() != surveyShown().rig() || reading().brief() != what.brief();
    }

    State with(@Nullable FixList list) {
        return with(proposals.with(list));
    }

    State with(RootCauses.Found found) {
        return with(proposals.with(found)).with(alerts.causes(false));
    }

    State with(Planning planning) {
        return with(proposals.with(planning));
    }

    State with(@Nullable Against against) {
        return with(proposals.with(against));
    }

    private State with(Proposals other) {
        return new State(what, file, past, place, answer, shown, other, message, leftovers, alerts, look);
    }

    /** As {@link Proposals#fixes}. */
    public @Nullable FixList fixes() {
        return proposals.fixes();
    }

    /** As {@link Proposals#causes}. */
    public RootCauses.Found causes() {
        return proposals.causes();
    }

    /** As {@link Proposals#against}. */
    public @Nullable Against against() {
        return proposals.against();
    }

    /** As {@link Proposals#planning}. */
    public Planning planning() {
        return proposals.planning();
    }

    /** The findings that are wanted, in their order. */
    public List<Finding> wanted() {
        return reading().findings().stream()
                .filter(f -> place.filter().lets(f, place.scene()))
                .toList();
    }

    /** Whether the rig can be judged as it stands, or what is missing. */
    public Judgement judgement() {
        return answer.judgement();
    }

    /** The findings that match the filter, in the order in which the step lists them: grouped by root cause. */
    public List<Finding> listed() {
        List<List<Finding>> sections = new ArrayList<>();
        Set<Finding> rest = new LinkedHashSet<>(wanted());
        for (RootCauses.Group group : causes().groups()) {
            List<Finding> here = new ArrayList<>();
            for (Finding finding : group.findings()) {
                rest.stream()
                        .filter(f -> f.identity().equals(finding.identity()))
                        .forEach(here::add);
            }
            here.forEach(rest::remove);
            sections.add(here);
        }
        sections.add(List.copyOf(rest));
        return sections.stream()
                .flatMap(section -> JoinedFindings.of(reading().rig(), section).stream())
                .flatMap(row -> row.findings().stream())
                .toList();
    }

    /**
     * The same with findings that took longer: nothing that is heard is another, so what is shown stays, unless it is one
     * of those that have come.
     */
    State deepened(Reading whole, ViewModels models) {
        boolean come = selection() instanceof Selection.Trouble && shown.finding() == null;
        Shown now = come ? Shown.of(whole, selection(), scene()) : shown;
        return new State(
                what,
                file,
                past,
                place,
                answer.deepened(whole, models),
                now.finding() == null ? shown : now,
                proposals,
                message,
                leftovers,
                alerts,
                look);
    }

    /** Whether nothing that is heard differs from another state; findings that took longer may have come. */
    public boolean soundsAs(State other) {
        return reading().scenes() == other.reading().scenes();
    }

    /** Another answer, selection or scene: what is lit follows, all at once. */
    State showing(Answer newest, Selection selected, int chosenScene) {
        int within = chosenScene < newest.reading().scenes().size() ? chosenScene : -1;
        Shown next = Shown.of(newest.reading(), selected, within);
        boolean gone = selected instanceof Selection.Trouble && next.finding() == null && selected.equals(selection());
        return new State(
                what,
                file,
                past,
                place.with(selected, within),
                newest,
                gone ? shown.cleared(newest.reading(), within) : next,
                newest == answer
                        ? proposals.with((FixList) null)
                        : proposals.with((FixList) null).with((Against) null),
                message,
                leftovers,
                newest == answer ? alerts : alerts.failed("").causes(true),
                look);
    }

    /** The next finding in the list, so many further; what is selected now if there is none. */
    Selection findingBeside(int by) {
        List<Finding> findings = step() == Step.FINDINGS ? listed() : reading().findings();
        if (findings.isEmpty()) {
            return selection();
        }
        Finding now = shown.finding();
        int at = now == null ? (by > 0 ? -1 : 0) : findings.indexOf(now);
        return new Selection.Trouble(
                findings.get(Math.floorMod(at + by, findings.size())).identity());
    }

    /** The rung so many further on the route shown; the one looked at if no route is. */
    int hopBeside(int by) {
        return shown.routes().isEmpty()
                ? hop()
                : Math.clamp(hop() + by, 0, shown.routes().getFirst().segments().size());
    }

    /** The edit that lives with a finding for a reason; an empty reason takes a waiver back. */
    public Edit waiving(Finding finding, String reason) {
        Edit.About from = Edit.About.of(what);
        Terms terms = reason.isEmpty()
                ? from.terms().without(finding.identity())
                : from.terms().with(reading().waiver(finding, reason));
        return new Edit.OfCase(from, from.with(terms));
    }

    /** The edit that lives with several findings for one reason; those that aren't there are left out. */
    public Edit waivingAll(List<String> identities, String reason) {
        Edit.About from = Edit.About.of(what);
        Terms terms = from.terms();
        for (Finding finding : reading().findings()) {
            if (identities.contains(finding.identity())) {
                terms = terms.with(reading().waiver(finding, reason));
            }
        }
        return new Edit.OfCase(from, from.with(terms));
    }

    /** The rig of the survey that is known to be good; null if there is none beside the one shown. */
    @Nullable
    Rig goodRig() {
        return what.goodRig(survey());
    }

    /** What isn't possible in the survey shown, as was found out in Repair. */
    public Set<Address> ruledOut() {
        return what.ruledOut(survey());
    }

    /** Fixes of what is shown, as an audit sees them. */
    Fixes fixes(Audit audit) {
        return new Fixes(audit, goodRig(), Conditions.ruledOut(ruledOut())::allows);
    }
}
