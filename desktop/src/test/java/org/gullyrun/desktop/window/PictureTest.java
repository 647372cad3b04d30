package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import javafx.scene.control.Label;
import javafx.scene.image.WritableImage;
import javafx.stage.Window;
import org.gullyrun.core.TakesLong;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

/** A picture is taken of what was asked for, once all of it is on screen. */
@ExtendWith({ApplicationExtension.class, Hands.Given.class})
class PictureTest {
    private final CompletableFuture<WritableImage> done = new CompletableFuture<>();

    private WritableImage taken(String step, String select, int rung, String open) throws Exception {
        Picture.Wanted wanted = new Picture.Wanted(
                SampleShow.make(), SampleShow.AS_FOUND, step, "", select, rung, false, open, "", true, 1, 1100, 750);
        WaitForAsyncUtils.asyncFx(() -> new PictureTaker(wanted, done).start()).get();
        return done.get(90, TimeUnit.SECONDS);
    }

    @AfterEach
    void close() throws Exception {
        WaitForAsyncUtils.asyncFx(() -> List.copyOf(Window.getWindows()).forEach(Window::hide))
                .get();
    }

    @TakesLong
    @Test
    void theStepOfTheRepairThatIsAskedForIsShown(Hands robot) throws Exception {
        WritableImage picture = taken("repair", "", 5, "");
        assertEquals(1100, picture.getWidth());
        assertEquals(750, picture.getHeight());
        assertTrue(robot.lookup("Step 6 of 10").tryQuery().isPresent());
    }

    @TakesLong
    @Test
    void aSheetLiesOverWhatIsSelected(Hands robot) throws Exception {
        taken("findings", "leak:music>archive", -1, "levels");
        assertTrue(robot.lookup("#levels-picture").tryQuery().isPresent());
        assertTrue(robot.lookup("#evidence .label").queryAllAs(Label.class).stream()
                .anyMatch(label -> label.getText().startsWith("Archive hears Music")));
    }

    @Test
    void aRungBeyondTheLastIsRefused() {
        ExecutionException refused =
                assertThrows(ExecutionException.class, () -> taken("trace", "leak:music>archive", 99, ""));
        assertEquals(
                "There is no rung 99. Counted from 0, the last is 4",
                refused.getCause().getMessage());
    }
}
