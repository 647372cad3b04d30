package org.gullyrun.core.flow.route;

import java.util.List;

/**
 * A set of points that all reach each other through open segments.
 *
 * @param points its points, in order
 * @param segments the open segments between them, in order
 * @param circles the elementary circuits inside, in the order found, up to {@link Loops#MOST_CIRCLES}
 * @param atLeast whether there are more circles
 * @param buildsUp whether sound that goes round grows, at the worst phase
 * @param loopGain the largest first-return gain in dB; if it builds up, the largest finite one or the strongest circle
 */
public record Loop(
        List<Integer> points,
        List<Integer> segments,
        List<Circle> circles,
        boolean atLeast,
        boolean buildsUp,
        double loopGain) {

    /** The same loop in a graph in which points and segments have other numbers. */
    public Loop by(Numbering numbering) {
        return new Loop(
                numbering.nowPoints(points),
                numbering.now(segments),
                circles.stream()
                        .map(c -> new Circle(numbering.now(c.segments), c.gain, c.time))
                        .toList(),
                atLeast,
                buildsUp,
                loopGain);
    }

    /** How much in dB the most sensitive place may still be turned up; NaN if the loop builds up. */
    public double margin() {
        return buildsUp ? Double.NaN : -loopGain;
    }

    /** The circle with the highest gain; the first found of equal ones. */
    public Circle strongest() {
        Circle best = circles.getFirst();
        for (Circle circle : circles) {
            if (Figures.compare(circle.gain(), best.gain()) > 0) {
                best = circle;
            }
        }
        return best;
    }

    /**
     * Once around the loop.
     *
     * @param segments its segments, beginning at its first point by id
     * @param gain once round, in dB
     * @param time once round, in ms
     */
    public record Circle(List<Integer> segments, double gain, double time) {

        /** The number of repeats that can be heard, down to 60 dB; 0 if it does not die down. */
        public long repeats() {
            return gain >= 0 ? 0 : (long) Math.ceil(60 / -gain - 1e-9);
        }
    }
}
