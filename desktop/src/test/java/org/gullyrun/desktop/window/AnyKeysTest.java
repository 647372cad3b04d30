package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import java.util.stream.Collectors;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.repair.Repair;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/**
 * Keys pressed at random while everything is worked out beside: nothing fails, and what is shown is true of the case. Every run
 * presses others; where it fails, the last keys are told.
 */
@EnabledIfSystemProperty(named = "gullyrun.thorough", matches = "true")
class AnyKeysTest extends WindowTest {
    private static final int SECONDS = 90;
    /** So many keys are pressed before it is looked whether all is true. */
    private static final int A_WHILE = 40;

    private static final List<String> KEYS = List.of(
            "DOWN DOWN DOWN UP UP LEFT RIGHT ENTER SPACE SPACE TAB HOME END PAGE_DOWN DELETE INSERT F2 F4 ESCAPE ESCAPE",
            "DIGIT1 DIGIT2 DIGIT3 DIGIT4 DIGIT4 DIGIT5 DIGIT5 DIGIT5 X X SHIFT+X T T B R L N N P W C O D S M F",
            "ALT+UP ALT+DOWN CONTROL+Z CONTROL+Z CONTROL+SHIFT+Z CONTROL+ENTER CONTROL+ENTER CONTROL+S CONTROL+D");
    private static final List<String> SOUGHT = List.of(
            "headset off",
            "mute music",
            "default to plover",
            "compare",
            "known good",
            "as found",
            "in repair",
            "host live",
            "sky");

    private final Queue<String> faults = new ConcurrentLinkedQueue<>();
    private final Handler handler = new Handler() {
        @Override
        public void publish(LogRecord told) {
            if (told.getLevel().intValue() >= Level.WARNING.intValue()) {
                faults.add(told.getMessage() + " " + told.getThrown());
            }
        }

        @Override
        public void flush() {}

        @Override
        public void close() {}
    };

    @Start
    void start(Stage shown) throws Exception {
        Logger.getLogger("").addHandler(handler);
        Thread.currentThread().setUncaughtExceptionHandler((thread, fault) -> faults.add(fault.toString()));
        open(shown, SampleShow.make(), LIVELY);
    }

    @AfterEach
    void listenNoMore() {
        Logger.getLogger("").removeHandler(handler);
    }

    @Test
    void leaveItWholeAndTrue(Hands robot) throws Exception {
        long seed = System.nanoTime();
        Random random = new Random(seed);
        List<String> keys =
                KEYS.stream().flatMap(line -> Arrays.stream(line.split(" "))).toList();
        List<String> pressed = new ArrayList<>();
        long until = System.nanoTime() + SECONDS * 1_000_000_000L;
        while (System.nanoTime() < until) {
            for (int i = 0; i < A_WHILE; i++) {
                pressed.add(press(robot, random, keys));
            }
            List<String> last = pressed.subList(Math.max(0, pressed.size() - 2 * A_WHILE), pressed.size());
            isTrue("seed " + seed + ", after " + last);
        }
        assertFalse(pressed.isEmpty());
    }

    /** Presses a key, seeks something, types a little or waits; gives what it was. */
    private static String press(Hands robot, Random random, List<String> keys) throws InterruptedException {
        int what = random.nextInt(keys.size() + 8);
        if (what < keys.size()) {
            robot.push(Arrays.stream(keys.get(what).split("\\+"))
                    .map(KeyCode::valueOf)
                    .toArray(KeyCode[]::new));
            return keys.get(what);
        }
        String words = SOUGHT.get(random.nextInt(SOUGHT.size()));
        switch (what - keys.size()) {
            case 0, 1, 2, 3 -> act(robot, words);
            case 4, 5 -> robot.write(words.substring(0, 3));
            default -> Thread.sleep(random.nextInt(2000));
        }
        return what - keys.size() < 4 ? "find " + words : what - keys.size() < 6 ? "type" : "wait";
    }

    /** Once all is worked out: the findings are those of an audit from scratch, and the plan does what it says. */
    private void isTrue(String when) throws Exception {
        WaitForAsyncUtils.waitForFxEvents();
        until(() -> !state().isAnswerOld()
                && (state().step() != Step.REPAIR || !state().planning().isWorking()));
        State now = state();
        assertEquals(List.of(), List.copyOf(faults), when);
        Audit audit =
                RuleCatalogue.on(now.what().terms(), now.what().showHours()).quick();
        assertEquals(
                findings(audit.read(now.surveyShown().rig(), now.what().brief()), audit),
                findings(now.reading(), audit),
                when);
        if (now.step() == Step.REPAIR && now.planning().plan() != null) {
            assertTrue(now.planning().isOf(now.reading()), when);
            Repair repair = Objects.requireNonNull(now.planning().plan()).repair();
            assertEquals(
                    repair.after().findings().stream()
                            .filter(Finding::isBad)
                            .map(Finding::identity)
                            .collect(Collectors.toSet()),
                    repair.left().stream().map(Finding::identity).collect(Collectors.toSet()),
                    when);
        }
    }

    private static Set<String> findings(Reading reading, Audit audit) {
        return reading.findings().stream()
                .filter(f -> audit.asks(f.rule()))
                .map(f -> f.severity() + " " + f.identity())
                .collect(Collectors.toSet());
    }
}
