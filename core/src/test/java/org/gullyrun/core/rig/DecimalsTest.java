package org.gullyrun.core.rig;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;

/** Numbers are written with a true minus sign, and nothing is written as less than nothing. */
class DecimalsTest {
    @Test
    void aNumberHasATrueMinusAndAZeroHasNone() {
        assertEquals("−20.0", Decimals.one(-20));
        assertEquals("3.3", Decimals.one(3.26));
        assertEquals("0.0", Decimals.one(-0.04));
        assertEquals("−12", Decimals.whole(-12.4));
        assertEquals("0", Decimals.whole(-0.4));
    }

    @Test
    void aDifferenceHasItsSign() {
        assertEquals("+3.0", Decimals.signed(3));
        assertEquals("−0.5", Decimals.signed(-0.5));
        assertEquals("+0.0", Decimals.signed(0));
        assertEquals("0.0", Decimals.signed(-0.01));
    }
}
