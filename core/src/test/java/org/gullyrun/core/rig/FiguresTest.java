package org.gullyrun.core.rig;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;

/** Numbers are written with a true minus sign, and nothing is written as less than nothing. */
class FiguresTest {
    @Test
    void aNumberHasATrueMinusAndAZeroHasNone() {
        assertEquals("−20.0", Figures.one(-20));
        assertEquals("3.3", Figures.one(3.26));
        assertEquals("0.0", Figures.one(-0.04));
        assertEquals("−12", Figures.whole(-12.4));
        assertEquals("0", Figures.whole(-0.4));
    }

    @Test
    void aDifferenceHasItsSign() {
        assertEquals("+3.0", Figures.signed(3));
        assertEquals("−0.5", Figures.signed(-0.5));
        assertEquals("+0.0", Figures.signed(0));
        assertEquals("0.0", Figures.signed(-0.01));
    }
}
