package org.gullyrun.core.rig;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;

/**
 * A reference to something that is not there, or is not of a kind that fits.
 *
 * @param at the setting that refers
 * @param to the id referred to
 * @param why "doesn't exist", or what it is instead
 */
public record Dangling(Address at, String to, String why) {

    /** All of a rig, in the order of their addresses. */
    public static List<Dangling> in(Rig rig) {
        List<Dangling> found = new ArrayList<>();
        for (Element element : rig.elements()) {
            for (String key : element.keys()) {
                Setting<?> setting = Objects.requireNonNull(Catalogue.find(element.kind(), key));
                Object raw = element.raw(setting);
                if (raw instanceof Choice.To(String id)) {
                    check(rig, element, key, id, Set.of(Kind.DEVICE), found);
                } else if (setting.type() instanceof ValueType.Ref(Set<Kind> kinds) && raw instanceof String id) {
                    check(rig, element, key, id, kinds, found);
                } else if (!setting.sub().isEmpty() && !setting.familyKey().startsWith("track")) {
                    check(rig, element, key, setting.sub(), Set.of(member(setting)), found);
                }
            }
        }
        return found;
    }

    /** What the members of a family are named after. */
    private static Kind member(Setting<?> setting) {
        return switch (setting.kind()) {
            case STRIP -> Kind.BUS;
            case INPUT -> Kind.APPLICATION;
            case SOURCE -> Kind.SCENE;
            case MACHINE, DEVICE, CABLE, WIRE, COUPLING, PASS_THROUGH, PROCESSOR, APPLICATION -> Kind.INPUT;
            case APP_OUTPUT, MIXER, BUS, PRODUCTION, GROUP, SCENE, ENTRY, OUTPUT, OUTLET -> Kind.INPUT;
        };
    }

    /** Notes a reference to something that isn't there, or is of another kind. */
    private static void check(Rig rig, Element element, String key, String id, Set<Kind> kinds, List<Dangling> found) {
        Element target = rig.find(id);
        if (target == null) {
            found.add(new Dangling(new Address(element.id(), key), id, "doesn't exist"));
        } else if (!kinds.contains(target.kind())) {
            found.add(new Dangling(
                    new Address(element.id(), key),
                    id,
                    "is " + Sentences.a(target.kind().noun())));
        }
    }
}
