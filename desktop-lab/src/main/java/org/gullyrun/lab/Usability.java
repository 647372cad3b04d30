package org.gullyrun.lab;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.function.Consumer;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javafx.stage.StageStyle;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.casefile.Survey;
import org.gullyrun.core.intake.Section;
import org.gullyrun.core.intake.Sheet;
import org.gullyrun.core.intake.StartingRigs;
import org.gullyrun.core.intake.Table;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.intake.IntakeView;
import org.gullyrun.desktop.look.KeyStroke;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.window.FilePicker;
import org.gullyrun.desktop.window.Preferences;
import org.gullyrun.desktop.window.Workbench;

/** Measures in the real window what entering a rig costs: keystrokes, and the time from a key to the painted letter. */
public final class Usability {
    private static final int PATIENT_FRAMES = 40;

    private Usability() {}

    /**
     * What was found.
     *
     * @param strokes the keys struck to type the rig in
     * @param elements the elements that then are there
     * @param rig the rig as it was typed
     * @param times from a key to its paint in a rig of some 500 elements
     */
    public record Measured(int strokes, int elements, Rig rig, Times times) {}

    /** Types a rig into an empty sheet, then, if letters are to be timed, some into a big one. */
    public static Measured measure(Rig want, boolean timed) throws InterruptedException {
        CompletableFuture<Measured> done = new CompletableFuture<>();
        Platform.startup(() -> {
            try {
                start(want, timed, done);
            } catch (RuntimeException e) {
                done.completeExceptionally(e);
            }
        });
        try {
            return done.get();
        } catch (ExecutionException e) {
            throw new IllegalStateException(e.getCause());
        } finally {
            Platform.exit();
        }
    }

    /** A window of the usual size at Intake. */
    private static Workbench window(Stage stage, Store store) {
        store.go(Step.INTAKE);
        Preferences nothing = new Preferences(Path.of(System.getProperty("java.io.tmpdir"), "gullyrun-measure-none"));
        Workbench workbench = new Workbench(stage, store, nothing, FilePicker.NONE);
        stage.setWidth(1280);
        stage.setHeight(800);
        stage.show();
        return workbench;
    }

    /** Does something when so many frames have been shown. */
    private static void after(int frames, Runnable then) {
        new AnimationTimer() {
            private int seen;

            @Override
            public void handle(long now) {
                if (++seen > frames) {
                    stop();
                    then.run();
                }
            }
        }.start();
    }

    /** Types a rig into an empty case, and compares what it becomes. */
    private static void start(Rig want, boolean timed, CompletableFuture<Measured> done) {
        Type.load();
        Store store = new Store(StartingRigs.empty("typed"), null, Platform::runLater);
        Stage stage = new Stage(StageStyle.UNDECORATED);
        Workbench workbench = window(stage, store);
        after(PATIENT_FRAMES, () -> {
            try {
                IntakeView sheet = (IntakeView) workbench.scene().lookup("#intake");
                Typist typist = new Typist(sheet, store, want);
                typist.type();
                Rig typed = store.state().surveyShown().rig();
                store.close();
                stage.hide();
                Consumer<Times> end = times -> done.complete(
                        new Measured(typist.strokes(), typed.elements().size(), typed, times));
                if (timed) {
                    big(end);
                } else {
                    end.accept(new Times());
                }
            } catch (RuntimeException e) {
                done.completeExceptionally(e);
            }
        });
    }

    /** A rig of some 500 elements: devices on cables, programs that play to them. */
    private static Rig big() {
        Rig rig = Rig.EMPTY;
        for (int i = 1; i <= 80; i++) {
            Table cables = Sheet.of(rig, Section.LINKS).getFirst();
            rig = Changes.apply(rig, cables.add(rig, "Cable " + i));
            Table programs = Sheet.of(rig, Section.PROGRAMS).getFirst();
            var added = programs.add(rig, "Program " + i);
            rig = Changes.apply(rig, added);
            String id = programs.added(added);
            rig = Changes.apply(rig, programs.columns().get(2).enter(rig, rig.get(id), "Cable " + i + ", play side"));
            Table sounds = Sheet.of(rig, Section.SOUNDS).getFirst();
            var sound = sounds.add(rig, "Sound " + i);
            rig = Changes.apply(rig, sound);
            rig = Changes.apply(rig, sounds.columns().get(2).enter(rig, rig.get(sounds.added(sound)), "Program " + i));
        }
        return rig;
    }

    /** Measures typing on a large rig. */
    private static void big(java.util.function.Consumer<Times> done) {
        Case what = new Case("big", "", 4, "", List.of(new Survey("s", "s", "", "", big(), Map.of())), Brief.EMPTY);
        Store store = new Store(what, null, Platform::runLater);
        Stage stage = new Stage(StageStyle.UNDECORATED);
        Workbench workbench = window(stage, store);
        after(4 * PATIENT_FRAMES, () -> {
            IntakeView sheet = (IntakeView) workbench.scene().lookup("#intake");
            sheet.goTo(
                    Objects.requireNonNull(store.state().surveyShown().rig().find("program-40"))
                            .id(),
                    "class");
            after(PATIENT_FRAMES, () -> type(workbench, done));
        });
    }

    /** Types letters into a cell of the sheet, each when the one before is on screen. */
    private static void type(Workbench workbench, java.util.function.Consumer<Times> done) {
        Times times = new Times();
        press(workbench, KeyCode.TAB);
        String letters = "cable 4";
        new AnimationTimer() {
            private int typed;
            private boolean begun;
            private boolean awaited;
            private int frames;

            @Override
            public void handle(long now) {
                if (!begun && ++frames == 12) {
                    Platform.runLater(this::strike); // just after a pulse: no key has to wait longer for the next
                } else if (begun && !awaited) {
                    awaited = true;
                    Painting.afterThisPulse(this::painted);
                }
            }

            private void strike() {
                begun = true;
                times.begin();
                awaited = false;
                if (typed % 8 == 7) {
                    press(workbench, KeyCode.ESCAPE);
                } else {
                    KeyStroke.type(workbench.scene().getFocusOwner(), letters.charAt(typed % 8));
                }
                typed++;
            }

            private void painted() {
                times.end(typed > 80);
                begun = false;
                frames = 0;
                if (typed == 240) {
                    stop();
                    done.accept(times);
                }
            }
        }.start();
    }

    private static void press(Workbench workbench, KeyCode code) {
        KeyStroke.on(workbench.scene().getFocusOwner(), code);
    }
}
