package org.gullyrun.lab;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javafx.stage.StageStyle;
import javafx.util.Duration;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.look.KeyStroke;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.window.FilePicker;
import org.gullyrun.desktop.window.Preferences;
import org.gullyrun.desktop.window.Workbench;

/** Uses the window for some minutes as a person would, and tells how much memory the process takes meanwhile. */
public final class LongUse {
    /** A person does something about twice a second. */
    private static final double EACH_SECONDS = 0.5;

    private static final int TOLD_EACH = 60;

    private final Store store;
    private final Stage stage;
    private final Random random = new Random(1);
    private int done;

    private LongUse(Case what) {
        Type.load();
        this.store = new Store(what, null, Platform::runLater);
        this.stage = new Stage(StageStyle.UNDECORATED);
        Preferences nothing = new Preferences(Path.of(System.getProperty("java.io.tmpdir"), "gullyrun-measure-none"));
        new Workbench(stage, store, nothing, FilePicker.NONE);
        stage.setWidth(1280);
        stage.setHeight(800);
        stage.show();
    }

    /**
     * Uses a window on a case.
     *
     * @param minutes how long
     * @param tell told now and then: what has been done, and the memory in MB, resident and of live objects
     */
    public static void run(Case what, double minutes, Consumer<String> tell) throws InterruptedException {
        CompletableFuture<String> end = new CompletableFuture<>();
        Platform.startup(() -> new LongUse(what).begin(minutes, tell, end));
        try {
            tell.accept(end.join());
        } finally {
            Platform.exit();
        }
    }

    /** Works in the window for some minutes and tells what memory it takes. */
    private void begin(double minutes, Consumer<String> tell, CompletableFuture<String> end) {
        int most = (int) (minutes * 60 / EACH_SECONDS);
        Timeline turns = new Timeline(new KeyFrame(Duration.seconds(EACH_SECONDS), e -> {
            step();
            if (++done % TOLD_EACH == 0) {
                tell.accept(memory());
            }
        }));
        turns.setCycleCount(most);
        turns.setOnFinished(e -> {
            store.close();
            System.gc(); // only to tell what was still in use
            end.complete("at the end, after a collection: " + memory());
        });
        turns.play();
    }

    /** Does one thing that a person might do. */
    private void step() {
        KeyStroke.on(stage.getScene().getRoot(), KeyCode.SHIFT); // what gives way to a person has to know of one
        Rig rig = store.state().surveyShown().rig();
        switch (random.nextInt(8)) {
            case 0, 1 -> turn(rig);
            case 2 -> store.selectFinding(random.nextBoolean() ? 1 : -1);
            case 3 -> store.go(Step.values()[random.nextInt(Step.values().length)]);
            case 4 ->
                store.chooseScene(
                        random.nextInt(-1, store.state().reading().scenes().size()));
            case 5 ->
                store.select(new Selection.Pair(
                        any(rig.of(Kind.SOURCE)).id(), any(rig.of(Kind.OUTLET)).id()));
            case 6 ->
                store.select(
                        new Selection.OfElement(any(List.copyOf(rig.elements())).id()));
            default -> store.undo();
        }
    }

    /** Mutes some input, or unmutes it. */
    private void turn(Rig rig) {
        if (rig.of(Kind.INPUT).isEmpty()) {
            return;
        }
        Element input = any(rig.of(Kind.INPUT));
        boolean on = input.is(Productions.INPUT_MUTED, false);
        Change.Set change = Change.set(rig, input.id(), Productions.INPUT_MUTED, !on);
        if (change != null) {
            store.change(List.of(change));
        }
    }

    private <T> T any(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }

    /** The heap in use after collecting garbage. */
    private String memory() {
        Runtime runtime = Runtime.getRuntime();
        long heap = runtime.totalMemory() - runtime.freeMemory() >> 20;
        return done + " steps: resident " + resident("VmRSS") + " MB, at most " + resident("VmHWM") + " MB; heap used "
                + heap + " MB of " + (runtime.totalMemory() >> 20) + " MB";
    }

    /** A figure of this process as the system tells it, in MB; "?" where it does not. */
    private static String resident(String name) {
        try {
            return Files.readAllLines(Path.of("/proc/self/status")).stream()
                    .filter(l -> l.startsWith(name + ":"))
                    .map(l -> Long.toString(Long.parseLong(l.replaceAll("[^0-9]", "")) >> 10))
                    .findFirst()
                    .orElse("?");
        } catch (IOException e) {
            return "?";
        }
    }
}
