package org.gullyrun.core.fuzz;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.CaseFiles;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.casefile.UnsavedChanges;
import org.gullyrun.core.fix.Fixes;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.flow.graph.RigTooLarge;
import org.gullyrun.core.intake.Questions;
import org.gullyrun.core.inventory.Inventory;
import org.gullyrun.core.inventory.QuestionSheet;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Dangling;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;

/**
 * What the coverage-guided fuzzer calls, over and over, with inputs that it grows: see the profile {@code fuzz}. It goes on
 * where reading ends: what could be read is written and read again, audited, journaled, and its causes are sought. Anything
 * but a {@link CaseProblem} that comes out is a fault, unless a rig is said to be too large.
 */
public final class ReaderFuzz {
    private static final Rig RIG = SampleShow.make().surveys().getFirst().rig();
    private static final long SECOND = 1_000_000_000L;

    private ReaderFuzz() {}

    /** Tries one input on what its first byte names. */
    public static void fuzzerTestOneInput(byte[] input) throws IOException {
        if (input.length == 0) {
            return;
        }
        byte[] rest = Arrays.copyOfRange(input, 1, input.length);
        Path file = Files.createTempFile("fuzz", ".json");
        try {
            switch (input[0] & 7) {
                case 0 -> goOn(Changes.apply(RIG, Inventory.read(RIG, rest).changes()), file);
                case 1 -> goOn(Changes.apply(RIG, QuestionSheet.read(RIG, rest).changes()), file);
                case 2 -> {
                    Files.write(file, rest);
                    if (UnsavedChanges.read(file, null) instanceof UnsavedChanges left) {
                        goOn(left.made(), file);
                    }
                }
                default -> {
                    Files.write(file, rest);
                    goOn(CaseFiles.open(file), file);
                }
            }
        } catch (CaseProblem e) {
            if (String.valueOf(e.getMessage()).isBlank()) {
                throw new IllegalStateException("a message is needed", e);
            }
        } finally {
            Files.delete(file);
        }
    }

    private static void goOn(Rig rig, Path file) {
        goOn(new Case("f", "", 4, "", List.of(new Survey("s", "s", "", "", rig, Map.of())), Brief.EMPTY), file);
    }

    private static void goOn(Case what, Path file) {
        try {
            CaseFiles.save(what, file);
            if (!CaseFiles.open(file).equals(what)) {
                throw new IllegalStateException("saved and opened, it is another");
            }
        } catch (CaseProblem e) {
            throw new IllegalStateException("what was read cannot be saved and opened again", e);
        }
        Audit audit = RuleCatalogue.on(what.terms(), what.showHours());
        Rig rig = what.surveys().getFirst().rig();
        try {
            audit.read(rig, what.brief());
            long until = System.nanoTime() + SECOND / 2;
            Reading quick = audit.quick().read(rig, what.brief());
            RootCauses.of(new Fixes(audit.quick()), quick, () -> false, () -> System.nanoTime() > until, x -> {});
        } catch (RigTooLarge e) {
            if (String.valueOf(e.getMessage()).isBlank()) {
                throw new IllegalStateException("a message is needed", e);
            }
        }
        Questions.of(rig);
        Dangling.in(rig);
    }
}
