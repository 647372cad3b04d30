package org.gullyrun.desktop.window;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.NoSuchElementException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javafx.stage.StageStyle;
import org.gullyrun.core.fix.WhatIf;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.desktop.find.FindIndex;
import org.gullyrun.desktop.look.KeyStroke;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Pace;
import org.gullyrun.desktop.state.Planning;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.trace.MapView;

/** Brings the window to what a picture is to show, waits until all of it is there, and takes the picture. */
final class PictureTaker extends AnimationTimer {
    /** How long to wait for the whole of it, ms: the plan for the largest rigs takes this long on a slow machine. */
    static final long PATIENCE = 90_000;
    /**
     * So many frames in a row have to show all of it before something is done on top, and again before the picture is taken:
     * what could be done instead of a step, or what a sheet shows, comes within them.
     */
    private static final int STEADY = 45;

    /** Nobody works in this window: nothing has to wait. */
    private static final Pace AT_ONCE = new Pace(0, 0, 0, 0);

    private final Picture.Wanted wanted;
    private final CompletableFuture<WritableImage> done;
    private final Store store;
    private final Workbench workbench;
    private final List<Awaited> awaited;
    private final long began = System.currentTimeMillis();
    private int frames;
    private boolean selected;
    private boolean finished;

    /** Something that the picture has to show, and whether it is there. */
    private record Awaited(String what, BooleanSupplier isThere) {}

    /** Shows the window; on the interface thread. */
    PictureTaker(Picture.Wanted wanted, CompletableFuture<WritableImage> done) {
        this.wanted = wanted;
        this.done = done;
        Type.load();
        store = new Store(wanted.what(), null, Platform::runLater, null, AT_ONCE);
        if (!wanted.survey().isEmpty()) {
            store.chooseSurvey(wanted.survey());
        }
        store.look(wanted.night(), wanted.textScale());
        if (wanted.rates()) {
            store.turnLens();
        }
        store.go(Step.valueOf(wanted.step().toUpperCase(Locale.ROOT)));
        Stage stage = new Stage(StageStyle.UNDECORATED);
        workbench = new Workbench(
                stage,
                store,
                new Preferences(Path.of(System.getProperty("java.io.tmpdir"), "gullyrun-picture-none")),
                FilePicker.NONE);
        stage.setWidth(wanted.width());
        stage.setHeight(wanted.height());
        stage.show();
        awaited = List.of(
                new Awaited("the survey", this::isSurveyShown),
                new Awaited(
                        "the map", () -> workbench.scene().lookup("#map") instanceof MapView map && map.isSettled()),
                new Awaited("what is to be selected", this::isSelected),
                new Awaited("its fixes", () -> state().shown().finding() == null || state().fixes() != null),
                // The deep rules answer before the causes do: without them the picture would show some findings too
                // few.
                new Awaited(
                        "the root causes",
                        () -> state().causes().ended() || state().alerts().isNotAudited()),
                new Awaited("the plan", this::isPlanned),
                new Awaited("the difference", () -> wanted.tried().isEmpty() || state().against() != null));
    }

    @Override
    public void handle(long now) {
        try {
            String missing = awaited.stream()
                    .filter(a -> !a.isThere().getAsBoolean())
                    .map(Awaited::what)
                    .collect(Collectors.joining(", "));
            if (missing.isEmpty()) {
                frames++;
                if (frames > STEADY && !finished) {
                    finished = true;
                    finish();
                }
                if (frames > 2 * STEADY && isSheetOpen()) {
                    stop();
                    done.complete(workbench.scene().snapshot(null));
                    return;
                }
            } else {
                frames = 0;
            }
            if (System.currentTimeMillis() - began > PATIENCE) {
                String lacking = missing.isEmpty() ? "the sheet" : missing;
                throw new TimeoutException("No picture was taken: after " + PATIENCE / 1000
                        + " seconds the window still lacked: " + lacking + ".");
            }
        } catch (RuntimeException | TimeoutException e) {
            stop();
            done.completeExceptionally(e);
        }
    }

