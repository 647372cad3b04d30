package org.gullyrun.core.compare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.gullyrun.core.rig.Catalogue;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Ids;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Setting;
import org.gullyrun.core.rig.ValueType;
import org.jspecify.annotations.Nullable;

/** A rig with other ids, everywhere they are named, so that it can be compared with a rig in which things are called so. */
final class RenamedRig {
    private final Map<String, String> ids;

    private RenamedRig(Map<String, String> ids) {
        this.ids = ids;
    }

    /** The earlier rig with the ids of the later one for what is matched, and ids of its own for the rest. */
    static Rig of(Rig earlier, Rig later, Matching matching) {
        Map<String, String> ids = new HashMap<>();
        Set<String> taken = new HashSet<>();
        later.elements().forEach(e -> taken.add(e.id()));
        matching.pairs().forEach((id, pair) -> ids.put(id, pair.id()));
        for (Element element : earlier.elements()) {
            if (!ids.containsKey(element.id())) {
                String id = taken.contains(element.id())
                        ? Ids.from(element.id() + " before", taken::contains)
                        : element.id();
                ids.put(element.id(), id);
                taken.add(id);
            }
        }
        if (ids.entrySet().stream().allMatch(e -> e.getKey().equals(e.getValue()))) {
            return bare(earlier);
        }
        RenamedRig renaming = new RenamedRig(ids);
        List<Element> all = new ArrayList<>();
        earlier.elements().forEach(e -> all.add(renaming.renamed(e)));
        return Rig.of(all);
    }

    /** A rig without what its file says beyond the model: that is no difference of the rig. */
    static Rig bare(Rig rig) {
        if (rig.elements().stream().allMatch(e -> e.extras().isEmpty())) {
            return rig;
        }
        Map<String, String> same = new HashMap<>();
        rig.elements().forEach(e -> same.put(e.id(), e.id()));
        RenamedRig renaming = new RenamedRig(same);
        return Rig.of(rig.elements().stream().map(renaming::renamed).toList());
    }

    /** One element with other ids, and without what the model doesn't know. */
    private Element renamed(Element element) {
        Element now = Element.of(element.kind(), Objects.requireNonNull(ids.get(element.id())));
        for (String key : element.keys()) {
            Setting<?> setting = Objects.requireNonNull(Catalogue.find(element.kind(), key), key);
            Setting<?> here = setting;
            String sub = ids.get(setting.sub());
            if (sub != null && !setting.familyKey().startsWith("track")) { // tracks are numbers, not elements
                here = Objects.requireNonNull(Catalogue.find(element.kind(), setting.familyKey() + ":" + sub), key);
            }
            now = now.put(here, value(setting, element.raw(setting)));
        }
        return now;
    }

    /** A value with every id in it renamed. */
    private @Nullable Object value(Setting<?> setting, @Nullable Object raw) {
        return switch (raw) {
            case Choice.To(String id) -> Choice.to(ids.getOrDefault(id, id));
            case String id when setting.type() instanceof ValueType.Ref -> ids.getOrDefault(id, id);
            case List<?> list ->
                list.stream()
                        .map(one -> ids.getOrDefault(one.toString(), one.toString()))
                        .toList();
            case null -> null;
            default -> raw;
        };
    }
}
