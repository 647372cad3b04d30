package org.gullyrun.desktop.state;

import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import org.gullyrun.core.fix.RootCauses;

/** The root causes that were looked for last, also for those who need them while they are still being worked out. */
final class SoughtCauses {
    /** Root causes of what was read by one request, on the terms of what was ruled out then. */
    private record Of(long request, long terms, CompletableFuture<RootCauses.Found> causes) {
        boolean is(long wanted, long under) {
            return request == wanted && terms == under;
        }
    }

    private static final Of NOTHING = new Of(-1, 0, CompletableFuture.completedFuture(RootCauses.Found.NOTHING));

    private volatile Of last = NOTHING;

    /** Whether they were looked for at a request on these terms, or are being looked for. */
    boolean isOf(long request, long terms) {
        return last.is(request, terms);
    }

    /** Those of a request once the search for them ends; not done if there was none, or if it was broken off. */
    CompletableFuture<RootCauses.Found> of(long request, long terms) {
        Of now = last;
        return now.is(request, terms) ? now.causes : CompletableFuture.completedFuture(RootCauses.Found.NOTHING);
    }

    /** Looks for those of a request on such terms. */
    RootCauses.Found seek(long request, long terms, Supplier<RootCauses.Found> search) {
        CompletableFuture<RootCauses.Found> causes = new CompletableFuture<>();
        last = new Of(request, terms, causes);
        try {
            causes.complete(search.get());
        } finally {
            causes.complete(RootCauses.Found.NOTHING); // where the search failed, nobody waits for it
        }
        return causes.join();
    }
}
