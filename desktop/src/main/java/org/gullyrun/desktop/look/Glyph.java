package org.gullyrun.desktop.look;

import javafx.scene.shape.FillRule;
import javafx.scene.shape.SVGPath;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.jspecify.annotations.Nullable;

/** The signs of the classes of sources. They differ in shape, never in hue alone. Each fits a box of 12 pixels. */
public final class Glyph {
    private Glyph() {}

    /** The sign of a class, centred on the origin; a ring for a class that is not yet known. */
    public static SVGPath of(@Nullable SourceClass sourceClass, double scale) {
        SVGPath path = new SVGPath();
        path.setFillRule(FillRule.EVEN_ODD);
        path.setContent(
                switch (sourceClass) {
                    case null ->
                        "M-5,0a5,5 0 1,0 10,0a5,5 0 1,0 -10,0ZM-3.6,0a3.6,3.6 0 1,0 7.2,0a3.6,3.6 0 1,0 -7.2,0Z";
                    case VOICE -> "M-5,0a5,5 0 1,0 10,0a5,5 0 1,0 -10,0Z";
                    case GUEST ->
                        "M-5.6,0a5.6,5.6 0 1,0 11.2,0a5.6,5.6 0 1,0 -11.2,0ZM-4.1,0a4.1,4.1 0 1,0 8.2,0a4.1,4.1 0 1,0 -8.2,0Z"
                                + "M-2.1,0a2.1,2.1 0 1,0 4.2,0a2.1,2.1 0 1,0 -4.2,0Z";
                    case CHAT -> "M-5.5,-4.8H5.5V2.6H-0.6L-3.6,5.8V2.6H-5.5Z";
                    case MUSIC -> "M0,-6L5.6,0L0,6L-5.6,0Z";
                    case GAME -> "M-2.9,-5.2H2.9L5.8,0L2.9,5.2H-2.9L-5.8,0Z";
                    case ALERT -> "M0,-5.4L5.6,4.4H-5.6Z";
                    case EFFECT ->
                        "M0,-6L1.1,-2.6L4.3,-4.3L2.6,-1.1L6,0L2.6,1.1L4.3,4.3L1.1,2.6L0,6L-1.1,2.6L-4.3,4.3L-2.6,1.1"
                                + "L-6,0L-2.6,-1.1L-4.3,-4.3L-1.1,-2.6Z";
                    case MEDIA -> "M-4.5,-4.5H4.5V4.5H-4.5Z";
                    case SYSTEM ->
                        "M-6,1.6C-4.6,-5.4 -1.4,-5.4 0,-0.7C1.1,3 3.2,3 4.3,-2.6L6,-1.9C4.6,5.4 1.4,5.4 0,0.7"
                                + "C-1.1,-3 -3.2,-3 -4.3,2.4Z";
                });
        path.setScaleX(scale);
        path.setScaleY(scale);
        path.getStyleClass().add("glyph");
        return path;
    }
}
