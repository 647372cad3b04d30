package org.gullyrun.core.slow;

import java.util.List;
import java.util.Set;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Links;
import org.gullyrun.core.rig.Rig;

/** What joins devices, for {@link SlowGraph}: cables, wires, the air, pass-throughs and processors. */
abstract class SlowLinks extends SlowDevices {
    SlowLinks(Rig rig) {
        super(rig);
    }

    final void links() {
        rig.of(Kind.CABLE)
                .forEach(c -> join(c, c.get(Links.CABLE_FROM), c.get(Links.CABLE_TO), 0, db(c, Links.CABLE_LATENCY)));
        rig.of(Kind.WIRE)
                .forEach(w -> join(
                        w,
                        w.get(Links.WIRE_FROM),
                        w.get(Links.WIRE_TO),
                        db(w, Links.WIRE_GAIN),
                        db(w, Links.WIRE_LATENCY)));
        for (Element air : rig.of(Kind.COUPLING)) {
            Double metres = air.get(Links.COUPLING_DISTANCE);
            Double entered = air.get(Links.COUPLING_LATENCY);
            double late = entered != null ? entered : metres != null ? metres / 0.343 : 0;
            join(air, air.get(Links.COUPLING_FROM), air.get(Links.COUPLING_TO), db(air, Links.COUPLING_GAIN), late);
        }
        for (Element pass : rig.of(Kind.PASS_THROUGH)) {
            String to = passTarget(pass);
            if (!on(pass, Links.PASS_DIRECT) && !to.isEmpty()) {
                Set<String> gates = closed(on(pass, Links.PASS_ENABLED), "enabled " + pass.id());
                add(
                        pass.get(Links.PASS_FROM),
                        to,
                        pass,
                        db(pass, Links.PASS_GAIN),
                        db(pass, Links.PASS_LATENCY),
                        gates);
            }
        }
        for (Element n : rig.of(Kind.PROCESSOR)) {
            Set<String> running = closed(on(n, Links.PROCESSOR_RUNNING), "running " + n.id());
            List<String> reads = leads(n.get(Links.PROCESSOR_MACHINE), n.get(Links.PROCESSOR_FROM), false);
            for (String from : reads) {
                Set<String> gates = from.equals(reads.getFirst()) ? running : join(running, usable(from));
                for (Door d : into(n.get(Links.PROCESSOR_TO))) {
                    double gain = db(n, Links.PROCESSOR_GAIN) + d.gain();
                    double late = db(n, Links.PROCESSOR_LATENCY) + d.late();
                    add(from, d.point(), n, gain, late, join(gates, d.closedBy()));
                }
            }
        }
    }

    private void join(Element by, String from, String to, double gain, double late) {
        for (Door out : outOf(from, true)) {
            for (Door in : into(to)) {
                add(
                        out.point(),
                        in.point(),
                        by,
                        out.gain() + gain + in.gain(),
                        out.late() + late + in.late(),
                        join(out.closedBy(), in.closedBy()));
            }
        }
    }
}
