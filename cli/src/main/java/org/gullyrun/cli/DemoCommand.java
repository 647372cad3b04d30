package org.gullyrun.cli;

import java.util.concurrent.Callable;
import picocli.CommandLine.Command;

/** {@code gullyrun demo}: the window on the sample show. */
@Command(name = "demo", mixinStandardHelpOptions = true, description = "Opens the window on the sample show.")
final class DemoCommand implements Callable<Integer> {
    @Override
    public Integer call() {
        return Window.demo();
    }
}