    private State state() {
        return store.state();
    }

    private boolean isSurveyShown() {
        return wanted.survey().isEmpty()
                || state().alerts().isNotAudited()
                || state().reading().rig() == state().surveyShown().rig();
    }

    private boolean isPlanned() {
        Planning planning = state().planning();
        return state().step() != Step.REPAIR || planning.of() != null && !planning.isWorking();
    }

    /** Selects once the map is there; what only the deep rules find may be selected later. */
    private boolean isSelected() {
        if (!selected
                && awaited.subList(0, 2).stream().allMatch(a -> a.isThere().getAsBoolean())) {
            selected = state().step() == Step.INTAKE ? type() : select();
        }
        return selected;
    }

    /** What needs the rest to be there: a rung or a step of the plan, and a sheet over all of it. */
    private void finish() {
        checkRung();
        if (wanted.hop() >= 0 && state().step() == Step.REPAIR) {
            store.planner().look(wanted.hop());
        }
        if (!wanted.open().isEmpty()) {
            workbench.commands().stream()
                    .filter(c -> c.id().equals(wanted.open()))
                    .forEach(c -> c.run().run());
        }
    }

    /** Whether there is a rung, or a step of a repair, of the number asked for. */
    private void checkRung() {
        boolean repair = state().step() == Step.REPAIR;
        WorkPlan plan = state().planning().plan();
        int rungs = state().shown().routes().isEmpty()
                ? 0
                : state().shown().routes().getFirst().segments().size() + 1;
        int last = (repair ? plan == null ? 0 : plan.steps().size() : rungs) - 1;
        if (wanted.hop() > last) {
            String what = repair ? "step" : "rung";
            throw new NoSuchElementException(
                    last < 0
                            ? "Nothing is shown that has a " + what
                            : "There is no " + what + " " + wanted.hop() + ". Counted from 0, the last is " + last);
        }
    }

    private boolean isSheetOpen() {
        return wanted.open().isEmpty() || workbench.scene().lookup("#overlay .title") != null;
    }

    /** Goes to a section of the intake and types into its next row as a person would. */
    private boolean type() {
        String[] parts = wanted.select().split("/", 2);
        if (workbench.scene().lookup("#section-" + parts[0].toLowerCase(Locale.ROOT)) instanceof Button tab) {
            tab.fire();
        } else if (!wanted.select().isEmpty()) {
            return false;
        }
        String typed = parts.length < 2 ? "" : parts[1].replace("\\t", "\t");
        for (char c : typed.toCharArray()) {
            Node cell = workbench.scene().lookup("#cell");
            if (c == '\t') {
                KeyStroke.on(cell, KeyCode.TAB);
            } else if (cell instanceof TextField field) {
                field.replaceSelection(String.valueOf(c));
            }
        }
        return true;
    }

    /** Selects what the picture should show, and tries what it should try; whether there is such a thing. */
    private boolean select() {
        for (int i = 0; i < state().reading().scenes().size(); i++) {
            if (state().reading().scenes().get(i).name().equalsIgnoreCase(wanted.scene())) {
                store.chooseScene(i);
            }
        }
        if (!wanted.select().isEmpty()) {
            List<FindIndex.Hit> hits = FindIndex.search(wanted.select(), state().reading(), List.of());
            store.select(
                    hits.isEmpty()
                            ? new Selection.Trouble(wanted.select())
                            : hits.getFirst().selection());
            if (state().shown().isEmpty() && state().shown().finding() == null) {
                return false;
            }
        }
        if (!wanted.tried().isEmpty()) {
            WhatIf.search(WhatIf.events(state().reading().rig()), wanted.tried(), "", 1)
                    .forEach(event -> store.tryout().add(event.change(), event.sentence()));
        }
        if (wanted.hop() >= 0) {
            store.lookAt(wanted.hop());
        }
        return true;
    }
}
