package org.gullyrun.cli;

import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.NoSuchFileException;
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
            ReachCommand.class,
            RepairCommand.class,
            CompareCommand.class,
            SampleCommand.class,
            PictureCommand.class
        },
        footer = {
            "",
            "Exit codes:",
            "   0  all is well",
            "   1  a finding is at least as severe as --fail-on says",
            "   2  the command was not understood",
            "   3  a file or the output cannot be read or written, or a rig is too large",
            "   4  there is no display for the window",
            "   5  the program could not be set up or built",
            "  70  an error in the program"
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
        System.exit(run(new Gullyrun(), args));
    }

    /** Runs a command with the streams of the process, and returns its exit code. */
    public static int run(Object command, String... args) {
        return run(
                command,
                SafePrinter.to(new FileOutputStream(FileDescriptor.out)),
                SafePrinter.to(new FileOutputStream(FileDescriptor.err)),
                args);
    }

    /** Runs a command line with streams given, and returns its exit code. */
    static int run(SafePrinter out, SafePrinter err, String... args) {
        return run(new Gullyrun(), out, err, args);
    }

    /** Runs a command and turns what goes wrong into a message and an exit code. */
    private static int run(Object command, SafePrinter out, SafePrinter err, String... args) {
        CommandLine line = new CommandLine(command);
        line.setOut(out);
        line.setErr(err);
        line.setExecutionExceptionHandler((e, failed, parsed) -> {
            switch (e) {
                case CaseProblem problem -> {
                    err.println(problem.getMessage());
                    return Exit.FILE;
                }
                case UsageProblem problem -> {
                    err.println(problem.getMessage());
                    return Exit.USAGE;
                }
                case FileProblem problem -> {
                    err.println(problem.getMessage());
                    return Exit.FILE;
                }
                case IOException problem -> {
                    err.println("A file can't be read or written: " + said(problem));
                    return Exit.FILE;
                }
                default -> {
                    e.printStackTrace(err);
                    return Exit.BROKEN;
                }
            }
        });
        int code;
        try {
            code = line.execute(args);
        } catch (OutOfMemoryError e) {
            err.println("There isn't enough memory for this case. Allow more with GULLYRUN_JAVA_OPTIONS=-Xmx4g.");
            code = Exit.BROKEN;
        } catch (StackOverflowError e) {
            err.println("This case is nested too deeply.");
            code = Exit.BROKEN;
        }
        err.flush();
        if (out.checkError()) { // flushes too
            err.println("The output couldn't be written completely: it was closed, or its drive is full.");
            return code == Exit.BROKEN ? code : Exit.FILE;
        }
        return code;
    }

    /** What went wrong with a file. The system's message often is only its name. */
    private static String said(IOException problem) {
        return switch (problem) {
            case NoSuchFileException e -> "there is no folder or file " + e.getFile();
            case AccessDeniedException e -> "no permission to " + e.getFile();
            default -> String.valueOf(problem.getMessage());
        };
    }

    @Override
    public Integer call() {
        if (file != null && !java.nio.file.Files.exists(file)) {
            throw new UsageProblem("There is no command and no file called '" + file + "'; see gullyrun --help.");
        }
        return Window.open(file);
    }
}
