package org.gullyrun.cli;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.words.Texts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** All that the terminal prints: help, answers and complaints, collected and held against phrases that nobody would say. */
class TerminalTextsTest {
    @TempDir
    Path folder;

    private final Terminal terminal = new Terminal();
    private final List<String> texts = new ArrayList<>();

    private void say(String... args) {
        terminal.run(args);
        // Names of the temporary folder say nothing about the program.
        String all = (terminal.out() + "\n" + terminal.err()).replace(folder.toString(), "FOLDER");
        texts.addAll(all.lines().toList());
    }

    @TakesLong
    @Test
    void whatTheTerminalSaysIsWhatATechnicianWouldSay() throws Exception {
        say("--help");
        for (String command : List.of(
                "audit", "trace", "reach", "repair", "compare", "sample", "picture", "demo", "measure", "endure")) {
            say(command, "--help");
        }
        String file = folder.resolve("show.json").toString();
        say("sample", file);
        say("sample", file);
        for (String survey : List.of("as-found", "known-good")) {
            say("audit", file, "--survey", survey, "--causes");
            say("trace", file, "--survey", survey, "--scene", "Panel");
            say("repair", file, "--survey", survey);
        }
        say("repair", file, "--markdown", "--off-air", "--without", "in-default/muted");
        say("repair", file, "--without", "organ/pitch");
        say("compare", file);
        say("compare", file, "--from", "known-good", "--to", "as-found", "--markdown");
        say("compare", file, "--from", "yesterday");
        say("reach", file, "in-default/muted");
        say("reach", file, "host");
        say("reach", file, "organ");
        say("audit", file, "--survey", "yesterday");
        say("audit", file, "--scene", "nowhere");
        say("audit", file, "--fail-on", "bad");
        say("trace", file, "--source", "organ");
        say("picture", folder.resolve("no.png").toString(), "--size", "large");
        say("picture", folder.resolve("no.png").toString(), "--step", "dance");
        say("audit", folder.resolve("none.json").toString());
        say("audit", folder.toString());
        say("dance");
        for (String broken : List.of(
                "",
                "{",
                "[]",
                "{\"format\":\"x\"}",
                "{\"format\":\"gullyrun case\",\"version\":99}",
                "{\"format\":\"gullyrun case\",\"version\":1,\"surveys\":[]}",
                "{\"format\":\"gullyrun case\",\"version\":1,\"surveys\":[{\"id\":\"s\",\"rig\":{\"devices\":[{\"id\":\"d\",\"rate\":\"fast\"}]}}]}",
                "{\"format\":\"gullyrun case\",\"version\":1,\"colour\":1,\"surveys\":[{\"id\":\"s\",\"rig\":{\"sources\":[{\"id\":\"s\",\"startsAt\":\"gone\"}]}}]}")) {
            say(
                    "audit",
                    Files.writeString(folder.resolve("broken.json"), broken).toString());
        }
        assertTrue(texts.size() > 500, "lines: " + texts.size());
        Texts.check(texts, Path.of("target", "texts.txt"));
    }
}
