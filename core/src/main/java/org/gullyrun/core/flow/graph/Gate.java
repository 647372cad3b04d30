package org.gullyrun.core.flow.graph;

import org.gullyrun.core.rig.Address;
import org.gullyrun.core.rig.Setting;
import org.jspecify.annotations.Nullable;

/**
 * What decides whether a segment passes sound now. A gate sits at one place and counts once on a route.
 *
 * @param at where it is; for gates of one setting that setting's address
 * @param sort what sort of condition it is
 * @param setting the setting that decides it, or null where several do
 * @param open whether it lets sound pass
 * @param why if closed, the reason in plain words; else empty
 */
public record Gate(Address at, Sort sort, @Nullable Setting<?> setting, boolean open, String why) {

    /** What sort of condition a gate is. */
    public enum Sort {
        /** A flag that has to be on. */
        ON,
        /** A flag that has to be off. */
        OFF,
        /** A device has to be present, enabled and permitted. */
        USABLE,
        /** An input has to be in the scene, not muted there. */
        IN_SCENE,
        /** A track has to be among those that the production has. */
        TRACK_COUNT,
        /** Sound has to go through the system's mixing to be captured. */
        STANDARD_PATH,
        /** An application has to play somewhere to be captured. */
        PLAYS_SOMEWHERE
    }
}
