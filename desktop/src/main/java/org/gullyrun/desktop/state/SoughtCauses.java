package org.gullyrun.desktop.state;

import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.rig.Address;

/** The root causes that were looked for last, also for those who need them while they are still being worked out. */
final class SoughtCauses {
    /** Root causes of what was read by one request, where some settings are ruled out. */
    private record Of(long request, Set<Address> ruledOut, CompletableFuture<RootCauses.Found> causes) {
        boolean is(long wanted, Set<Address> without) {
            return request == wanted && ruledOut.equals(without);
        }
    }

    private static final Of NOTHING = new Of(-1, Set.of(), CompletableFuture.completedFuture(RootCauses.Found.NOTHING));

    private volatile Of last = NOTHING;

    /** Whether they were looked for at a request without what is ruled out, or are being looked for. */
    boolean isOf(long request, Set<Address> ruledOut) {
        return last.is(request, ruledOut);
    }

    /** Those of a request once the search for them ends; not done if there was none, or if it was broken off. */
    CompletableFuture<RootCauses.Found> of(long request, Set<Address> ruledOut) {
        Of now = last;
        return now.is(request, ruledOut) ? now.causes : CompletableFuture.completedFuture(RootCauses.Found.NOTHING);
    }

    /** Breaks off what is being looked for: it isn't of the case as it stands. */
    void forget() {
        last = NOTHING;
    }

    /** Looks for those of a request without what is ruled out. */
    RootCauses.Found seek(long request, Set<Address> ruledOut, Supplier<RootCauses.Found> search) {
        CompletableFuture<RootCauses.Found> causes = new CompletableFuture<>();
        last = new Of(request, ruledOut, causes);
        try {
            causes.complete(search.get());
        } finally {
            causes.complete(RootCauses.Found.NOTHING); // where the search failed, nobody waits for it
        }
        return causes.join();
    }
}
