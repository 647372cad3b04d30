package org.gullyrun.core.repair;

import java.util.ArrayList;
import java.util.List;
import org.gullyrun.core.audit.CellReading;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Verdict;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.flow.route.Figures;
import org.gullyrun.core.flow.route.Loop;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Sources;

/**
 * What goes wrong in one state of a rig, in the order in which it counts. Pairs and ears count once however many scenes
 * are affected.
 *
 * @param onAir forbidden sources that go out live, to a relay or to a call
 * @param buildingUp loops that build up, in the scene that has most
 * @param deaf people who hear none of what they have to, in some scene
 * @param missingLive required sources that are missing live
 * @param otherLoops loops that die down, in the scene that has most
 */
public record Harm(int onAir, int buildingUp, int deaf, int missingLive, int otherLoops) {
    /** Nothing wrong. */
    public static final Harm NONE = new Harm(0, 0, 0, 0, 0);

    /** What goes wrong in a rig as it was read. */
    public static Harm of(Reading reading) {
        List<Element> sources = reading.rig().of(Kind.SOURCE);
        List<Element> outlets = reading.rig().of(Kind.OUTLET);
        int onAir = 0;
        int deaf = 0;
        int missingLive = 0;
        for (int o = 0; o < outlets.size(); o++) {
            long nothing = isPerson(outlets.get(o)) ? -1L : 0;
            long due = 0;
            for (int s = 0; s < sources.size(); s++) {
                Cell cell = Cell.of(reading, s, o);
                onAir += cell.onAir != 0 ? 1 : 0;
                missingLive += isLive(outlets.get(o)) && cell.missing != 0 ? 1 : 0;
                nothing &= cell.missing | ~cell.due;
                due |= cell.due;
            }
            deaf += (nothing & due) != 0 ? 1 : 0;
        }
        Loops loops = Loops.of(reading.scenes());
        return new Harm(onAir, loops.buildingUp, deaf, missingLive, loops.others);
    }

    /** Whether nothing of this is wrong. */
    public boolean isNone() {
        return equals(NONE);
    }

    /** Off air nobody but the people at the rig and on the call hears anything: only loops and deaf ears count. */
    public Harm offAir() {
        return new Harm(0, buildingUp, deaf, 0, otherLoops);
    }

    /** Whether more of anything goes wrong than in another state. */
    public boolean isWorseThan(Harm other) {
        return onAir > other.onAir
                || buildingUp > other.buildingUp
                || deaf > other.deaf
                || missingLive > other.missingLive
                || otherLoops > other.otherLoops;
    }

    /** What goes wrong, in words; empty if nothing does. */
    public List<String> words() {
        List<String> all = new ArrayList<>();
        add(all, onAir, "forbidden source on air", "forbidden sources on air");
        add(all, buildingUp, "loop that builds up", "loops that build up");
        add(all, deaf, "person hears nothing required", "people hear nothing required");
        add(all, missingLive, "required source missing live", "required sources missing live");
        add(all, otherLoops, "loop that dies down", "loops that die down");
        return all;
    }

    private static void add(List<String> all, int count, String one, String several) {
        if (count > 0) {
            all.add(count + " " + (count == 1 ? one : several));
        }
    }

    /** Whether a listener is somebody at the rig or at the far end of a call, who has to hear to go on talking. */
    static boolean isPerson(Element outlet) {
        Outlets.Sort sort = outlet.get(Outlets.SORT);
        return sort == Outlets.Sort.EARS || sort == Outlets.Sort.FAR_END;
    }

    static boolean isLive(Element outlet) {
        return outlet.get(Outlets.SORT) == Outlets.Sort.LIVE;
    }

    /**
     * How one source is at one listener, as bits of the scenes; those beyond 64 share bits.
     *
     * @param onAir the scenes in which it goes out although it must not
     * @param missing the scenes in which it must arrive and doesn't
     * @param due the scenes in which it must arrive
     */
    record Cell(long onAir, long missing, long due) {
        /** One cell of a reading. */
        static Cell of(Reading reading, int source, int outlet) {
            long onAir = 0;
            long missing = 0;
            long due = 0;
            List<SceneReading> scenes = reading.scenes();
            for (int i = 0; i < scenes.size(); i++) {
                CellReading cell = scenes.get(i).cell(source, outlet);
                long bit = 1L << i;
                onAir |= cell.verdict() == Verdict.LEAK && goesOut(cell.outlet()) && isHeard(reading, cell) ? bit : 0;
                missing |= cell.verdict() == Verdict.MISSING ? bit : 0;
                due |= cell.wish() == Wish.MUST ? bit : 0;
            }
            return new Cell(onAir, missing, due);
        }

        /** Whether it is loud enough to matter: something private matters however faint it is. */
        private static boolean isHeard(Reading reading, CellReading cell) {
            boolean secret = cell.source().is(Sources.PRIVATE, false);
            double least = reading.thresholds().of(secret ? Threshold.LEAK_NOTE : Threshold.LEAK_MINOR);
            return Figures.reaches(cell.delivery().strength(), least);
        }

        /** Whether somebody outside hears a listener's sound at once. */
        private static boolean goesOut(Element outlet) {
            return switch (outlet.get(Outlets.SORT)) {
                case LIVE, RELAY, FAR_END -> true;
                case EARS, ROOM, ARCHIVE, TRACK, MACHINE -> false;
                case null -> false;
            };
        }
    }

    /** How many loops build up and die down, in the scene that has most of each. */
    record Loops(int buildingUp, int others) {
        static Loops of(List<SceneReading> scenes) {
            int building = 0;
            int others = 0;
            for (SceneReading scene : scenes) {
                int up = (int) scene.loops().stream().filter(Loop::buildsUp).count();
                building = Math.max(building, up);
                others = Math.max(others, scene.loops().size() - up);
            }
            return new Loops(building, others);
        }
    }
}
