package org.gullyrun.desktop.window;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.LevelSheet;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.SceneReading;
import org.gullyrun.core.audit.Strata;
import org.gullyrun.core.audit.rules.RulePages;
import org.gullyrun.core.brief.Threshold;
import org.gullyrun.core.rig.Decimals;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.desktop.levels.LevelPicture;
import org.gullyrun.desktop.look.Nodes;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Store;

/** Sheets laid over the window on demand: levels and times, what a rule is about, what would happen if. */
final class Sheets {
    /** The room of a picture of levels, in pixels. */
    private static final double PICTURE = 1010;

    private final Store store;
    private final Overlay overlay;

    Sheets(Store store, Overlay overlay) {
        this.store = store;
        this.overlay = overlay;
    }

    /** From which figures on there is a finding. */
    void thresholds() {
        new ThresholdsSheet(store).show(overlay);
    }

    /** Which parts of others ship with the program, and on what terms. */
    void licences() {
        try (InputStream in = Sheets.class.getResourceAsStream("NOTICE")) {
            String text = new String(Objects.requireNonNull(in, "NOTICE").readAllBytes(), StandardCharsets.UTF_8);
            ScrollPane scroll = new ScrollPane(Nodes.label(text, "figures", "small"));
            scroll.getStyleClass().add("plain-scroll");
            scroll.setFitToWidth(true);
            scroll.setPrefHeight(420);
            overlay.sheet("Licences", "", List.of(scroll), 860);
        } catch (IOException e) {
            throw new UncheckedIOException("a text that ships with the program cannot be read", e);
        }
    }

    /** What every listener gets, as a picture of levels; in the scene shown, or the first. */
    void levels() {
        levels(Math.max(0, store.state().scene()), false);
    }

    /** Levels or times in a scene, with ways to the others and to the figures. */
    private void levels(int scene, boolean times) {
        Reading reading = store.state().reading();
        store.ask(r -> Strata.of(r, Math.min(scene, r.scenes().size() - 1)), strata -> {
            Map<String, Runnable> answers = new LinkedHashMap<>();
            answers.put("Close", () -> {});
            if (reading.scenes().size() > 1) {
                answers.put(
                        "Next scene",
                        () -> levels((scene + 1) % reading.scenes().size(), times));
            }
            answers.put(times ? "Levels" : "Times", () -> levels(scene, !times));
            answers.put("Figures", this::figures);
            ScrollPane scroll = new ScrollPane(
                    new LevelPicture(strata, times, PICTURE, store.state().textScale()));
            scroll.getStyleClass().add("plain-scroll");
            scroll.setFitToHeight(true);
            String in = reading.scenes().size() > 1
                    ? " in " + reading.scenes().get(scene).name()
                    : "";
            overlay.sheet(
                    (times ? "Times" : "Levels") + in,
                    times
                            ? "When each source reaches each listener over its strongest route. Red: it comes twice."
                            : "Bars reach to the peak. Lines are voice, music, games and the rest; beneath is how far voice is above the others.",
                    List.of(scroll),
                    PICTURE + 90,
                    answers);
        });
    }

    /** What every listener gets in every scene, in figures; and the lateness of own voices. */
    void figures() {
        Reading reading = store.state().reading();
        store.ask(LevelSheet::of, sheet -> figures(reading, sheet));
    }

    /** Levels and times of all that arrives, listener by listener. */
    private void figures(Reading reading, List<List<LevelSheet.Entry>> sheet) {
        GridPane grid = new GridPane(14, 4);
        List<SceneReading> scenes = reading.scenes();
        for (int i = 0; i < scenes.size(); i++) {
            grid.add(Nodes.label(scenes.get(i).name(), "section-title"), 1 + i, 0);
            var caption = Nodes.label("voice   music    rest    peak", "figures", "caption");
            caption.setWrapText(false);
            grid.add(caption, 1 + i, 1);
        }
        List<Element> outlets = reading.rig().of(Kind.OUTLET);
        boolean assumed = false;
        for (int o = 0; o < outlets.size(); o++) {
            var name = Nodes.label(outlets.get(o).name(), "water");
            name.setWrapText(false);
            name.setMinWidth(Region.USE_PREF_SIZE);
            grid.add(name, 0, 2 + o);
            for (int i = 0; i < scenes.size(); i++) {
                LevelSheet.Entry entry = sheet.get(o).get(i);
                assumed |= entry.assumed();
                grid.add(entry(reading, entry), 1 + i, 2 + o);
            }
        }
        String note = "Usual levels in dBFS. Peaks are what the sum can reach."
                + (assumed ? " Sources without a level count as −20 dBFS." : "");
        ScrollPane scroll = new ScrollPane(grid);
        scroll.getStyleClass().add("plain-scroll");
        scroll.setFitToHeight(true);
        overlay.sheet("Levels and times", note, List.of(scroll), 1120);
    }

    /** One listener: levels in dBFS and its own voice's delay in ms, too loud or too late marked. */
    private static Node entry(Reading reading, LevelSheet.Entry entry) {
        boolean loud = entry.peak() > reading.thresholds().of(Threshold.CLIP_MINOR);
        boolean late = entry.ownVoiceLate() > reading.thresholds().of(Threshold.SELF_MINOR);
        var first = figures(number(entry.voice()) + "  " + number(entry.music()) + "  " + number(entry.rest()));
        var peak = figures(number(entry.peak()));
        if (loud) {
            peak.getStyleClass().add("bad-text");
        }
        HBox line = new HBox(13, first, peak);
        if (!Double.isNaN(entry.ownVoiceLate())) {
            var own = Nodes.label(
                    String.format(Locale.ROOT, "own voice %.0f ms", entry.ownVoiceLate()),
                    "small",
                    late ? "bad-text" : "soft");
            own.setWrapText(false);
            return new VBox(line, own);
        }
        return line;
    }

    /** Figures that are never cut. */
    private static Label figures(String text) {
        Label label = Nodes.label(text, "figures");
        label.setWrapText(false);
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }

    /** Six places wide, so that columns stand under each other. */
    private static String number(double value) {
        String text = Double.isNaN(value) ? "–" : Decimals.one(value);
        return " ".repeat(Math.max(0, 6 - text.length())) + text;
    }

    /** What the rule of the finding selected is about. */
    void about() {
        Finding finding = store.state().shown().finding();
        if (finding == null) {
            store.tell(new Message("Select a finding first. This sheet explains its rule.", false));
            return;
        }
        List<Node> content = new ArrayList<>();
        String title = "";
        for (String line : RulePages.of(finding.rule()).split("\n")) {
            String plain = line.replace("`", "");
            if (line.startsWith("# ")) {
                title = plain.substring(2);
            } else if (line.startsWith("## ")) {
                content.add(Nodes.label(plain.substring(3), "section-title"));
            } else if (line.startsWith("> ")) {
                content.add(Nodes.label(plain.substring(2), "strong"));
            } else if (line.startsWith("| ") && !line.startsWith("| |")) {
                String[] cells = plain.split("\\|");
                content.add(Nodes.label(cells[1].strip(), "caption"));
                content.add(Nodes.label(cells[2].strip()));
            } else if (!line.isBlank() && !line.startsWith("|")) {
                content.add(Nodes.label(plain.replaceFirst("^- ", "• ")));
            }
        }
        overlay.sheet(title, "", content, 620);
    }
}
