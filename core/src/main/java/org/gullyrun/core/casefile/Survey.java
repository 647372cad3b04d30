package org.gullyrun.core.casefile;

import java.util.Map;
import org.gullyrun.core.rig.Rig;

/**
 * The rig as it stood at one time.
 *
 * @param id unique in the case
 * @param name for people, as "as found"
 * @param date when, as entered; may be empty
 * @param note a free remark
 * @param rig the rig
 * @param extras fields of the file that this version does not know
 */
public record Survey(String id, String name, String date, String note, Rig rig, Map<String, Object> extras) {
    public Survey {
        extras = Map.copyOf(extras);
    }

    /** This survey with another rig. */
    public Survey withRig(Rig other) {
        return other == rig ? this : new Survey(id, name, date, note, other, extras);
    }
}
