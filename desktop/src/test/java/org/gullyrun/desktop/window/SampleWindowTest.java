package org.gullyrun.desktop.window;

import javafx.stage.Stage;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.BeforeEach;

/** A test of the window on the sample show, which begins when the basins are drawn. */
abstract class SampleWindowTest extends WindowTest {

    /** To be called by the test's own start: only those of the class itself are found. */
    void openSample(Stage shown) throws Exception {
        open(shown, SampleShow.make());
    }

    @BeforeEach
    void drawn(Hands robot) throws Exception {
        until(() -> robot.lookup(".bank").tryQuery().isPresent());
    }
}
