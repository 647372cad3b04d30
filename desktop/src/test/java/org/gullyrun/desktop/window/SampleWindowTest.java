package org.gullyrun.desktop.window;

import javafx.stage.Stage;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Selection;
import org.junit.jupiter.api.BeforeEach;
import org.testfx.util.WaitForAsyncUtils;

/** A test of the window on the sample show, which begins when the basins are drawn. */
abstract class SampleWindowTest extends WindowTest {

    /** To be called by the test's own start: only those of the class itself are found. */
    void openSample(Stage shown) throws Exception {
        open(shown, SampleShow.make());
    }

    /** Shows the rung on which the level of the input Music can be typed. */
    void levelField(Hands robot) throws Exception {
        WaitForAsyncUtils.asyncFx(() -> {
                    store.select(new Selection.Pair("music", "live"));
                    store.lookAt(2);
                })
                .get();
        until(() -> robot.lookup("#set-in-music-level").tryQuery().isPresent());
    }

    @BeforeEach
    void drawn(Hands robot) throws Exception {
        until(() -> robot.lookup(".bank").tryQuery().isPresent());
    }
}
