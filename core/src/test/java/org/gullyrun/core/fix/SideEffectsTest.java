package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.fix.SideEffects.Effect;
import org.gullyrun.core.fix.SideEffects.How;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** What else listeners notice, and how it is told. */
final class SideEffectsTest {
    private static final Case SHOW = SampleShow.make();
    private static final Rig GOOD =
            SHOW.survey(SampleShow.KNOWN_GOOD).orElseThrow().rig();

    private static List<Effect> all(How how, List<String> listeners, String... sources) {
        return Stream.of(sources)
                .flatMap(source -> listeners.stream().map(listener -> new Effect(listener, source, how)))
                .toList();
    }

    @Test
    void whatHappensAlikeIsOneLine() {
        List<Effect> effects = new ArrayList<>(all(How.NEW, List.of("Dome ears", "Guests"), "Chimes"));
        effects.addAll(all(How.NEW, List.of("Host's ears", "Dome ears", "Guests"), "Opening film"));
        effects.addAll(all(How.GONE, List.of("Archive"), "Music", "Effects"));
        effects.addAll(all(How.LOUDER, List.of("Archive"), "Host"));
        assertEquals(
                List.of(
                        "Dome ears and Guests newly get Chimes",
                        "Host's ears, Dome ears and Guests newly get Opening film",
                        "Archive loses Music and Effects",
                        "Archive gets Host louder"),
                new SideEffects(effects).words());
        assertEquals("Dome ears and Guests newly get Chimes, and 3 more", new SideEffects(effects).brief());
    }

    @Test
    void aPriceNamesFewAndCountsTheOthers() {
        assertEquals("no side effects", new SideEffects(List.of()).brief());
        assertEquals(
                "Live and 3 others get Host fainter",
                new SideEffects(all(How.FAINTER, List.of("Live", "Archive", "Partner relay", "Host track"), "Host"))
                        .brief());
        assertEquals(
                "Crew newly gets Dome and 2 others",
                new SideEffects(all(How.NEW, List.of("Crew"), "Dome", "Guests", "Music")).brief());
        List<Effect> two = new ArrayList<>(all(How.GONE, List.of("Live"), "Music"));
        two.addAll(all(How.ANOTHER_WAY, List.of("Archive"), "Host"));
        assertEquals(
                "Live loses Music · Archive gets Host another way", new SideEffects(two).brief(), "two short ones");
    }

    /** Whatever arrived in some scene and doesn't now is told, counted cell by cell. */
    @Test
    void everyDeliveryThatGoesIsTold() {
        Reading before = RuleCatalogue.usual().read(GOOD, SHOW.brief());
        for (String input : List.of("in-music", "in-film")) {
            Change off = Objects.requireNonNull(Change.set(GOOD, input, Productions.PROGRAM, false));
            Reading after = RuleCatalogue.usual().read(before, List.of(off));
            List<Effect> gone = new ArrayList<>();
            for (Element source : GOOD.of(Kind.SOURCE)) {
                for (Element outlet : GOOD.of(Kind.OUTLET)) {
                    if (isLost(before, after, source, outlet)) {
                        gone.add(new Effect(outlet.name(), source.name(), How.GONE));
                    }
                }
            }
            assertTrue(gone.size() > 1, input + " is heard by several");
            assertEquals(gone, SideEffects.between(before, after).effects(), input);
        }
    }

    private static boolean isLost(Reading before, Reading after, Element source, Element outlet) {
        int row = GOOD.of(Kind.SOURCE).indexOf(source);
        int column = GOOD.of(Kind.OUTLET).indexOf(outlet);
        return IntStream.range(0, before.scenes().size())
                .anyMatch(i -> before.scenes()
                                .get(i)
                                .cell(row, column)
                                .delivery()
                                .arrives()
                        && !after.scenes().get(i).cell(row, column).delivery().arrives());
    }
}
