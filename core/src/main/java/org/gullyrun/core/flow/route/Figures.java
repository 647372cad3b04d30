package org.gullyrun.core.flow.route;

/** How gains and delays are compared: rounded to 10⁻⁹ first, so that the order of a sum does not decide a tie. */
public final class Figures {
    private Figures() {}

    static double rounded(double value) {
        return Math.abs(value) > 1e6 ? value : Math.rint(value * 1e9) / 1e9;
    }

    public static int compare(double a, double b) {
        return Double.compare(rounded(a) + 0.0, rounded(b) + 0.0);
    }

    /** Adds counts; what does not fit becomes the greatest long. */
    static long plus(long a, long b) {
        long sum = a + b;
        return sum < 0 ? Long.MAX_VALUE : sum;
    }

    /** Whether a figure is at least so high: sums of the same gains in another order differ in their last digits. */
    public static boolean reaches(double figure, double least) {
        return figure >= least - 1e-9;
    }
}
