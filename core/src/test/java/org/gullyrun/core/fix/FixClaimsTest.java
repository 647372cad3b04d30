package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Applications;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.junit.jupiter.api.Test;

/** On tangled rigs: what a fix claims is what a fresh audit of the changed rig finds, and nothing senseless is proposed. */
class FixClaimsTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private record Offered(Reading reading, Finding finding, List<Fix> fixes) {
        String about(Fix fix) {
            return finding.identity() + " by " + fix.changes();
        }
    }

    private static Brief brief(Rig rig, Random random) {
        Brief brief = Brief.EMPTY;
        for (Element source : rig.of(Kind.SOURCE)) {
            for (Element outlet : rig.of(Kind.OUTLET)) {
                if (random.nextInt(3) > 0) {
                    brief = brief.with(new Brief.Cell(source.id(), outlet.id(), ""), Wish.values()[random.nextInt(3)]);
                }
            }
        }
        return brief;
    }

    /** The fixes of the first serious findings of random rigs. */
    private static List<Offered> offers(int rigs) {
        List<Offered> offers = new ArrayList<>();
        for (int seed = 0; seed < rigs; seed++) {
            Rig rig = RandomRigs.of(5_000 + seed);
            Reading reading = AUDIT.read(rig, brief(rig, new Random(seed)));
            reading.findings().stream()
                    .filter(Finding::isBad)
                    .limit(3)
                    .forEach(finding -> offers.add(
                            new Offered(reading, finding, new Fixes(AUDIT).find(reading, finding, () -> false))));
        }
        return offers;
    }

    private static final List<Offered> OFFERS = offers(RandomRigs.many(40, 600));

    private static Map<String, Severity> severities(Reading reading) {
        Map<String, Severity> severities = new HashMap<>();
        reading.findings().forEach(f -> severities.put(f.identity(), f.severity()));
        return severities;
    }

    /** Whether a finding about something missing says nothing new: in no scene did the source arrive before. */
    static boolean wasMissing(Reading before, Reading after, String identity) {
        if (!identity.startsWith("missing:") && !identity.startsWith("scene.gap:")) {
            return false;
        }
        String pair = identity.substring(identity.indexOf(':') + 1);
        boolean told = before.findings().stream()
                .anyMatch(f ->
                        f.identity().equals("missing:" + pair) || f.identity().equals("scene.gap:" + pair));
        return !told && lacking(before, pair).containsAll(lacking(after, pair));
    }

    /** The scenes in which a required source doesn't arrive, or too faintly. */
    private static Set<Integer> lacking(Reading reading, String pair) {
        Set<Integer> scenes = new HashSet<>();
        for (int i = 0; i < reading.scenes().size(); i++) {
            boolean missing = reading.scenes().get(i).cells().stream()
                    .anyMatch(c ->
                            (c.source().id() + ">" + c.outlet().id()).equals(pair) && c.verdict() == Verdict.MISSING);
            if (missing) {
                scenes.add(i);
            }
        }
        return scenes;
    }

    @Test
    void whatIsClaimedIsWhatAFreshAuditFinds() {
        int checked = 0;
        for (Offered offered : OFFERS) {
            Map<String, Severity> was = severities(offered.reading);
            for (Fix fix : offered.fixes) {
                Rig changed = Changes.apply(offered.reading.rig(), fix.changes());
                Reading after = AUDIT.read(changed, offered.reading.brief());
                Map<String, Severity> is = severities(after);
                assertTrue(fix.cleared().contains(offered.finding.identity()), offered.about(fix));
                for (String cleared : fix.cleared()) {
                    Severity left = is.get(cleared);
                    assertTrue(left == null || !left.atLeast(Severity.MAJOR), offered.about(fix) + " left " + cleared);
                }
                Set<String> worse = new HashSet<>();
                is.forEach((identity, severity) -> {
                    Severity before = was.get(identity);
                    if (before == null && severity != Severity.NOTE
                            || before != null && severity.atLeast(Severity.MAJOR) && !before.atLeast(Severity.MAJOR)) {
                        worse.add(identity);
                    }
                });
                worse.removeIf(identity -> wasMissing(offered.reading, after, identity));
                assertEquals(worse, Set.copyOf(fix.created()), offered.about(fix));
                checked++;
            }
        }
        assertTrue(checked > 100, "fixes: " + checked);
    }

    @Test
    void noFixCausesAnythingMajor() {
        for (Offered offered : OFFERS) {
            Map<String, Severity> was = severities(offered.reading);
            for (Fix fix : offered.fixes) {
                assertTrue(fix.isSafe(), offered.about(fix));
                Rig changed = Changes.apply(offered.reading.rig(), fix.changes());
                Reading after = AUDIT.read(changed, offered.reading.brief());
                severities(after).forEach((identity, severity) -> {
                    Severity before = was.get(identity);
                    assertTrue(
                            !severity.atLeast(Severity.MAJOR)
                                    || before != null && before.atLeast(Severity.MAJOR)
                                    || wasMissing(offered.reading, after, identity),
                            offered.about(fix) + " causes " + identity);
                });
            }
        }
    }

    @Test
    void nobodyForbidsACallItsMicrophoneWhileSomebodyThereHasToHearIt() {
        for (Offered offered : OFFERS) {
            Rig rig = offered.reading.rig();
            for (Fix fix : offered.fixes) {
                for (Change change : fix.changes()) {
                    if (!(change instanceof Change.Set set)
                            || !set.setting().equals(Applications.MAY_LISTEN)
                                    && !set.setting().equals(Applications.INPUT_MUTED)) {
                        continue;
                    }
                    boolean shuts = set.setting().equals(Applications.MAY_LISTEN)
                            ? Boolean.FALSE.equals(set.to())
                            : Boolean.TRUE.equals(set.to());
                    boolean needed = offered.reading.scenes().stream()
                            .flatMap(scene -> scene.cells().stream())
                            .anyMatch(cell -> cell.wish() == Wish.MUST
                                    && set.element()
                                            .equals(cell.outlet().get(org.gullyrun.core.rig.Outlets.APPLICATION)));
                    assertFalse(shuts && needed, offered.about(fix) + " in " + rig.name(set.element()));
                }
            }
        }
    }

    @Test
    void aProgramIsSilencedOnlyAfterEverythingElse() {
        for (Offered offered : OFFERS) {
            boolean silenced = false;
            for (Fix fix : offered.fixes) {
                silenced |= fix.work().cutsAtStart();
                assertEquals(
                        silenced,
                        fix.work().cutsAtStart(),
                        offered.about(fix) + " stands behind one that mutes a program");
            }
        }
    }

    @Test
    void aTrackIsNeverTakenOffAnOutputForBeingEmpty() {
        for (int seed = 0; seed < RandomRigs.many(60, 600); seed++) {
            Rig rig = RandomRigs.of(9_000 + seed);
            Reading reading = AUDIT.read(rig, brief(rig, new Random(seed)));
            for (Finding finding : reading.findings()) {
                if (finding.rule().equals("track.empty")) {
                    for (Fix fix : new Fixes(AUDIT).find(reading, finding, () -> false)) {
                        assertTrue(
                                fix.changes().stream()
                                        .noneMatch(c -> c instanceof Change.Set set
                                                && set.setting().familyKey().equals(Productions.TAKES_TRACK.key())
                                                && Boolean.FALSE.equals(set.to())),
                                finding.identity() + " " + fix.sentence());
                    }
                }
            }
        }
    }

    @Test
    void whatAListenerLacksArrivesAfterwards() {
        int checked = 0;
        for (Offered offered : OFFERS) {
            if (!offered.finding.rule().equals("missing")) {
                continue;
            }
            for (Fix fix : offered.fixes) {
                Rig changed = Changes.apply(offered.reading.rig(), fix.changes());
                Reading after = AUDIT.read(changed, offered.reading.brief());
                int source = changed.of(Kind.SOURCE)
                        .indexOf(changed.get(offered.finding.subject().source()));
                int outlet = changed.of(Kind.OUTLET)
                        .indexOf(changed.get(offered.finding.subject().outlet()));
                boolean arrives = after.scenes().stream().anyMatch(scene -> {
                    CellReading cell = scene.cell(source, outlet);
                    return cell.delivery().arrives() && !cell.tooFaint();
                });
                boolean told = after.findings().stream()
                        .anyMatch(f -> f.rule().equals("output.idle")
                                || f.rule().equals("engine.down")
                                || f.rule().startsWith("device."));
                assertTrue(arrives || told, offered.about(fix));
                checked++;
            }
        }
        assertTrue(checked > 20, "fixes: " + checked);
    }

    @Test
    void theSameRigIsProposedTheSame() {
        for (Offered offered : OFFERS.subList(0, 20)) {
            List<Fix> again = new Fixes(AUDIT).find(offered.reading, offered.finding, () -> false);
            assertEquals(offered.fixes, again);
        }
    }
}
