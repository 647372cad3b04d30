package org.gullyrun.desktop.levels;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Font;
import org.gullyrun.core.audit.Strata;
import org.gullyrun.core.rig.Decimals;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.gullyrun.desktop.look.Glyph;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.look.Tooltips;
import org.gullyrun.desktop.look.Type;
import org.jspecify.annotations.Nullable;

/**
 * Listeners side by side over one scale: of levels from −60 dBFS to full scale, with voice, music, games and the rest as
 * strata and the peak above them; or of times, with the moment at which each source arrives.
 */
public final class LevelPicture extends Pane {
    private static final double LOWEST = -60;
    private static final double HEIGHT = 270;
    private static final double TOP = 30;
    private static final double LEFT = 52;
    /** Lines of a scale of times stand so many ms apart. */
    private static final double[] STEPS = {2, 5, 10, 20, 50, 100, 200, 500, 1_000, 5_000, 20_000};

    private static final int MOST_STEPS = 6;

    private final double u;
    private final double column;

    /**
     * A picture of levels or of times.
     *
     * @param times whether times are shown
     * @param width what there is room for, in pixels
     * @param scale the size of text, 1 for 100 %
     */
    public LevelPicture(List<Strata> strata, boolean times, double width, double scale) {
        this.u = scale;
        this.column = Math.max(74 * u, (width - LEFT * u) / Math.max(1, strata.size()));
        setId(times ? "times-picture" : "levels-picture");
        setPrefSize(LEFT * u + column * strata.size() + 8 * u, (TOP + HEIGHT + 46) * u);
        setMinSize(getPrefWidth(), getPrefHeight());
        double last = times ? lastArrival(strata) : 0;
        scale(times, last, strata.size());
        for (int i = 0; i < strata.size(); i++) {
            double x = LEFT * u + column * i;
            name(strata.get(i), x);
            if (times) {
                times(strata.get(i), x, last);
            } else {
                levels(strata.get(i), x);
            }
        }
    }

    private static double lastArrival(List<Strata> strata) {
        double last = strata.stream()
                .flatMap(s -> s.arrivals().stream())
                .mapToDouble(a -> a.delay() + (Double.isNaN(a.copyApart()) ? 0 : Math.abs(a.copyApart())))
                .max()
                .orElse(0);
        double step = step(last);
        return Math.max(step, Math.ceil(last / step) * step);
    }

    /** The smallest round step of which at most so many make up a time. */
    private static double step(double last) {
        for (double step : STEPS) {
            if (last <= MOST_STEPS * step) {
                return step;
            }
        }
        return STEPS[STEPS.length - 1];
    }

    /** The lines of the scale with their figures. */
    private void scale(boolean times, double last, int count) {
        int parts = times ? (int) Math.round(last / step(last)) : 6;
        for (int k = 0; k <= parts; k++) {
            double value = times ? last * k / parts : LOWEST * k / parts;
            double y = times ? yOfTime(value, last) : yOfLevel(value);
            getChildren().add(Nodes.line(LEFT * u - 6 * u, y, LEFT * u + column * count, y, "grid-line"));
            text(Decimals.whole(value), Type.figures(10.5 * u), LEFT * u - 10 * u, y + 3.5 * u, true, "caption");
        }
        text(times ? "ms" : "dBFS", Type.sans(10.5 * u), LEFT * u - 10 * u, (TOP - 14) * u, true, "caption");
    }

    private double yOfLevel(double level) {
        return (TOP + HEIGHT * Math.clamp(level / LOWEST, -0.06, 1)) * u;
    }

    private double yOfTime(double time, double last) {
        return (TOP + HEIGHT * Math.clamp(time / last, 0, 1)) * u;
    }

    private void name(Strata strata, double x) {
        Font font = Type.water(13 * u);
        String fitted = Type.fit(strata.name(), font, column - 6 * u);
        text(
                fitted,
                font,
                x + (column - Type.width(fitted, font)) / 2,
                (TOP + HEIGHT + 28) * u,
                false,
                strata.tooLoud() ? "bad" : "water");
    }

