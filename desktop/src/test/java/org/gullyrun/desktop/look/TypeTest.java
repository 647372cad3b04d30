package org.gullyrun.desktop.look;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import javafx.scene.text.Font;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.framework.junit5.ApplicationExtension;

@ExtendWith(ApplicationExtension.class)
class TypeTest {
    private static final List<String> NAMES = List.of("Live", "Archive", "Partner relay");

    @BeforeAll
    static void faces() {
        Type.load();
    }

    private static String fit(double width) {
        return Type.fit(NAMES, Type.water(12), width);
    }

    private static double width(String text) {
        return Type.width(text, Type.water(12));
    }

    @Test
    void asManyNamesAreSaidAsFitAndHowManyOthersThereAre() {
        assertEquals("Live, Archive, Partner relay", fit(width("Live, Archive, Partner relay")));
        assertEquals("Live, Archive and 1 other", fit(width("Live, Archive, Partner relay") - 1));
        assertEquals("Live and 2 others", fit(width("Live, Archive and 1 other") - 1));
        assertEquals("3 in all", fit(width("Live and 2 others") - 1));
    }

    @Test
    void aNameTooLongKeepsItsBeginningAndItsEnd() {
        Font font = Type.sans(12);
        String whole = "Loudspeakers behind the dome, left";
        assertEquals(whole, Type.fit(whole, font, Type.width(whole, font)));
        for (double width = Type.width(whole, font) - 1; width > 30; width -= 17) {
            String cut = Type.fit(whole, font, width);
            int at = cut.indexOf('…');
            assertTrue(Type.width(cut, font) <= width, cut);
            assertTrue(whole.startsWith(cut.substring(0, at)) && whole.endsWith(cut.substring(at + 1)), cut);
        }
    }
}
