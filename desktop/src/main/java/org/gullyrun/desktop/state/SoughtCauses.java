package org.gullyrun.desktop.state;

import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import org.gullyrun.core.fix.RootCauses;

/** The root causes that were looked for last, also for those who need them while they are still being worked out. */
final class SoughtCauses {
    /** Root causes of what was read by one request. */
    private record Of(long request, CompletableFuture<RootCauses.Found> causes) {}

    private volatile Of last = new Of(-1, CompletableFuture.completedFuture(RootCauses.Found.NOTHING));

    /** Whether they were looked for at a request, or are being looked for. */
    boolean isOf(long request) {
        return last.request == request;
    }

    /** Those of a request once the search for them ends; not done if there was none, or if it was broken off. */
    CompletableFuture<RootCauses.Found> of(long request) {
        Of now = last;
        return now.request == request ? now.causes : CompletableFuture.completedFuture(RootCauses.Found.NOTHING);
    }

    /** Looks for those of a request. */
    RootCauses.Found seek(long request, Supplier<RootCauses.Found> search) {
        CompletableFuture<RootCauses.Found> causes = new CompletableFuture<>();
        last = new Of(request, causes);
        try {
            causes.complete(search.get());
        } finally {
            causes.complete(RootCauses.Found.NOTHING); // where the search failed, nobody waits for it
        }
        return causes.join();
    }
}
