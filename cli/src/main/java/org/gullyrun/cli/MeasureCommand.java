package org.gullyrun.cli;

import java.io.PrintWriter;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.measure.AnswerTime;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;

/** {@code gullyrun measure}: how long the window takes to answer a change, for {@code docs/performance.md}. */
@Command(
        name = "measure",
        hidden = true,
        description = "Measures how long the window takes to answer a change on the sample show.")
final class MeasureCommand implements Callable<Integer> {
    @Spec
    CommandSpec spec = CommandSpec.create();

    @picocli.CommandLine.Option(names = "--typing", description = "Types the sample show in, and counts the keys.")
    boolean typing;

    private int typing() throws InterruptedException {
        var found = org.gullyrun.desktop.measure.Usability.measure(
                SampleShow.make().surveys().getFirst().rig());
        PrintWriter out = spec.commandLine().getOut();
        out.printf(
                Locale.ROOT,
                "%d keys for %d elements: %.1f an element; %d questions left%n",
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
        if (typing) {
            return typing();
        }
        spec.commandLine()
                .getOut()
                .println("changes, " + AnswerTime.measure(SampleShow.make()).say());
        return Exit.OK;
    }
}
