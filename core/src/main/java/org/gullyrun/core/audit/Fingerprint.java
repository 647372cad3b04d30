package org.gullyrun.core.audit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Setting;

/**
 * What a finding rests on as one short text: how bad it is, in which scenes, over which routes, at which settings. A waiver
 * holds as long as it stays the same; names and levels that decide nothing are not in it.
 */
final class Fingerprint {
    private Fingerprint() {}

    /** Everything a waiver depends on, as a text that changes as soon as any of it does. */
    static String of(Finding finding, List<SceneReading> scenes) {
        List<String> parts = new ArrayList<>();
        parts.add(finding.severity().word());
        finding.scenes().stream()
                .map(i -> scenes.get(i).key().production() + "/"
                        + scenes.get(i).key().scene())
                .sorted()
                .forEach(parts::add);
        FlowGraph graph = scenes.get(finding.evidence().scene()).graph();
        for (Evidence.Trace route : finding.evidence().routes()) {
            // "RUN" since the first edition: waivers in files hold this hash.
            parts.add(route.form() == Evidence.Form.ROUTE ? "RUN" : route.form().name());
            route.segments().forEach(s -> parts.add(s.from() + ">" + s.to() + ":" + s.element()));
        }
        for (Address at : finding.evidence().settings()) {
            Element element = graph.rig().find(at.element());
            Setting<?> setting = element == null ? null : Catalogue.find(element.kind(), at.key());
            parts.add(at + "=" + (element == null || setting == null ? "?" : element.raw(setting)));
        }
        // FNV-1a, 64 bits: spread well enough to tell a few texts apart, and the same in every version of the program.
        long hash = 0xcbf29ce484222325L;
        for (char c : String.join("|", parts).toCharArray()) {
            hash = (hash ^ c) * 0x100000001b3L;
        }
        return String.format(Locale.ROOT, "%016x", hash);
    }
}
