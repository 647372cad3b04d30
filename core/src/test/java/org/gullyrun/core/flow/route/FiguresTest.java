package org.gullyrun.core.flow.route;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.gullyrun.core.SmallRig;
import org.gullyrun.core.flow.graph.FlowGraph;
import org.gullyrun.core.rig.Devices.Direction;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Sources;
import org.junit.jupiter.api.Test;

/** Formulas against values worked out by hand. */
class FiguresTest {
    private final SmallRig rig = new SmallRig();

    private Delivery ladder(int diamonds) {
        rig.with(Element.of(Kind.SOURCE, "s").with(Sources.AT, "r0"));
        rig.device("r0", Direction.RECORDING);
        for (int i = 0; i < diamonds; i++) {
            rig.device("p" + i, Direction.PLAYBACK);
            rig.device("r" + (i + 1), Direction.RECORDING);
            rig.pass("t" + i, "r" + i, "p" + i, 0, 0);
            rig.wire("a" + i, "p" + i, "r" + (i + 1), 0, 0);
            rig.wire("b" + i, "p" + i, "r" + (i + 1), 0, 1);
        }
        rig.device("end", Direction.PLAYBACK);
        rig.pass("last", "r" + diamonds, "end", 0, 0);
        rig.ears("o", "end");
        FlowGraph graph = rig.graph();
        return Deliveries.of(OpenView.of(graph, false)).get(graph.point("s"), graph.point("o"));
    }

    @Test
    void sixtyDiamondsHaveTwoToTheSixtyRuns() {
        Delivery delivery = ladder(60);
        assertEquals(1L << 60, delivery.routes());
        assertFalse(delivery.atLeast());
        assertEquals(60 * 10 * Math.log10(2), delivery.strength(), 1e-9);
        assertEquals(60 * 20 * Math.log10(2), delivery.worst(), 1e-9);
        assertEquals(0, delivery.first(), 1e-12);
        assertEquals(60, delivery.last(), 1e-12);
    }

    @Test
    void moreRunsThanALongHoldsSaturate() {
        assertEquals(Long.MAX_VALUE, ladder(64).routes());
    }

    @Test
    void twoEqualCopiesAreThreeDecibelsUsuallyAndSixAtWorst() {
        Delivery delivery = ladder(1);
        assertEquals(3.0103, delivery.strength(), 1e-4);
        assertEquals(6.0206, delivery.worst(), 1e-4);
        assertEquals(0, delivery.copyGain(), 1e-12);
        assertEquals(1, delivery.copyApart(), 1e-12);
        assertEquals(1, delivery.spread(), 1e-12);
    }

    private Loop circle(double gain) {
        rig.device("p", Direction.PLAYBACK);
        rig.device("r", Direction.RECORDING);
        rig.wire("w", "p", "r", gain, 4);
        rig.pass("t", "r", "p", 0, 6);
        return Loops.of(OpenView.of(rig.graph(), false)).getFirst();
    }

    @Test
    void oneCircleHasItsOwnGainAsLoopGain() {
        Loop loop = circle(-12);
        assertEquals(1, loop.circles().size());
        assertEquals(-12, loop.loopGain(), 1e-12);
        assertEquals(12, loop.margin(), 1e-12);
        assertEquals(10, loop.circles().getFirst().time(), 1e-12);
        assertEquals(5, loop.circles().getFirst().repeats()); // 60 / 12
        assertFalse(loop.buildsUp());
    }

    @Test
    void aCircleWithoutLossRunsAway() {
        Loop loop = circle(0);
        assertTrue(loop.buildsUp());
        assertTrue(Double.isNaN(loop.margin()));
        assertEquals(0, loop.circles().getFirst().repeats());
    }

    /** Two wires of one gain and a way back. */
    private Loop twoCircles(double gain) {
        rig.device("p", Direction.PLAYBACK);
        rig.device("r", Direction.RECORDING);
        rig.wire("w1", "p", "r", gain, 4);
        rig.wire("w2", "p", "r", gain, 9);
        rig.pass("t", "r", "p", 0, 6);
        return Loops.of(OpenView.of(rig.graph(), false)).getFirst();
    }

    @Test
    void circlesThatShareTheirPointsAddUp() {
        Loop loop = twoCircles(-12);
        assertEquals(2, loop.circles().size());
        assertEquals(-12 + 6.0206, loop.loopGain(), 1e-4); // two amplitudes of 0.2512 make 0.5024
    }

    @Test
    void circlesThatAreEachBelowOneCanRunAwayTogether() {
        Loop loop = twoCircles(-5);
        assertTrue(loop.buildsUp()); // 2 × 0.562 = 1.125
        assertEquals(20 * Math.log10(2 * Math.pow(10, -5 / 20.0)), loop.loopGain(), 1e-9);
    }
}
