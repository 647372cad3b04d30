package org.gullyrun.core.words;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.ExamplePair;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.JoinedFindings;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Rule;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.StartingBrief;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.fix.CreatorText;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.fix.WhatIf;
import org.gullyrun.core.intake.Questions;
import org.gullyrun.core.intake.Section;
import org.gullyrun.core.intake.Sheet;
import org.gullyrun.core.intake.StartingRigs;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sentences;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.Unknown;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** What the core can say: rules, findings, fixes, settings, questions. */
class TextsTest {
    private static final Audit AUDIT = RuleCatalogue.usual();
    private final List<String> texts = new ArrayList<>();

    @Test
    void whatTheCoreSaysIsWhatATechnicianWouldSay() throws Exception {
        for (Rule rule : RuleCatalogue.ALL) {
            texts.add(rule.question());
            texts.add(Threshold.spelled(rule.severity()));
        }
        for (ExamplePair pair : ExamplePair.all().values()) {
            findings(AUDIT.read(Changes.apply(ExamplePair.GOOD, pair.with()), pair.brief()));
        }
        Case sample = SampleShow.make();
        for (Survey survey : sample.surveys()) {
            Reading reading = AUDIT.read(survey.rig(), sample.brief());
            findings(reading);
            fixes(reading);
        }
        for (Threshold threshold : Threshold.values()) {
            texts.add(threshold.meaning());
            texts.add(threshold.source());
        }
        for (StartingBrief brief : StartingBrief.values()) {
            texts.add(brief.title());
            texts.add(brief.about());
        }
        for (StartingRigs.Starting rig : StartingRigs.all()) {
            texts.add(rig.title());
            texts.add(rig.about());
        }
        Rig found = sample.surveys().getFirst().rig();
        Rig good = sample.surveys().getLast().rig();
        Changes.between(good, found).forEach(c -> texts.add(Sentences.happened(good, found, c)));
        settings(found);
        assertTrue(texts.size() > 1_000, "texts: " + texts.size());
        Texts.check(texts, Path.of("target", "texts.txt"));
    }

    private void findings(Reading reading) {
        for (Finding finding : reading.findings()) {
            Finding.Words words = finding.words();
            texts.addAll(List.of(words.title(), words.plain(), words.exact(), words.cause(), words.noticed()));
        }
        JoinedFindings.of(reading.rig(), reading.findings()).forEach(row -> texts.add(row.title()));
    }

    private void fixes(Reading reading) {
        Fixes fixes = new Fixes(AUDIT.quick());
        Set<String> rules = new HashSet<>(); // what fixes findings of one rule is said in the same words
        for (Finding finding : reading.findings()) {
            if (!rules.add(finding.rule())) {
                continue;
            }
            for (Fix fix : fixes.find(reading, finding, () -> false)) {
                texts.add(fix.sentence());
                texts.add(fix.price());
            }
        }
        RootCauses.Found causes =
                RootCauses.of(new Fixes(AUDIT.quick()), reading, () -> false, () -> false, progress -> {});
        causes.groups().forEach(g -> texts.add(g.fix().sentence()));
        texts.addAll(CreatorText.of(reading, causes).lines().toList());
        WhatIf.events(reading.rig()).forEach(e -> texts.add(e.sentence()));
    }

    /** Names of settings, headings of columns, and every question that can be asked of the rig. */
    private void settings(Rig rig) {
        List<Element> unknown = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            for (Setting<?> setting : Catalogue.of(kind)) {
                texts.add(setting.label());
            }
        }
        for (Element element : rig.elements()) {
            Element asked = element;
            for (Setting<?> setting : Catalogue.of(element.kind())) {
                if (!setting.isFamily()
                        && !Set.of("place", "name", element.kind().ownerKey()).contains(setting.key())) {
                    asked = asked.put(setting, Unknown.UNKNOWN);
                }
            }
            for (String key : element.keys()) {
                Setting<?> member = key.indexOf(':') < 0 ? null : Catalogue.find(element.kind(), key);
                asked = member == null ? asked : asked.put(member, Unknown.UNKNOWN);
            }
            unknown.add(asked);
        }
        Questions.of(Rig.of(unknown)).forEach(q -> {
            texts.add(q.wording());
            texts.add(q.why());
        });
        for (Section section : Section.values()) {
            texts.add(section.label());
            texts.add(section.question());
            Sheet.of(rig, section).forEach(table -> {
                texts.add(table.title());
                table.columns().forEach(c -> texts.add(c.head()));
            });
        }
    }
}
