package org.gullyrun.cli;

import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.window.AnswerTime;
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

    @Override
    public Integer call() throws Exception {
        if (!Window.hasDisplay()) {
            return Exit.NO_DISPLAY;
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
