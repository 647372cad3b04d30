package org.gullyrun.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.file.Path;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** The sample show in a file of its own, for commands to read. */
abstract class SampleInTerminalTest {
    static final Case SAMPLE = SampleShow.make();

    @TempDir
    Path folder;

    final Terminal terminal = new Terminal();
    String file = "";

    @BeforeEach
    void sample() {
        file = folder.resolve("sample.json").toString();
        assertEquals(Exit.OK, terminal.run("sample", file));
    }

    /** What the core finds in a survey of it. */
    static Reading reading(String survey) {
        return RuleCatalogue.on(SAMPLE.terms(), SAMPLE.showHours())
                .read(SAMPLE.survey(survey).orElseThrow().rig(), SAMPLE.brief());
    }
}