    /** The strata of one listener, its peak, and how far the voice stands above the rest. */
    private void levels(Strata strata, double x) {
        double middle = x + column * 0.42;
        double peak = yOfLevel(strata.peak());
        if (!Double.isNaN(strata.peak())) {
            double floor = (TOP + HEIGHT) * u;
            Rectangle body = new Rectangle(middle - 13 * u, peak, 26 * u, Math.max(0, floor - peak));
            body.getStyleClass().addAll("level-body", strata.tooLoud() ? "bad" : "good");
            getChildren().add(body);
            Tooltips.say(body, strata.name() + ": peaks reach " + signed(strata.peak()) + " dBFS");
            text(
                    signed(strata.peak()),
                    Type.figures(10.5 * u),
                    middle + 16 * u,
                    peak + 10 * u,
                    false,
                    strata.tooLoud() ? "bad" : "caption");
        }
        stratum(strata, strata.voice(), SourceClass.VOICE, "voice", middle);
        stratum(strata, strata.music(), SourceClass.MUSIC, "music", middle);
        stratum(strata, strata.game(), SourceClass.GAME, "games", middle);
        stratum(strata, strata.rest(), SourceClass.MEDIA, "the rest", middle);
        if (!Double.isNaN(strata.balance())) {
            boolean little = strata.balance() < strata.wanted();
            String told = signed(strata.balance()) + " dB";
            Font font = Type.figures(10.5 * u);
            Node figure = text(
                    told,
                    font,
                    x + (column - Type.width(told, font)) / 2,
                    (TOP + HEIGHT + 43) * u,
                    false,
                    little ? "bad" : "caption");
            Tooltips.say(
                    figure,
                    "Voice above music, media and games"
                            + (little ? ": wanted is " + Decimals.whole(strata.wanted()) + " dB" : ""));
        }
    }

    /** One stratum: its line across the body, and its sign beside it. */
    private void stratum(Strata strata, double level, SourceClass sign, String what, double middle) {
        if (Double.isNaN(level)) {
            return;
        }
        double y = yOfLevel(level);
        getChildren().add(Nodes.line(middle - 13 * u, y, middle + 13 * u, y, "level-line"));
        glyph(
                sign,
                middle - 21 * u,
                y,
                "water",
                strata.name() + ": " + what + " at " + Decimals.whole(level) + " dBFS");
    }

    /** The moments at which sources arrive. Those at the same moment stand side by side. */
    private void times(Strata strata, double x, double last) {
        double before = Double.NaN;
        int beside = 0;
        getChildren().add(Nodes.line(x + 12 * u, TOP * u, x + 12 * u, (TOP + HEIGHT) * u, "level-thread"));
        for (Strata.Arrival arrival : strata.arrivals()) {
            double y = yOfTime(arrival.delay(), last);
            beside = Math.abs(y - before) < 10 * u ? beside + 1 : 0;
            before = beside == 0 ? y : before;
            double at = x + 12 * u + 11 * u * Math.min(beside, (int) (column / (11 * u)) - 2);
            boolean twice = !Double.isNaN(arrival.copyApart());
            String said = arrival.name() + " reaches " + strata.name() + " after " + Decimals.whole(arrival.delay())
                    + " ms"
                    + (twice ? ", and once more " + Decimals.whole(Math.abs(arrival.copyApart())) + " ms apart" : "");
            glyph(arrival.sourceClass(), at, y, twice ? "bad" : "water", said);
            if (twice) {
                double copy = yOfTime(arrival.delay() + arrival.copyApart(), last);
                getChildren().add(Nodes.line(at, y, at, copy, "level-copy"));
            }
        }
    }

    private void glyph(@Nullable SourceClass of, double x, double y, String tone, String said) {
        SVGPath glyph = Glyph.of(of, 0.8 * u);
        glyph.getStyleClass().add(tone);
        glyph.setTranslateX(x);
        glyph.setTranslateY(y);
        Tooltips.say(glyph, said);
        getChildren().add(glyph);
    }

    private Node text(String text, Font font, double x, double y, boolean endsThere, String tone) {
        var drawn = Nodes.text(text, font, endsThere ? x - Type.width(text, font) : x, y, tone);
        getChildren().add(drawn);
        return drawn;
    }

    private static String signed(double value) {
        String number = Decimals.whole(value);
        return (value > 0 && !number.equals("0") ? "+" : "") + number;
    }
}
