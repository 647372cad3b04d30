package org.gullyrun.lab;

import org.gullyrun.cli.Gullyrun;
import picocli.CommandLine.Command;

/** {@code bin/gullyrun measure} and {@code endure}: commands about the program that don't ship with it. */
@Command(
        name = "gullyrun",
        description = "Measures the real window, and proves that it loses nothing.",
        subcommands = {MeasureCommand.class, EndureCommand.class, EndureCommand.Stream.class})
public final class Lab {
    private Lab() {}

    /** Runs a command and ends the process with its exit code. */
    public static void main(String[] args) {
        System.exit(Gullyrun.run(new Lab(), args));
    }
}
