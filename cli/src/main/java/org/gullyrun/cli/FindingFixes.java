package org.gullyrun.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.fix.Fixes;

/** The fixes of findings, as far as there was time to look for them. */
final class FindingFixes {
    /** Of no finding at all. */
    static final FindingFixes NONE = new FindingFixes();

    private final Map<String, List<Fix>> found = new LinkedHashMap<>();
    private final Map<String, String> none = new LinkedHashMap<>();

    private FindingFixes() {}

    /** Looks for the fixes of all findings, in turn, for so many seconds altogether. */
    static FindingFixes of(CaseArgument.Opened opened, List<Finding> findings, int seconds) {
        Reading reading = opened.reading();
        Fixes fixes = opened.fixes(opened.audit());
        long until = System.nanoTime() + seconds * 1_000_000_000L;
        FindingFixes all = new FindingFixes();
        for (Finding finding : findings) {
            List<Fix> mine = fixes.find(reading, finding, () -> System.nanoTime() > until);
            all.found.put(finding.identity(), mine);
            if (mine.isEmpty()) {
                all.none.put(
                        finding.identity(),
                        System.nanoTime() > until
                                ? "there was no time to look"
                                : opened.conditions().without().isEmpty()
                                        ? "nothing that was tried helps without causing something worse"
                                        : "nothing helps that is possible here and causes nothing worse");
            }
        }
        return all;
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
