package org.gullyrun.core.intake;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.rig.Rig;

/** Rigs to start a case from: the usual shapes, complete and with a brief, to be renamed and changed. */
public final class StartingRigs {
    private static final List<String> FILES =
            List.of("headset", "virtual-cables", "mixer", "two-computers", "panel", "hardware-mixer");

    private StartingRigs() {}

    /**
     * A rig to start from.
     *
     * @param key its short name
     * @param title what it is, for people
     * @param about when it fits, in two sentences
     * @param rig the rig
     * @param brief its brief
     */
    public record Starting(String key, String title, String about, Rig rig, Brief brief) {
        /** A case that begins with it. */
        public Case begin(String caseTitle) {
            return new Case(
                    caseTitle,
                    "",
                    Case.USUAL_HOURS,
                    "",
                    List.of(new Survey("as-found", "as found", "", "", rig, Map.of())),
                    brief);
        }
    }

    /** A case with nothing in it yet. */
    public static Case empty(String title) {
        return new Starting("", "", "", Rig.EMPTY, Brief.EMPTY).begin(title);
    }

    /** All of them, the simplest first. */
    public static List<Starting> all() {
        return FILES.stream().map(StartingRigs::read).toList();
    }

    /** Types a starting rig into an empty sheet, as a person would. */
    private static Starting read(String key) {
        try (InputStream in =
                Objects.requireNonNull(StartingRigs.class.getResourceAsStream("starting/" + key + ".txt"), key)) {
            List<String> lines = new ArrayList<>(new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList());
            String title = lines.set(0, "");
            String about = lines.set(1, "");
            SheetScript.Written written = SheetScript.read(lines);
            return new Starting(key, title, about, written.rig(), written.brief());
        } catch (IOException | Refused e) {
            throw new IllegalStateException("the starting rig '" + key + "' that ships with the program is damaged", e);
        }
    }
}
