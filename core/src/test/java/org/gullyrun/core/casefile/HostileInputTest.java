package org.gullyrun.core.casefile;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.Random;
import org.gullyrun.core.RandomRigs;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** Files that were damaged, or made to do harm: a case or a message with its place, never anything else. */
class HostileInputTest {
    private static final String[] PIECES = {
        "null",
        "true",
        "-1e999",
        "\"?\"",
        "[]",
        "{}",
        "\"\\u0000\"",
        "99999999999999999999",
        "\"default\"",
        "[1,2,3]",
        "{\"a\":1}",
        "0.1",
        "\"wins\"",
        "-0"
    };

    private final byte[] good = CaseWriter.write(SampleShow.make()).getBytes(StandardCharsets.UTF_8);

    private static String problem(byte[] bytes) {
        CaseProblem problem = assertThrows(CaseProblem.class, () -> CaseReader.read("f.json", bytes));
        return String.valueOf(problem.getMessage());
    }

    @Test
    void whateverIsDamagedTheAnswerIsACaseOrAMessageWithItsPlace() {
        int read = 0;
        for (long seed = 1; seed <= RandomRigs.many(600, 6_000); seed++) {
            long which = seed;
            Random random = new Random(seed);
            byte[] bytes = seed % 2 == 0 ? damaged(random) : replaced(random);
            try {
                Case what = CaseReader.read("f.json", bytes);
                RuleCatalogue.usual().read(what.surveys().getFirst().rig(), what.brief());
                read++;
            } catch (CaseProblem e) {
                assertTrue(String.valueOf(e.getMessage()).startsWith("f.json"), e.getMessage());
                assertFalse(e.place().isEmpty(), () -> which + ": " + e.getMessage());
            }
        }
        assertTrue(read > 12, "some damage leaves a case: " + read);
    }

    private byte[] damaged(Random random) {
        byte[] bytes = good.clone();
        for (int n = random.nextInt(6); n >= 0; n--) {
            int at = random.nextInt(bytes.length);
            bytes[at] =
                    (byte) (random.nextBoolean() ? "\"{}[]:,0tfn\\".charAt(random.nextInt(12)) : random.nextInt(256));
        }
        return bytes;
    }

    /** Puts something else in the place of a value. */
    private byte[] replaced(Random random) {
        String text = new String(good, StandardCharsets.UTF_8);
        int colon = text.indexOf(": ", random.nextInt(text.length() - 200));
        int end = colon + 2;
        while (",\n}]".indexOf(text.charAt(end)) < 0) {
            end++;
        }
        String piece = PIECES[random.nextInt(PIECES.length)];
        return (text.substring(0, colon + 2) + piece + text.substring(end)).getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void depthLengthAndNumberHaveTheirLimits() {
        assertTrue(problem("[".repeat(100_000).getBytes(StandardCharsets.UTF_8)).contains("64 levels"));
        assertTrue(problem(("{\"format\":\"" + "x".repeat(1_100_000) + "\"}").getBytes(StandardCharsets.UTF_8))
                .contains("1000000 letters"));
        assertTrue(problem(("{\"a\":[" + "[],".repeat(1_500_000) + "1]}").getBytes(StandardCharsets.UTF_8))
                .contains("2000000 values"));
        assertTrue(problem("{\"format\":1,\"format\":2}".getBytes(StandardCharsets.UTF_8))
                .contains("uplicate"));
    }
}
