package org.gullyrun.desktop.look;

import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import javafx.scene.text.Font;
import javafx.scene.text.FontPosture;
import javafx.scene.text.Text;

/** The faces shipped with the program. Sizes are in pixels at 100 % text. */
public final class Type {
    private Type() {}

    private static final List<String> FILES = List.of(
            "IBMPlexSans-Regular",
            "IBMPlexSans-SemiBold",
            "IBMPlexSerif-SemiBold",
            "IBMPlexSerif-Italic",
            "IBMPlexSerif-MediumItalic",
            "IBMPlexMono-Regular");

    private static final int MOST_FACES = 500;
    /** The property that names the folder where the launcher has unpacked the faces. */
    private static final String FOLDER = "gullyrun.fonts";

    private static final int MOST_WIDTHS = 20_000;
    /** The same labels are measured at every change. */
    private static final Map<Measured, Double> WIDTHS = new ConcurrentHashMap<>();

    /** To find a face by its name takes longer than to measure a label in it. */
    private static final Map<Face, Font> FACES = new ConcurrentHashMap<>();

    private record Measured(String text, Font font) {}

    private record Face(String name, FontPosture posture, double size) {}

    /** Loads one face of a family that ships with the program. */
    private static Font face(String name, FontPosture posture, double size) {
        if (FACES.size() > MOST_FACES) {
            FACES.clear();
        }
        return FACES.computeIfAbsent(new Face(name, posture, size), f -> Font.font(f.name, f.posture, f.size));
    }

    /** Loads all faces; to be called once before the first window. */
    public static void load() {
        FACES.clear(); // a face asked for too early is another one
        String folder = System.getProperty(FOLDER, "");
        for (String file : FILES) {
            Path unpacked = Path.of(folder, file + ".ttf");
            // Out of a jar JavaFX makes a copy in the temporary folder, which stays there if the window is killed.
            if (!folder.isEmpty()
                    && Files.isReadable(unpacked)
                    && Font.loadFont(unpacked.toUri().toString(), 12) != null) {
                continue;
            }
            try (InputStream in = Type.class.getResourceAsStream("fonts/" + file + ".ttf")) {
                Font.loadFont(Objects.requireNonNull(in, file), 12);
            } catch (java.io.IOException e) {
                throw new IllegalStateException("a face that ships with the program cannot be read: " + file, e);
            }
        }
    }

    /** The interface's face. */
    public static Font sans(double size) {
        return face("IBM Plex Sans", FontPosture.REGULAR, size);
    }

    /** The interface's face, for what is current. */
    public static Font strong(double size) {
        return face("IBM Plex Sans SmBld", FontPosture.REGULAR, size);
    }

    /** As maps letter their waters: names of outlets and runs. */
    public static Font water(double size) {
        return face("IBM Plex Serif Medm", FontPosture.ITALIC, size);
    }

    /** Figures in ladders and tags. */
    public static Font figures(double size) {
        return face("IBM Plex Mono", FontPosture.REGULAR, size);
    }

    /** How wide a text is in a face. */
    public static double width(String text, Font font) {
        if (WIDTHS.size() > MOST_WIDTHS) {
            WIDTHS.clear();
        }
        return WIDTHS.computeIfAbsent(new Measured(text, font), key -> {
            Text measured = new Text(text);
            measured.setFont(font);
            return measured.getLayoutBounds().getWidth();
        });
    }

    /** As many of some names as fit into a width: "Live, Archive", "Live and 4 others", or "5 in all" where not even one fits. */
    public static String fit(List<String> names, Font font, double width) {
        String all = String.join(", ", names);
        if (width(all, font) <= width) {
            return all;
        }
        String most = names.size() + " in all";
        for (int n = 1; n < names.size(); n++) {
            int others = names.size() - n;
            String some =
                    String.join(", ", names.subList(0, n)) + " and " + others + (others == 1 ? " other" : " others");
            if (width(some, font) > width) {
                break;
            }
            most = some;
        }
        return most;
    }

    /** The text if it fits into a width, else its beginning and end with an ellipsis between: names often differ at the end. */
    public static String fit(String text, Font font, double width) {
        if (width(text, font) <= width) {
            return text;
        }
        for (int n = text.length() - 1; n > 0; n--) {
            int head = (n + 1) / 2;
            String cut = text.substring(0, head).stripTrailing()
                    + "…"
                    + text.substring(text.length() - (n - head)).stripLeading();
            if (width(cut, font) <= width) {
                return cut;
            }
        }
        return "…";
    }
}
