package org.gullyrun.cli;

import java.io.PrintWriter;
import java.util.List;
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
        out.printf(
                Locale.ROOT,
                "%d keys in a big rig: half painted within %.1f ms, nine in ten within %.1f ms, longest %.1f ms%n",
                found.times().size(),
                found.times().get(found.times().size() / 2),
                found.times().get(found.times().size() * 9 / 10),
                found.times().getLast());
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
        List<Double> times = AnswerTime.measure(SampleShow.make());
        PrintWriter out = spec.commandLine().getOut();
        out.printf(
                Locale.ROOT,
                "%d changes: half within %.1f ms, nine in ten within %.1f ms, longest %.1f ms%n",
                times.size(),
                times.get(times.size() / 2),
                times.get(times.size() * 9 / 10),
                times.getLast());
        return Exit.OK;
    }
}
