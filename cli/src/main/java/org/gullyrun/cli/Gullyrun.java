package org.gullyrun.cli;

import java.io.PrintWriter;
import java.util.concurrent.Callable;
import org.gullyrun.core.casefile.CaseProblem;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** The program: the window, or one of the commands. */
@Command(
        name = "gullyrun",
        mixinStandardHelpOptions = true,
        version = "Gullyrun 0.1.0",
        description = "Audits a creator's audio rig: traces every sound, and says what is wrong and what to do.",
        subcommands = {
            DemoCommand.class,
            AuditCommand.class,
            TraceCommand.class,
            SampleCommand.class,
            PictureCommand.class,
            MeasureCommand.class,
            EndureCommand.class,
            EndureCommand.Stream.class
        },
        footer = {
            "",
            "Exit codes: 0 all well; 1 a finding as bad as --fail-on says; 2 the command was not understood;",
            "3 a file cannot be read or written; 4 no display for the window; 70 a fault of the program."
        })
public final class Gullyrun implements Callable<Integer> {
    @Parameters(arity = "0..1", paramLabel = "CASE", description = "The case file to open in the window.")
    java.nio.file.@Nullable Path file;

    /** Runs the program and ends the process with its exit code. */
    public static void main(String[] args) {
        // Reading a command line takes a third of a second; what only opens the window need not wait for that.
        switch (args.length == 1 ? args[0] : args.length == 0 ? "" : "more") {
            case "" -> System.exit(Window.open(null));
            case "demo" -> System.exit(Window.demo());
            default -> {}
        }
        System.exit(run(new PrintWriter(System.out, true), new PrintWriter(System.err, true), args));
    }

    /** Runs a command line with streams given, and returns its exit code. */
    static int run(PrintWriter out, PrintWriter err, String... args) {
        CommandLine line = new CommandLine(new Gullyrun());
        line.setOut(out);
        line.setErr(err);
        line.setExecutionExceptionHandler((e, command, parsed) -> {
            switch (e) {
                case CaseProblem problem -> {
                    err.println(problem.getMessage());
                    return Exit.FILE;
                }
                case UsageProblem problem -> {
                    err.println(problem.getMessage());
                    return Exit.USAGE;
                }
                default -> {
                    e.printStackTrace(err);
                    return Exit.BROKEN;
                }
            }
        });
        int code = line.execute(args);
        out.flush();
        err.flush();
        return code;
    }

    @Override
    public Integer call() {
        if (file != null && !java.nio.file.Files.exists(file)) {
            throw new UsageProblem("There is no command and no file called '" + file + "'; see gullyrun --help.");
        }
        return Window.open(file);
    }
}
