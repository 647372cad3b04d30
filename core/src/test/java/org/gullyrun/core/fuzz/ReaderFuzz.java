package org.gullyrun.core.fuzz;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.inventory.Inventory;
import org.gullyrun.core.inventory.QuestionSheet;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;

/**
 * What the coverage-guided fuzzer calls, over and over, with inputs that it grows: see the profile {@code fuzz}. Anything
 * but a {@link CaseProblem} that comes out is a fault.
 */
public final class ReaderFuzz {
    private static final Rig RIG = SampleShow.make().surveys().getFirst().rig();

    private ReaderFuzz() {}

    /** Tries one input on the reader that its first byte names. */
    public static void fuzzerTestOneInput(byte[] input) throws IOException {
        if (input.length == 0) {
            return;
        }
        byte[] rest = java.util.Arrays.copyOfRange(input, 1, input.length);
        switch (input[0] & 3) {
            case 0 -> Changes.apply(RIG, Inventory.read(RIG, rest).changes());
            case 1 -> Changes.apply(RIG, QuestionSheet.read(RIG, rest).changes());
            default -> {
                Path file = Files.createTempFile("fuzz", ".json");
                try {
                    Files.write(file, rest);
                    CaseFiles.open(file);
                } catch (CaseProblem e) {
                    if (String.valueOf(e.getMessage()).isBlank()) {
                        throw new IllegalStateException("a message is needed", e);
                    }
                } finally {
                    Files.delete(file);
                }
            }
        }
    }
}
