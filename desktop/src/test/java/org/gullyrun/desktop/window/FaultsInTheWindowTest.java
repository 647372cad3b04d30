package org.gullyrun.desktop.window;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.gullyrun.core.casefile.Case;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Whatever stands in a file, the window shows something true: the case, a sentence, or both. */
class FaultsInTheWindowTest extends SampleWindowTest {
    @Start
    void start(Stage shown) throws Exception {
        openSample(shown);
    }

    private void opens(String name, String rig) throws Exception {
        Path text = Files.writeString(
                folder.resolve(name + ".json"),
                "{\"format\":\"gullyrun case\",\"version\":1,\"title\":\"" + name
                        + "\",\"surveys\":[{\"id\":\"s\",\"rig\":" + rig.replace('\'', '"') + "}]}");
        WaitForAsyncUtils.asyncFx(() -> store.open(text, () -> {})).get();
    }

    private static String alerts(Hands robot) {
        Label label = robot.lookup("#alerts").queryAs(Label.class);
        return label.isVisible() ? label.getText() : "";
    }

    @Test
    void aCaseThatCannotBeAuditedIsShownWithAReasonThatStays(Hands robot) throws Exception {
        assertEquals("", alerts(robot));
        String sources =
                IntStream.range(0, 210).mapToObj(i -> "{'id':'s" + i + "'}").collect(Collectors.joining(","));
        String scenes = IntStream.range(0, 100)
                .mapToObj(i -> "{'id':'z" + i + "','production':'p'}")
                .collect(Collectors.joining(","));
        opens(
                "Crowd",
                "{'sources':[" + sources + "],'outlets':[" + sources.replace("'s", "'o")
                        + "],'productions':[{'id':'p'}],'scenes':[" + scenes + "]}");
        until(() -> state().what().title().equals("Crowd"));
        assertTrue(alerts(robot).contains("can't be audited"), alerts(robot));
        assertTrue(alerts(robot).contains("4,410,000 pairs"), alerts(robot));
        for (KeyCode step : new KeyCode[] {KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3, KeyCode.DIGIT4}) {
            robot.push(KeyCode.ESCAPE).push(step);
            assertFalse(alerts(robot).isEmpty(), "in every step");
        }
        Case before = state().what();
        robot.push(KeyCode.ESCAPE);
        assertEquals(before, state().what());
    }

    @Test
    void scenesThatBringThemselvesAndThingsThatLiveInTheWrongPlaceAreShown(Hands robot) throws Exception {
        opens(
                "Knots",
                "{'machines':[{'id':'pc'}],'productions':[{'id':'p'}],'scenes':[{'id':'a','production':'p'}],"
                        + "'inputs':[{'id':'i','production':'pc'}],"
                        + "'entries':[{'id':'e','scene':'a','brings':'e'},{'id':'f','scene':'a','brings':'a'}],"
                        + "'outputs':[{'id':'o','production':'pc'},{'id':'q','production':'e'}],"
                        + "'outlets':[{'id':'live','sort':'live','output':'o'},{'id':'more','sort':'live','output':'q'}],"
                        + "'sources':[{'id':'s','startsAt':'i'}]}");
        until(() -> state().what().title().equals("Knots"));
        until(() -> has("scene.self:a"));
        assertEquals("", alerts(robot));
        for (KeyCode step : new KeyCode[] {KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3, KeyCode.DIGIT4}) {
            robot.push(KeyCode.ESCAPE).push(step);
            WaitForAsyncUtils.waitForFxEvents();
        }
        assertFalse(
                state().message() != null && state().message().text().contains("The program made a mistake"),
                () -> String.valueOf(store.state().message()));
    }

    @Test
    void aFileThatIsRefusedLeavesTheCaseThatIsOpen(Hands robot) throws Exception {
        Case before = state().what();
        opens("Endless", "{'devices':[{'id':'d','level':1e999}]}");
        until(() -> state().message() != null && state().message().isError());
        assertTrue(
                state().message().text().contains("surveys[0].rig.devices[0].level"),
                state().message().text());
        assertEquals(before, state().what());
    }
}
