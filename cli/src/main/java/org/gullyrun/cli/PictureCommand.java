package org.gullyrun.cli;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.NoSuchElementException;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeoutException;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.fix.WhatIf;
import org.gullyrun.core.flow.graph.SceneKey;
import org.gullyrun.core.intake.Section;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.find.FindIndex;
import org.gullyrun.desktop.window.Picture;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code gullyrun picture}: the real window rendered into a file. */
@Command(
        name = "picture",
        mixinStandardHelpOptions = true,
        description = "Renders the window into a PNG; without a case, on the sample show.")
final class PictureCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "OUT.png", description = "The picture to write.")
    Path out = Path.of("");

    @Parameters(index = "1", arity = "0..1", paramLabel = "CASE", description = "The case to show.")
    @Nullable
    Path file;

    @Option(names = "--survey", paramLabel = "S", defaultValue = "", description = "Id of the survey.")
    String survey = "";

    private static final List<String> STEPS = List.of("intake", "brief", "trace", "findings", "repair");

    @Option(
            names = "--step",
            paramLabel = "STEP",
            defaultValue = "trace",
            description = "intake, brief, trace, findings or repair.")
    String step = "trace";

    @Option(
            names = "--scene",
            paramLabel = "S",
            defaultValue = "",
            description = "Name of the scene; all if not given.")
    String scene = "";

    @Option(
            names = "--select",
            paramLabel = "TEXT",
            defaultValue = "",
            description = "What to type into the find field, like \"music > archive\".")
    String select = "";

    @Option(
            names = "--rung",
            paramLabel = "N",
            defaultValue = "-1",
            description = "Open the settings of this rung, or look at this step of a repair, counted from 0.")
    int rung = -1;

    @Option(names = "--rates", description = "The map with rates and clocks instead of levels.")
    boolean rates;

    private static final List<String> SHEETS = List.of("", "levels", "compare", "what-if", "keys");

    @Option(
            names = "--open",
            paramLabel = "SHEET",
            defaultValue = "",
            description = "A sheet over it: levels, compare, what-if or keys.")
    String open = "";

    @Option(
            names = "--try",
            paramLabel = "TEXT",
            defaultValue = "",
            description = "Show what would be different after this, like \"default to Mole\".")
    String tried = "";

    @Option(names = "--night", description = "Use the night sheet.")
    boolean night;

    @Option(names = "--text", paramLabel = "PERCENT", defaultValue = "100", description = "Size of text, 80 to 150.")
    int text = 100;

    @Option(names = "--size", paramLabel = "WxH", defaultValue = "1280x800", description = "Size in pixels.")
    String size = "1280x800";

    @Spec
    CommandSpec spec = CommandSpec.create();

    @Override
    public Integer call() throws Exception {
        if (!size.matches("[1-9][0-9]{2,3}x[1-9][0-9]{2,3}")) {
            throw new UsageProblem("--size is written as 1280x800, not '" + size + "'");
        }
        if (!STEPS.contains(step.toLowerCase(Locale.ROOT))) {
            throw new UsageProblem("--step is one of " + String.join(", ", STEPS) + ", not '" + step + "'");
        }
        if (text < 80 || text > 150) {
            throw new UsageProblem("--text is a percentage from 80 to 150, not " + text);
        }
        if (!SHEETS.contains(open)) {
            throw new UsageProblem(
                    "--open is one of " + String.join(", ", SHEETS.subList(1, SHEETS.size())) + ", not '" + open + "'");
        }
        Case what = file == null ? SampleShow.make() : CaseFiles.open(file);
        Survey shown = CaseArgument.survey(what, survey.isEmpty() ? null : survey);
        checkScene(shown);
        checkSelected(what, shown);
        checkTried(shown);
        if (!Window.hasDisplay()) {
            spec.commandLine().getErr().println("There is no display, not even a virtual one; run it under xvfb-run.");
            return Exit.NO_DISPLAY;
        }
        String[] sides = size.split("x");
        try {
            Picture.write(
                    new Picture.Wanted(
                            what,
                            shown.id(),
                            step,
                            scene,
                            select,
                            rung,
                            rates,
                            open,
                            tried,
                            night,
                            text / 100.0,
                            Integer.parseInt(sides[0]),
                            Integer.parseInt(sides[1])),
                    out);
        } catch (NoSuchElementException problem) {
            throw new UsageProblem(String.valueOf(problem.getMessage()));
        } catch (TimeoutException problem) {
            spec.commandLine().getErr().println(problem.getMessage());
            return Exit.NO_DISPLAY;
        }
        spec.commandLine().getOut().println("Wrote " + out);
        return Exit.OK;
    }

    /** Refuses a scene that the survey doesn't have before a window is opened for it. */
    private void checkScene(Survey shown) {
        List<String> names = SceneKey.axis(shown.rig()).stream()
                .map(key -> key.name(shown.rig()))
                .toList();
        if (!scene.isEmpty() && names.stream().noneMatch(scene::equalsIgnoreCase)) {
            throw new UsageProblem("There is no scene '" + scene + "'. There are: " + String.join(", ", names));
        }
    }

    /** Likewise what is selected: in Intake a section, elsewhere what the find field finds, or the id of a finding. */
    private void checkSelected(Case what, Survey shown) {
        if (select.isEmpty()) {
            return;
        }
        if (step.equalsIgnoreCase("intake")) {
            String section = select.split("/", 2)[0];
            List<String> sections = Arrays.stream(Section.values())
                    .map(each -> each.name().toLowerCase(Locale.ROOT))
                    .toList();
            if (!sections.contains(section.toLowerCase(Locale.ROOT))) {
                throw new UsageProblem(
                        "Intake has no section '" + section + "'. There are: " + String.join(", ", sections));
            }
            return;
        }
        Reading reading =
                CaseArgument.read(what, shown, file == null ? "The sample show" : String.valueOf(file.getFileName()));
        if (FindIndex.search(select, reading, List.of()).isEmpty()
                && reading.findings().stream().noneMatch(f -> f.identity().equals(select))) {
            throw new UsageProblem("Nothing here is called '" + select + "'");
        }
    }

    /** Likewise what is tried. */
    private void checkTried(Survey shown) {
        if (!tried.isEmpty()
                && WhatIf.search(WhatIf.events(shown.rig()), tried, "", 1).isEmpty()) {
            throw new UsageProblem("Nothing like '" + tried + "' can be tried here");
        }
    }
}
