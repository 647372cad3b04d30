package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Mixers;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What would happen if: held to making the change and reading all afresh. Letters say what was found. */
class WhatIfTest {
    private static final Case CASE = SampleShow.make();
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private static Reading reading(String survey) {
        return AUDIT.read(CASE.survey(survey).orElseThrow().rig(), CASE.brief());
    }

    @ParameterizedTest
    @ValueSource(strings = {SampleShow.KNOWN_GOOD, SampleShow.AS_FOUND})
    void whatIsToldIsWhatHappens(String survey) {
        Reading now = reading(survey);
        Rig rig = now.rig();
        List<WhatIf.Event> events = WhatIf.events(rig, "");
        assertTrue(events.size() > 40, "of every device, engine and default: " + events.size());
        for (WhatIf.Event event : events) {
            WhatIf.Outcome told = WhatIf.of(AUDIT, now, event);
            Reading then = AUDIT.read(Changes.apply(rig, List.of(event.change())), CASE.brief());
            Set<String> lost = new TreeSet<>();
            Set<String> gained = new TreeSet<>();
            Set<String> same = new TreeSet<>();
            for (int s = 0; s < rig.of(Kind.SOURCE).size(); s++) {
                for (int o = 0; o < rig.of(Kind.OUTLET).size(); o++) {
                    CellReading cell = now.scenes().getFirst().cell(s, o);
                    String pair = cell.source().name() + " at " + cell.outlet().name();
                    boolean arrivesAlike = true;
                    for (int i = 0; i < now.scenes().size(); i++) {
                        boolean before =
                                now.scenes().get(i).cell(s, o).delivery().arrives();
                        boolean after =
                                then.scenes().get(i).cell(s, o).delivery().arrives();
                        if (before != after) {
                            (before ? lost : gained).add(pair);
                            arrivesAlike = false;
                        }
                    }
                    if (arrivesAlike) {
                        same.add(pair);
                    }
                }
            }
            assertEquals(lost, new TreeSet<>(told.lost()), event.sentence());
            assertEquals(gained, new TreeSet<>(told.gained()), event.sentence());
            assertTrue(same.containsAll(told.altered()), event.sentence());
            assertEquals(titles(then, now), told.worse(), event.sentence());
            assertEquals(titles(now, then), told.better(), event.sentence());
        }
    }

    /** What is in one reading and not in the other, or only less severe there; notes aside. */
    private static List<String> titles(Reading in, Reading not) {
        List<String> titles = new ArrayList<>();
        for (Finding finding : in.findings()) {
            boolean asBad = false;
            for (Finding other : not.findings()) {
                asBad |= other.identity().equals(finding.identity())
                        && other.severity().ordinal() <= finding.severity().ordinal();
            }
            if (finding.severity() != Severity.NOTE && !asBad) {
                titles.add(finding.words().title());
            }
        }
        return titles;
    }

    @Test
    void aMixerThatStopsTakesAwayWhatGoesThroughIt() {
        Reading now = reading(SampleShow.KNOWN_GOOD);
        List<WhatIf.Event> events = WhatIf.events(now.rig(), "brookdesk");
        assertEquals(
                List.of(Change.set(now.rig(), "brookdesk", Mixers.RUNNING, false)),
                events.stream().map(WhatIf.Event::change).toList());
        WhatIf.Outcome outcome = WhatIf.of(AUDIT, now, events.getFirst());
        assertTrue(
                outcome.lost().contains("Guests at Host's ears"), outcome.lost().toString());
        assertEquals(List.of(), outcome.gained());
        assertFalse(outcome.worse().isEmpty());
        assertFalse(outcome.isNothing());
        assertTrue(now.rig().get("brookdesk").is(Mixers.RUNNING, true), "nothing is altered");
    }

    @Test
    void aLetterSaysWhatStandsBehindWhatAndForgetsNothing() {
        Reading found = reading(SampleShow.AS_FOUND);
        RootCauses.Found causes = RootCauses.of(AUDIT, found, () -> false, x -> {});
        String letter = CreatorText.of(found, causes);
        List<String> lines = letter.lines().toList();
        List<String> expected = new ArrayList<>();
        int number = 0;
        for (RootCauses.Group group : causes.groups()) {
            expected.add(++number + ". " + group.fix().sentence() + ".");
            group.findings().forEach(f -> expected.add("   - " + f.words().plain()));
        }
        assertEquals(expected, lines.subList(0, expected.size()));
        for (Finding finding : found.findings()) {
            assertEquals(
                    finding.severity() != Severity.NOTE,
                    letter.contains("- " + finding.words().plain() + "\n"),
                    finding.identity());
        }
        assertEquals(
                "Every listener hears what they should.\n",
                CreatorText.of(reading(SampleShow.KNOWN_GOOD), RootCauses.Found.NOTHING));
    }

    @Test
    void aLetterOfOneFindingEndsWithWhatHelpsAndItsPrice() {
        Reading found = reading(SampleShow.AS_FOUND);
        Finding leak = found.findings().stream()
                .filter(f -> f.identity().equals("leak:music>archive"))
                .findFirst()
                .orElseThrow();
        List<Fix> fixes = new Fixes(AUDIT).find(found, leak, () -> false);
        assertEquals(
                leak.words().plain() + "\nListeners notice: " + leak.words().noticed()
                        + "\nFix: In Orrery, take input Music off track archive."
                        + " Side effects: Partner relay loses Music.\n",
                CreatorText.of(leak, fixes));
        assertFalse(CreatorText.of(leak, List.of()).contains("Fix:"));
    }
}
