package org.gullyrun.lab;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import javafx.application.Platform;
import javafx.scene.Scene;
import org.gullyrun.cli.Exit;
import org.gullyrun.cli.Window;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.window.WindowObserver;
import org.gullyrun.desktop.window.WorkbenchApp;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** How long the window takes to answer a change, for {@code docs/performance.md}. */
@Command(
        name = "measure",
        description = "Measures how long the window takes to answer a change, on the sample show or another case.")
final class MeasureCommand implements Callable<Integer> {
    private static final int WARMING = 120;
    private static final int WARMING_LARGE = 40;
    private static final int TOLD = 40;
    private static final int FIRST = 30;

    @Spec
    CommandSpec spec = CommandSpec.create();

    @Option(names = "--typing", description = "Types in the sample show and counts the keys.")
    boolean typing;

    @Option(names = "--start", description = "Times a start with the sample show, from the command on.")
    boolean start;

    @Option(names = "--first", description = "Times the first changes after a start.")
    boolean first;

    @Option(names = "--after", description = "With --first: this many seconds after the map is drawn.")
    double after = 4;

    @Option(names = "--what", description = "What is changed: ${COMPLETION-CANDIDATES}.")
    AnswerTime.Changes changed = AnswerTime.Changes.TRACK;

    @Option(names = "--minutes", description = "Uses the window for this long and prints how much memory it takes.")
    double minutes;

    @Option(names = "--case", paramLabel = "CASE", description = "The case; the sample show if not given.")
    @Nullable
    Path file;

    @Option(names = "--step", description = "The step in which it happens: ${COMPLETION-CANDIDATES}.")
    Step step = Step.TRACE;

    /** Types the sample show in with the real keys and counts them. */
    private int typing() throws InterruptedException {
        var found = Usability.measure(SampleShow.make().surveys().getFirst().rig(), true);
        PrintWriter out = spec.commandLine().getOut();
        out.printf(
                Locale.ROOT,
                "%d keys for %d elements: %.2f an element; %d questions left%n",
                found.strokes(),
                found.elements(),
                (double) found.strokes() / found.elements(),
                org.gullyrun.core.intake.Questions.of(found.rig()).size());
        out.println("keys in a big rig, " + found.times().say());
        return Exit.OK;
    }

    @Override
    public Integer call() throws Exception {
        if (!Window.hasDisplay()) {
            return Exit.NO_DISPLAY;
        }
        if (start) {
            WorkbenchApp.run(
                    new WindowObserver() {
                        @Override
                        public void shown(Scene scene) {
                            new StartTime(scene, System.out, Platform::exit).start();
                        }
                    },
                    WorkbenchApp.DEMO);
            return Exit.OK;
        }
        if (typing) {
            return typing();
        }
        PrintWriter out = spec.commandLine().getOut();
        Case what = file == null ? SampleShow.make() : CaseFiles.open(file);
        if (minutes > 0) {
            LongUse.run(what, minutes, out::println);
            return Exit.OK;
        }
        if (first) {
            Times each = AnswerTime.measure(what, new AnswerTime.Course(changed, 0, FIRST, after, step));
            out.println("the first changes after a start, ms: " + each.sayEach());
        } else {
            Times warm = AnswerTime.measure(
                    what, new AnswerTime.Course(changed, file == null ? WARMING : WARMING_LARGE, TOLD, 0, step));
            out.println("changes, " + warm.say());
        }
        return Exit.OK;
    }
}
