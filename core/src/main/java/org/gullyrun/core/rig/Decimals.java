package org.gullyrun.core.rig;

import java.util.Locale;

/** Numbers as people read them: with a true minus sign, and none before a zero. */
public final class Decimals {
    private Decimals() {}

    /** With one decimal: "−20.0". */
    public static String one(double value) {
        return plain(String.format(Locale.ROOT, "%.1f", value));
    }

    /** With one decimal and its sign: "+3.0". */
    public static String signed(double value) {
        return (value >= 0 ? "+" : "") + one(value);
    }

    /** Without decimals: "−20". */
    public static String whole(double value) {
        return plain(String.format(Locale.ROOT, "%.0f", value));
    }

    private static String plain(String number) {
        boolean zero = number.equals("-0") || number.equals("-0.0");
        return zero ? number.substring(1) : number.replace('-', '−');
    }
}
