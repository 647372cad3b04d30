package org.gullyrun.desktop.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.rig.Address;
import org.junit.jupiter.api.Test;

/** Root causes are worked out once for all who need them. */
class SoughtCausesTest {
    private static final Set<Address> NONE = Set.of();
    private static final Set<Address> ONE = Set.of(new Address("in-music", "muted"));

    private final SoughtCauses sought = new SoughtCauses();
    private final RootCauses.Found found = new RootCauses.Found(List.of(), List.of(), RootCauses.Progress.DONE);

    @Test
    void whoAsksWhileTheyAreSoughtGetsThemOnceTheyAreThere() {
        CompletableFuture<?>[] asked = new CompletableFuture<?>[1];
        RootCauses.Found told = sought.seek(7, 3, NONE, () -> {
            asked[0] = sought.of(7, NONE);
            assertFalse(asked[0].isDone());
            return found;
        });
        assertSame(found, told);
        assertSame(found, asked[0].join());
        assertSame(found, sought.of(7, NONE).join());
        assertTrue(sought.isOf(7, 3));
        assertFalse(sought.isOf(7, 4), "with something else ruled out there are others");
        assertEquals(RootCauses.Found.NOTHING, sought.of(7, ONE).join());
    }

    @Test
    void thoseOfAnotherRequestAreNobodysAndASearchThatFailsKeepsNobodyWaiting() {
        sought.seek(7, 3, NONE, () -> found);
        assertEquals(RootCauses.Found.NOTHING, sought.of(8, NONE).join());
        assertThrows(
                IllegalStateException.class,
                () -> sought.seek(9, 3, NONE, () -> {
                    throw new IllegalStateException("made up");
                }));
        assertEquals(RootCauses.Found.NOTHING, sought.of(9, NONE).join());
    }
}
