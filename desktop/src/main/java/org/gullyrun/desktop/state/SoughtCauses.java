package org.gullyrun.desktop.state;

import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import org.gullyrun.core.fix.RootCauses;
import org.gullyrun.core.rig.Address;

/** The root causes that were looked for last, also for those who need them while they are still being worked out. */
final class SoughtCauses {
    /**
     * Root causes of what was read by one request.
     *
     * @param terms how often what is ruled out had changed by then
     * @param ruledOut what was ruled out then
     */
    private record Of(long request, long terms, Set<Address> ruledOut, CompletableFuture<RootCauses.Found> causes) {}

    private static final Of NOTHING =
            new Of(-1, 0, Set.of(), CompletableFuture.completedFuture(RootCauses.Found.NOTHING));

    private volatile Of last = NOTHING;

    /** Whether they were looked for at a request on these terms, or are being looked for. */
    boolean isOf(long request, long terms) {
        return last.request == request && last.terms == terms;
    }

    /**
     * Those of a request, with just these settings ruled out, once the search for them ends; not done if there was none, or if it
     * was broken off. Asked by what is ruled out, not by terms: a caller may know of a change before it is counted.
     */
    CompletableFuture<RootCauses.Found> of(long request, Set<Address> ruledOut) {
        Of now = last;
        return now.request == request && now.ruledOut.equals(ruledOut)
                ? now.causes
                : CompletableFuture.completedFuture(RootCauses.Found.NOTHING);
    }

    /** Looks for those of a request on such terms. */
    RootCauses.Found seek(long request, long terms, Set<Address> ruledOut, Supplier<RootCauses.Found> search) {
        CompletableFuture<RootCauses.Found> causes = new CompletableFuture<>();
        last = new Of(request, terms, Set.copyOf(ruledOut), causes);
        try {
            causes.complete(search.get());
        } finally {
            causes.complete(RootCauses.Found.NOTHING); // where the search failed, nobody waits for it
        }
        return causes.join();
    }
}
