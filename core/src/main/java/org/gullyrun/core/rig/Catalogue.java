package org.gullyrun.core.rig;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** All settings of all kinds of elements. Nothing registers itself: what exists is listed here. */
public final class Catalogue {
    private Catalogue() {}

    private static final Map<Kind, Map<String, Setting<?>>> BY_KEY = new EnumMap<>(Kind.class);

    static {
        put(Kind.MACHINE, Machines.ALL);
        put(Kind.DEVICE, Devices.ALL);
        put(Kind.CABLE, Links.CABLE);
        put(Kind.WIRE, Links.WIRE);
        put(Kind.COUPLING, Links.COUPLING);
        put(Kind.PASS_THROUGH, Links.PASS_THROUGH);
        put(Kind.PROCESSOR, Links.PROCESSOR);
        put(Kind.APPLICATION, Applications.ALL);
        put(Kind.APP_OUTPUT, Applications.OUTPUT);
        put(Kind.MIXER, Mixers.ALL);
        put(Kind.STRIP, Mixers.STRIP);
        put(Kind.BUS, Mixers.BUS);
        put(Kind.PRODUCTION, Productions.ALL);
        put(Kind.INPUT, Productions.INPUT);
        put(Kind.GROUP, Productions.GROUP);
        put(Kind.SCENE, Productions.SCENE);
        put(Kind.ENTRY, Productions.ENTRY);
        put(Kind.OUTPUT, Productions.OUTPUT);
        put(Kind.SOURCE, Sources.ALL);
        put(Kind.OUTLET, Outlets.ALL);
    }

    /** Lists the settings of a kind: its name first, then its own, then what every element has. */
    private static void put(Kind kind, List<Setting<?>> own) {
        Map<String, Setting<?>> settings = new LinkedHashMap<>();
        List<Setting<?>> all = new ArrayList<>();
        all.add(Common.name(kind));
        all.addAll(own);
        all.add(Common.note(kind));
        all.add(Common.fixed(kind));
        all.add(Common.place(kind));
        for (Setting<?> setting : all) {
            if (settings.put(setting.key(), setting) != null) {
                throw new IllegalStateException("two settings of a " + kind.noun() + " are called " + setting.key());
            }
        }
        BY_KEY.put(kind, settings);
    }

    private static Map<String, Setting<?>> settings(Kind kind) {
        return Objects.requireNonNull(BY_KEY.get(kind));
    }

    /** The settings and families of a kind, in the order in which files and forms show them. */
    public static List<Setting<?>> of(Kind kind) {
        return List.copyOf(settings(kind).values());
    }

    /** The setting with a key, or null if a kind has none such. */
    public static @Nullable Setting<?> find(Kind kind, String key) {
        int colon = key.indexOf(':');
        if (colon < 0) {
            Setting<?> setting = settings(kind).get(key);
            return setting == null || setting.isFamily() ? null : setting;
        }
        Setting<?> family = settings(kind).get(key.substring(0, colon));
        return family == null || !family.isFamily() || colon == key.length() - 1
                ? null
                : family.of(key.substring(colon + 1));
    }

    /** The setting that names the element an element of this kind lives in, or null. */
    static @Nullable Setting<?> owner(Kind kind) {
        return kind.ownerKey().isEmpty() ? null : find(kind, kind.ownerKey());
    }
}
