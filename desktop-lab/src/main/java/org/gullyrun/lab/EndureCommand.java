package org.gullyrun.lab;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import org.gullyrun.cli.Exit;
import org.gullyrun.cli.Window;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.UnsavedChanges;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.window.WindowObserver;
import org.gullyrun.desktop.window.WorkbenchApp;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Ends real windows in the midst of changes, at random moments, and counts what was lost. */
@Command(
        name = "endure",
        description = "Kills the window at random moments while changes stream in, and counts what was lost.")
final class EndureCommand implements Callable<Integer> {
    private static final double STEP = 0.001;
    private static final int LONGEST = 2500;

    @Option(names = "--kills", defaultValue = "200", description = "How many times; ${DEFAULT-VALUE} if not given.")
    int kills;

    @Option(names = "--seed", defaultValue = "1", description = "The seed of the moments; ${DEFAULT-VALUE}.")
    long seed;

    @Spec
    CommandSpec spec = CommandSpec.create();

    private record Said(int change, long at) {}

    /** What one window said before it was killed: the changes made, and how many saves were begun and not done. */
    private static final class Killed {
        final List<Said> changes = new ArrayList<>();
        int saving;
        long killed;
    }

    @Override
    public Integer call() throws Exception {
        if (!Window.hasDisplay()) {
            return Exit.NO_DISPLAY;
        }
        PrintWriter out = spec.commandLine().getOut();
        Random random = new Random(seed);
        Path folder = Files.createTempDirectory("gullyrun-endure");
        long changes = 0;
        int late = 0;
        int most = 0;
        long longest = 0;
        int broken = 0;
        int inSaves = 0;
        for (int kill = 0; kill < kills; kill++) {
            Path home = Files.createDirectory(folder.resolve("run" + kill));
            Path file = home.resolve("show.json");
            CaseFiles.save(SampleShow.make(), file);
            Killed window = run(file, home, random.nextInt(LONGEST));
            List<Said> said = window.changes;
            long killed = window.killed;
            inSaves += window.saving > 0 ? 1 : 0;
            int kept = kept(file, home);
            int made = said.isEmpty() ? 0 : said.getLast().change;
            changes += made;
            most = Math.max(most, made - kept);
            if (kept < 0) {
                broken++;
                out.println("run " + kill + ": the case can no longer be read");
            }
            for (Said one : said) {
                if (one.change > kept) {
                    longest = Math.max(longest, killed - one.at);
                    late += killed - one.at > 1000 ? 1 : 0;
                }
            }
        }
        out.printf(
                "%d kills, %d of them during a save, %d changes made: %d lost that were older than a second, at most %d lost at one kill (the oldest"
                        + " %d ms old), %d cases unreadable%n",
                kills, inSaves, changes, late, Math.max(0, most), longest, broken);
        return late == 0 && broken == 0 ? Exit.OK : Exit.BROKEN;
    }

    /** Runs one window until some time after its first change. */
    private static Killed run(Path file, Path home, int millis) throws IOException, InterruptedException {
        Killed window = new Killed();
        List<String> command = new ArrayList<>();
        ProcessHandle.current().info().command().ifPresent(command::add);
        command.addAll(java.lang.management.ManagementFactory.getRuntimeMXBean().getInputArguments());
        command.addAll(
                List.of("-cp", System.getProperty("java.class.path"), Lab.class.getName(), "stream", file.toString()));
        ProcessBuilder builder = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD);
        builder.environment().put("XDG_CONFIG_HOME", home.resolve("config").toString());
        builder.environment().put("XDG_STATE_HOME", home.resolve("state").toString());
        Process process = builder.start();
        try (BufferedReader lines =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            Thread killer = null;
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (killer == null) {
                    killer = new Thread(() -> {
                        try {
                            TimeUnit.MILLISECONDS.sleep(millis);
                        } catch (InterruptedException e) {
                            Thread.currentThread().interrupt();
                        }
                        window.killed = System.currentTimeMillis();
                        process.toHandle().destroyForcibly(); // leaves what it has said to be read
                    });
                    killer.start();
                }
                String[] parts = line.split(" ");
                if (parts.length == 2 && parts[1].length() == 13) {
                    window.changes.add(new Said(Integer.parseInt(parts[0]), Long.parseLong(parts[1])));
                } else if (line.startsWith("sav")) {
                    window.saving += line.startsWith("saving") ? 1 : -1;
                }
            }
        }
        process.waitFor();
        return window;
    }

    /** How many changes are in what the next start would offer, or else in the file; -1 if neither can be read. */
    private static int kept(Path file, Path home) {
        try {
            List<UnsavedChanges> left = UnsavedChanges.find(
                            file, home.resolve("state").resolve("gullyrun").resolve("journals"), null)
                    .leftovers();
            Case what = left.isEmpty() ? CaseFiles.open(file) : left.getFirst().made();
            var rig = what.surveys().getFirst().rig();
            return (int) Math.round(-rig.of(Kind.INPUT).getFirst().or(Productions.INPUT_LEVEL, 0.0) / STEP);
        } catch (org.gullyrun.core.casefile.CaseProblem | RuntimeException e) {
            return -1;
        }
    }

    /** The window that is killed. */
    @Command(name = "stream", hidden = true, description = "Opens a case and makes changes without end.")
    static final class Stream implements Callable<Integer> {
        @picocli.CommandLine.Parameters(paramLabel = "CASE")
        String file = "";

        @Override
        public Integer call() {
            WorkbenchApp.run(
                    new WindowObserver() {
                        @Override
                        public void filled(Store store) {
                            ChangeStream.start(store, System.out);
                        }
                    },
                    file);
            return Exit.OK;
        }
    }
}
