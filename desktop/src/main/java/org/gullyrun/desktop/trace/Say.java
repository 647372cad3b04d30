package org.gullyrun.desktop.trace;

import java.util.Locale;

/** Numbers in words of the map. */
final class Say {
    private Say() {}

    /** A rate in kHz, without its unit. */
    static String kilo(double hertz) {
        return String.format(Locale.ROOT, hertz % 1000 == 0 ? "%.0f" : "%.1f", hertz / 1000);
    }
}
