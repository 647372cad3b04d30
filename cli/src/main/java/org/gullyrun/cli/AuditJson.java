package org.gullyrun.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.gullyrun.core.audit.Evidence;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.casefile.UnknownField;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Dangling;

/** What an audit found as plain maps and lists, for JSON. */
final class AuditJson {
    private AuditJson() {}

    /** All of it as plain maps and lists, for JSON. */
    static Map<String, Object> of(
            CaseArgument.Opened opened,
            List<Finding> findings,
            RootCauses.Found causes,
            List<Repair> ways,
            FindingFixes fixes) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("case", opened.what().title());
        all.put("survey", opened.survey().id());
        all.put(
                "findings",
                findings.stream().map(f -> plain(opened.reading(), f, fixes)).toList());
        all.put(
                "waived",
                opened.reading().waived().stream()
                        .map(f -> plain(opened.reading(), f))
                        .toList());
        all.put(
                "unfinished",
                opened.reading().unfinished().stream()
                        .map(u -> PlainData.ordered("rule", u.rule(), "why", u.why()))
                        .toList());
        if (causes.ended()) {
            all.put("causesDone", causes.done());
            all.put("causes", causes.groups().stream().map(AuditJson::plain).toList());
            all.put("strategies", ways.stream().map(RepairCommand::plain).toList());
        }
        all.put(
                "dangling",
                Dangling.in(opened.survey().rig()).stream()
                        .map(d -> PlainData.ordered(
                                "element", d.at().element(), "setting", d.at().key(), "to", d.to(), "why", d.why()))
                        .toList());
        all.put(
                "unknownFields",
                UnknownField.in(opened.what()).stream()
                        .map(u -> PlainData.ordered("survey", u.survey(), "element", u.element(), "field", u.field()))
                        .toList());
        return all;
    }

    /** A finding with what fixes it, where that was asked for. */
    private static Map<String, Object> plain(Reading reading, Finding finding, FindingFixes fixes) {
        Map<String, Object> one = plain(reading, finding);
        if (fixes.knows(finding)) {
            one.put("fixes", fixes.of(finding).stream().map(AuditJson::plain).toList());
            String none = fixes.none(finding);
            if (!none.isEmpty()) {
                one.put("noFix", none);
            }
        }
        return one;
    }

    /** A fix with what it clears, what it causes and what else it alters. */
    private static Map<String, Object> plain(Fix fix) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("sentence", fix.sentence());
        one.put("changes", fix.changes().stream().map(AuditJson::plain).toList());
        one.put("fixes", fix.cleared());
        one.put("causesNew", fix.created());
        one.put("sideEffects", fix.sideEffects().words());
        one.put("asInKnownGood", fix.restores());
        return one;
    }

    /** A root cause with the findings that go away by it. */
    private static Map<String, Object> plain(RootCauses.Group group) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("sentence", group.fix().sentence());
        one.put("changes", group.fix().changes().stream().map(AuditJson::plain).toList());
        one.put("fixes", group.findings().stream().map(Finding::identity).toList());
        one.put("causesNew", group.counted().created());
        one.put("sideEffects", group.counted().sideEffects().words());
        one.put("standsAlone", group.standsAlone());
        return one;
    }

    /** A change in the words of a file: what is set, added or removed, by ids. */
    private static String plain(Change change) {
        return switch (change) {
            case Change.Set set -> "set " + set.element() + "/" + set.setting().key() + " to " + set.to();
            case Change.Add add ->
                "add " + add.what().kind().noun() + " " + add.what().id();
            case Change.Remove remove ->
                "remove " + remove.what().kind().noun() + " " + remove.what().id();
        };
    }

    /** A finding with its words, figures and evidence; the names of the fields are stable. */
    private static Map<String, Object> plain(Reading reading, Finding finding) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("identity", finding.identity());
        one.put("rule", finding.rule());
        one.put("severity", finding.severity().word());
        if (finding.subject().source().isEmpty()) {
            one.put("elements", finding.subject().elements());
        } else {
            one.put("source", finding.subject().source());
            one.put("outlet", finding.subject().outlet());
        }
        one.put(
                "scenes",
                finding.scenes().stream()
                        .map(i -> reading.scenes().get(i).key().scene())
                        .toList());
        one.put("title", finding.words().title());
        one.put("plain", finding.words().plain());
        one.put("exact", finding.words().exact());
        one.put("cause", finding.words().cause());
        one.put("noticed", finding.words().noticed());
        one.put("assumed", finding.assumed());
        Map<String, Object> figures = new LinkedHashMap<>();
        finding.figures().forEach(f -> figures.put(f.name(), Json.number(f.value())));
        one.put("figures", figures);
        Evidence evidence = finding.evidence();
        one.put(
                "routes",
                evidence.routes().stream()
                        .map(w -> {
                            Map<String, Object> route = new LinkedHashMap<>();
                            route.put("form", w.form().name().toLowerCase(Locale.ROOT));
                            route.put(
                                    "points",
                                    PlainData.points(
                                            reading.scenes()
                                                    .get(evidence.scene())
                                                    .graph(),
                                            w.in(reading.scenes()
                                                    .get(evidence.scene())
                                                    .graph())));
                            return route;
                        })
                        .toList());
        one.put("settings", evidence.settings().stream().map(Object::toString).toList());
        return one;
    }
}
