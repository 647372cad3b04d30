package org.gullyrun.cli;

import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.Severity;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.fix.Fixes;

/** The fixes of findings, as far as there was time to look for them. */
final class FindingFixes {
    /** Of no finding at all. */
    static final FindingFixes NONE = new FindingFixes();

    private final Map<String, List<Fix>> found = new ConcurrentHashMap<>();
    private final Map<String, String> none = new ConcurrentHashMap<>();

    private FindingFixes() {}

    /** Looks for the fixes of findings, the first ones first, for so many seconds altogether and with all processors. */
    static FindingFixes of(CaseArgument.Opened opened, List<Finding> findings, int seconds) {
        Reading reading = opened.reading();
        Audit all = opened.audit();
        // Only a finding of a rule that takes long needs an audit that asks these.
        Fixes deep = opened.fixes(all).forMany(reading);
        Fixes quick = opened.fixes(all.quick()).forMany(reading);
        long until = System.nanoTime() + seconds * 1_000_000_000L;
        FindingFixes each = new FindingFixes();
        try (ExecutorService pool =
                Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
            findings.stream()
                    .map(finding -> CompletableFuture.runAsync(
                            () -> each.look(opened, all.isDeep(finding.rule()) ? deep : quick, finding, until), pool))
                    .toList()
                    .forEach(CompletableFuture::join);
        }
        return each;
    }

    private void look(CaseArgument.Opened opened, Fixes fixes, Finding finding, long until) {
        // On a rig with very many routes, listing the candidates alone takes seconds.
        List<Fix> mine = System.nanoTime() > until
                ? List.of()
                : fixes.find(opened.reading(), finding, () -> System.nanoTime() > until);
        found.put(finding.identity(), mine);
        if (mine.isEmpty()) {
            none.put(finding.identity(), whyNone(opened, finding, System.nanoTime() > until));
        }
    }

    private static String whyNone(CaseArgument.Opened opened, Finding finding, boolean outOfTime) {
        if (outOfTime) {
            return "there was no time to look";
        }
        if (finding.severity() == Severity.NOTE) {
            return "this is only good to know";
        }
        return opened.conditions().without().isEmpty()
                ? "nothing that was tried helps without causing something worse"
                : "nothing helps that is possible here and causes nothing worse";
    }

    /** Whether fixes of a finding were looked for. */
    boolean knows(Finding finding) {
        return found.containsKey(finding.identity());
    }

    /** The fixes of a finding, the best first. */
    List<Fix> of(Finding finding) {
        return found.getOrDefault(finding.identity(), List.of());
    }

    /** Why a finding has no fix; empty if it has one, or none was looked for. */
    String none(Finding finding) {
        return none.getOrDefault(finding.identity(), "");
    }
}
