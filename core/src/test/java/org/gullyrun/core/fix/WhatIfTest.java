package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.compare.Difference;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** What might happen, found by what is typed. Letters say what was found. */
class WhatIfTest {
    private static final Case CASE = SampleShow.make();
    private static final Audit AUDIT = RuleCatalogue.usual().quick();

    private static Reading reading(String survey) {
        return AUDIT.read(CASE.survey(survey).orElseThrow().rig(), CASE.brief());
    }

    private static List<String> found(String typed, String about) {
        return WhatIf.search(WhatIf.events(reading(SampleShow.KNOWN_GOOD).rig()), typed, about, 3).stream()
                .map(WhatIf.Event::sentence)
                .toList();
    }

    @Test
    void whatAPersonTypesFindsWhatTheyMean() {
        assertEquals("Unplug Tern headset", found("tern off", "").getFirst());
        assertEquals("Stop Brookdesk", found("stop brookdesk", "").getFirst());
        assertEquals("Stop Brookdesk", found("brookdesk gone", "").getFirst());
        assertEquals("Mute Driftbox", found("Driftbox off", "").getFirst());
        assertEquals("Mute Driftbox", found("stop driftbox", "").getFirst());
        assertEquals(
                "Set the playback default of Desk PC to Mole speakers",
                found("default to mole", "").getFirst());
        assertEquals(List.of(), found("nonesuch", ""));
        assertEquals(List.of(), found("nonesuch", "brookdesk"), "not even of what is selected");
        assertEquals("Stop Brookdesk", found("", "brookdesk").getFirst(), "what is selected comes first");
    }

    @Test
    void turningAProgramOffIsFeltByThoseWhoHearIt() {
        Reading now = reading(SampleShow.KNOWN_GOOD);
        for (String program : List.of("Driftbox", "Almanac", "Tinderbox", "Brookdesk", "Orrery")) {
            WhatIf.Event event = WhatIf.search(WhatIf.events(now.rig()), "close " + program, "", 1)
                    .getFirst();
            Reading then = AUDIT.read(Changes.apply(now.rig(), List.of(event.change())), CASE.brief());
            assertFalse(Difference.of(AUDIT, now, then, -1).lost().isEmpty(), event.sentence());
        }
    }

    @Test
    void everyEventIsAChangeThatCanBeMadeAndTakenBack() {
        Rig rig = reading(SampleShow.AS_FOUND).rig();
        List<WhatIf.Event> events = WhatIf.events(rig);
        assertTrue(events.size() > 150, "of every device, program, default and part: " + events.size());
        for (WhatIf.Event event : events) {
            Rig changed = Changes.apply(rig, List.of(event.change()));
            assertEquals(List.of(event.change()), Changes.between(rig, changed), event.sentence());
            assertEquals(
                    List.of(event), WhatIf.search(events, event.sentence(), "", 1), "its own sentence finds it first");
        }
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
            JoinedFindings.of(found.rig(), group.findings())
                    .forEach(row -> expected.add("   - " + row.first().words().plain() + same(found, row)));
        }
        assertEquals(expected, lines.subList(0, expected.size()));
        assertTrue(
                lines.stream()
                        .anyMatch(line -> line.contains("   - Live hears Crew: ")
                                && line.endsWith(
                                        "takes everything played there. The same at Archive and Partner relay.")),
                letter);
        Set<String> told = new TreeSet<>();
        Stream.concat(causes.groups().stream().map(RootCauses.Group::findings), Stream.of(causes.left()))
                .flatMap(findings -> JoinedFindings.of(found.rig(), findings).stream())
                .filter(row -> letter.contains("- " + row.first().words().plain() + same(found, row) + "\n"))
                .forEach(row -> row.findings().forEach(f -> told.add(f.identity())));
        assertEquals(
                found.findings().stream()
                        .filter(f -> f.severity() != Severity.NOTE)
                        .map(Finding::identity)
                        .collect(Collectors.toCollection(TreeSet::new)),
                told);
        assertEquals(
                "Every listener hears what they should.\n",
                CreatorText.of(reading(SampleShow.KNOWN_GOOD), RootCauses.Found.NOTHING));
    }

    /** Where else a row's trouble is the same. */
    private static String same(Reading found, JoinedFindings row) {
        List<String> others = row.findings().stream()
                .skip(1)
                .map(f -> found.rig().name(JoinedFindings.listener(found.rig(), f)))
                .toList();
        return others.isEmpty() ? "" : " The same at " + Sentences.list(others) + ".";
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
