package org.gullyrun.desktop.window;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javafx.stage.StageStyle;
import javax.imageio.ImageIO;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.fix.WhatIf;
import org.gullyrun.desktop.find.FindIndex;
import org.gullyrun.desktop.look.KeyStroke;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.trace.MapView;

/** Renders the real window into a picture file. */
public final class Picture {
    /** How long to wait for the audit of the largest rigs, ms. */
    private static final long AUDIT = 60_000;

    private static final long PATIENCE = 20_000;

    private static final long ENOUGH = 9_000;

    private Picture() {}

    /**
     * What the picture is to show.
     *
     * @param what the case
     * @param survey the id of a survey, or empty for the first
     * @param step intake, brief, trace, findings or repair
     * @param scene the name of a scene, or empty for all
     * @param select what is typed into the find field to select something; in the intake, the name of a section and, after
     *     a slash, what is typed into its next row, a tab as \t; or empty
     * @param hop the rung whose settings are open, -1 for none
     * @param rates whether the map shows rates in place of levels
     * @param open the id of a command that opens a sheet over it, or empty
     * @param tried what to try, as it is typed; empty for nothing
     * @param night whether on the night sheet
     * @param textScale 1 for 100 %
     * @param width in pixels
     * @param height in pixels
     */
    public record Wanted(
            Case what,
            String survey,
            String step,
            String scene,
            String select,
            int hop,
            boolean rates,
            String open,
            String tried,
            boolean night,
            double textScale,
            int width,
            int height) {}

    /** Renders and writes a PNG; needs a display, which may be virtual. */
    public static void write(Wanted wanted, Path file) throws IOException {
        CompletableFuture<WritableImage> done = new CompletableFuture<>();
        Platform.startup(() -> {
            try {
                show(wanted, done);
            } catch (RuntimeException e) {
                done.completeExceptionally(e);
            }
        });
        try {
            WritableImage image = done.get(PATIENCE + AUDIT, TimeUnit.MILLISECONDS);
            ImageIO.write(SwingFXUtils.fromFXImage(image, null), "png", file.toFile());
        } catch (java.util.concurrent.ExecutionException | java.util.concurrent.TimeoutException e) {
            throw new IOException("the window could not be rendered: " + e, e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        } finally {
            Platform.exit();
        }
    }

    /** Shows the window, waits until everything has been drawn, and takes its picture. */
    private static void show(Wanted wanted, CompletableFuture<WritableImage> done) {
        Type.load();
        Store store = new Store(wanted.what, null, Platform::runLater);
        if (!wanted.survey.isEmpty()) {
            store.chooseSurvey(wanted.survey);
        }
        store.look(wanted.night, wanted.textScale);
        if (wanted.rates) {
            store.turnLens();
        }
        store.go(Step.valueOf(wanted.step.toUpperCase(Locale.ROOT)));
        Stage stage = new Stage(StageStyle.UNDECORATED);
        Workbench workbench = new Workbench(
                stage,
                store,
                new Preferences(Path.of(System.getProperty("java.io.tmpdir"), "gullyrun-picture-none")),
                FilePicker.NONE);
        stage.setWidth(wanted.width);
        stage.setHeight(wanted.height);
        stage.show();
        long began = System.currentTimeMillis();
        new AnimationTimer() {
            private int frames;
            private boolean selected;
            private boolean opened;

            @Override
            public void handle(long now) {
                boolean drawn = workbench.scene().lookup("#map") instanceof MapView map && map.isSettled();
                boolean surveyed = wanted.survey.isEmpty()
                        || store.state().alerts().isNotAudited()
                        || store.state().reading().rig()
                                == store.state().surveyShown().rig();
                boolean late = System.currentTimeMillis() - began > PATIENCE;
                if (drawn && surveyed && !selected) {
                    selected = true;
                    if (store.state().step() == Step.INTAKE) {
                        type(wanted.select, workbench);
                    } else {
                        select(wanted, store);
                    }
                    frames = 0;
                }
                boolean mended =
                        store.state().shown().finding() == null || store.state().fixes() != null;
                // The deep rules answer before the causes do: without them the picture would show some findings too
                // few.
                boolean grouped = store.state().causes().ended()
                        || store.state().alerts().isNotAudited()
                        || store.state().step() != Step.FINDINGS && System.currentTimeMillis() - began > ENOUGH;
                boolean planned = store.state().step() != Step.REPAIR
                        || store.state().planning().of() != null
                                && !store.state().planning().isWorking();
                boolean compared = wanted.tried.isEmpty() || store.state().against() != null;
                frames = compared && drawn && selected && mended && grouped && planned ? frames + 1 : 0;
                if (frames > 20 && !opened && !wanted.open.isEmpty()) {
                    opened = true;
                    workbench.commands().stream()
                            .filter(c -> c.id().equals(wanted.open))
                            .forEach(c -> c.run().run());
                }
                boolean sheet = wanted.open.isEmpty() || workbench.scene().lookup("#overlay .title") != null;
                if (frames > 40 && sheet || late) {
                    stop();
                    done.complete(workbench.scene().snapshot(null));
                }
            }
        }.start();
    }

    /** Goes to a section of the intake and types into its next row as a person would. */
    private static void type(String wanted, Workbench workbench) {
        String[] parts = wanted.split("/", 2);
        Node tab = workbench.scene().lookup("#section-" + parts[0].toLowerCase(Locale.ROOT));
        if (tab instanceof Button button) {
            button.fire();
        }
        for (char c :
                parts.length < 2 ? new char[0] : parts[1].replace("\\t", "\t").toCharArray()) {
            Node field = workbench.scene().lookup("#cell");
            if (c == '\t') {
                KeyStroke.on(field, KeyCode.TAB);
            } else if (field instanceof TextField typed) {
                typed.replaceSelection(String.valueOf(c));
            }
        }
    }

    /** Selects what the picture should show. */
    private static void select(Wanted wanted, Store store) {
        for (int i = 0; i < store.state().reading().scenes().size(); i++) {
            if (store.state().reading().scenes().get(i).name().equalsIgnoreCase(wanted.scene)) {
                store.chooseScene(i);
            }
        }
        List<FindIndex.Hit> hits = FindIndex.search(wanted.select, store.state().reading(), List.of());
        if (!hits.isEmpty()) {
            store.select(hits.getFirst().selection());
        } else if (!wanted.select.isEmpty()) {
            store.select(new Selection.Trouble(wanted.select));
        }
        if (!wanted.tried.isEmpty()) {
            WhatIf.search(WhatIf.events(store.state().reading().rig()), wanted.tried, "", 1)
                    .forEach(event -> store.tryout().add(event.change(), event.sentence()));
        }
        if (wanted.hop >= 0 && store.state().step() == Step.REPAIR) {
            store.planner().look(wanted.hop);
        } else if (wanted.hop >= 0) {
            store.lookAt(wanted.hop);
        }
    }
}
