package org.gullyrun.desktop.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.gullyrun.core.fix.RootCauses;
import org.junit.jupiter.api.Test;

/** Root causes are worked out once for all who need them. */
class SoughtCausesTest {
    private final SoughtCauses sought = new SoughtCauses();
    private final RootCauses.Found found = new RootCauses.Found(List.of(), List.of(), RootCauses.Progress.DONE);

    @Test
    void whoAsksWhileTheyAreSoughtGetsThemOnceTheyAreThere() {
        CompletableFuture<?>[] asked = new CompletableFuture<?>[1];
        RootCauses.Found told = sought.seek(7, 3, () -> {
            asked[0] = sought.of(7, 3);
            assertFalse(asked[0].isDone());
            return found;
        });
        assertSame(found, told);
        assertSame(found, asked[0].join());
        assertSame(found, sought.of(7, 3).join());
        assertTrue(sought.isOf(7, 3));
        assertFalse(sought.isOf(7, 4), "with something else ruled out there are others");
        assertEquals(RootCauses.Found.NOTHING, sought.of(7, 4).join());
    }

    @Test
    void thoseOfAnotherRequestAreNobodysAndASearchThatFailsKeepsNobodyWaiting() {
        sought.seek(7, 3, () -> found);
        assertEquals(RootCauses.Found.NOTHING, sought.of(8, 3).join());
        assertThrows(
                IllegalStateException.class,
                () -> sought.seek(9, 3, () -> {
                    throw new IllegalStateException("made up");
                }));
        assertEquals(RootCauses.Found.NOTHING, sought.of(9, 3).join());
    }
}
