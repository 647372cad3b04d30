package org.gullyrun.cli;

import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.flow.graph.RigTooLarge;
import org.gullyrun.core.repair.Conditions;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Rig;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** The options that audit and trace share: which case, survey and scene. */
final class CaseArgument {
    @Parameters(paramLabel = "CASE", description = "The case file.")
    Path file = Path.of("");

    @Option(names = "--survey", paramLabel = "S", description = "Id or name of the survey; the first if not given.")
    @Nullable
    String survey;

    @Option(names = "--scene", paramLabel = "S", description = "Id or name of one scene; all if not given.")
    @Nullable
    String scene;

    /** What was asked for, read and audited. */
    record Opened(Case what, Survey survey, Reading reading, List<Integer> scenes) {
        /** The audit on the case's terms, with every rule. */
        Audit audit() {
            return RuleCatalogue.on(what.terms(), what.showHours());
        }

        /** The same without the rules that take long. */
        Audit quickAudit() {
            return audit().quick();
        }

        /** The rig as it was when all was well; null if that isn't known. */
        @Nullable
        Rig goodRig() {
            return what.goodRig(survey.id());
        }

        /** What was ruled out in the repair of the survey. */
        Conditions conditions() {
            return Conditions.ruledOut(what.ruledOut(survey.id()));
        }

        /** Fixes as an audit sees them, of what isn't ruled out. */
        Fixes fixes(Audit audit) {
            return new Fixes(audit, goodRig(), conditions()::allows);
        }
    }

    /** Opens the case and finds the survey that is meant. */
    Opened open() throws CaseProblem {
        Case what = CaseFiles.open(file);
        Survey chosen = survey(what, survey);
        Reading reading = read(what, chosen, String.valueOf(file.getFileName()));
        return new Opened(what, chosen, reading, scenes(reading));
    }

    /** Reads and audits a survey of a case that is called so in messages. */
    static Reading read(Case what, Survey survey, String called) {
        try {
            return RuleCatalogue.on(what.terms(), what.showHours()).read(survey.rig(), what.brief());
        } catch (RigTooLarge e) {
            throw new FileProblem(called + ": " + e.getMessage());
        }
    }

    /** The survey of a case with an id or name; the first if none is given. */
    static Survey survey(Case what, @Nullable String wanted) {
        return what.surveys().stream()
                .filter(s -> wanted == null || s.id().equals(wanted) || s.name().equalsIgnoreCase(wanted))
                .findFirst()
                .orElseThrow(() -> new UsageProblem("There is no survey '" + wanted + "'. There are: "
                        + String.join(
                                ", ", what.surveys().stream().map(Survey::id).toList())));
    }

    /** The element that a person means among some: the one with that id, or else the first of that name, whatever its case. */
    static Optional<Element> named(Collection<Element> among, String name) {
        return among.stream()
                .filter(e -> e.id().equals(name))
                .findFirst()
                .or(() -> among.stream()
                        .filter(e -> e.name().equalsIgnoreCase(name))
                        .findFirst());
    }

    /** The scenes that are meant; all of them if none is named. */
    private List<Integer> scenes(Reading reading) {
        List<Integer> all = java.util.stream.IntStream.range(0, reading.scenes().size())
                .filter(i -> scene == null
                        || reading.scenes().get(i).key().scene().equals(scene)
                        || reading.scenes().get(i).name().equalsIgnoreCase(scene))
                .boxed()
                .toList();
        if (all.isEmpty()) {
            throw new UsageProblem("There is no scene '" + scene + "'. There are: "
                    + String.join(
                            ", ", reading.scenes().stream().map(s -> s.name()).toList()));
        }
        return all;
    }
}
