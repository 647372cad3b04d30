package org.gullyrun.core.fix;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.BitSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.gullyrun.core.SmallRig;
import org.gullyrun.core.audit.Audit;
import org.gullyrun.core.audit.Finding;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Choice;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Outlets;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Sources.SourceClass;
import org.junit.jupiter.api.Test;

/** An input isn't led to what comes through another one beside it; where each scene has an input of its own it is. */
class OtherInputsTest {
    private static final Audit AUDIT = RuleCatalogue.usual().quick();
    private static final List<String> SOURCES = List.of("flute", "lute");

    /** A show of two scenes, in which the flute is due: an input for it in the first, and one for the lute. */
    private final SmallRig rig = new SmallRig()
            .source("flute", SourceClass.VOICE, -20)
            .source("lute", SourceClass.VOICE, -20)
            .with(Element.of(Kind.PRODUCTION, "show"))
            .with(Element.of(Kind.OUTPUT, "stream")
                    .with(Productions.OUTPUT_OF, "show")
                    .with(Productions.TAKES_TRACK.of(1), true))
            .with(Element.of(Kind.OUTLET, "live")
                    .with(Outlets.SORT, Outlets.Sort.LIVE)
                    .with(Outlets.OUTPUT, "stream"))
            .with(Element.of(Kind.SCENE, "first").with(Productions.SCENE_OF, "show"))
            .with(Element.of(Kind.SCENE, "second").with(Productions.SCENE_OF, "show"))
            .with(input("in-flute", "mic-flute"))
            .with(input("in-lute", "mic-lute"))
            .with(entry("first", "in-flute"))
            .with(entry("second", "in-lute"));

    private static Element input(String id, String device) {
        return Element.of(Kind.INPUT, id)
                .with(Productions.INPUT_OF, "show")
                .with(Productions.TAKES, Productions.Takes.RECORDING)
                .with(Productions.DEVICE, Choice.to(device))
                .with(Productions.TRACK.of(1), true);
    }

    private static Element entry(String scene, String input) {
        return Element.of(Kind.ENTRY, scene + "-" + input)
                .with(Productions.ENTRY_OF, scene)
                .with(Productions.BRINGS, input);
    }

    private Reading reading() {
        return AUDIT.read(rig.rig(), Brief.EMPTY.with(new Brief.Cell("flute", "live", ""), Wish.MUST));
    }

    /** The inputs that might take the flute's microphone instead of their own. */
    private Set<String> led() {
        Reading reading = reading();
        Finding gap = reading.findings().stream()
                .filter(f -> f.identity().equals("scene.gap:flute>live"))
                .findFirst()
                .orElseThrow();
        return Stream.of("in-flute", "in-lute")
                .filter(id -> Candidates.of(reading, gap).stream()
                        .flatMap(List::stream)
                        .anyMatch(c -> c.element().equals(id)
                                && c.equals(Change.set(reading.rig(), id, Productions.DEVICE, Choice.to("mic-flute")))))
                .collect(Collectors.toSet());
    }

    private BitSet besides(String input) {
        Reading reading = reading();
        return new OtherInputs(reading).besides(reading.rig().get(input));
    }

    private static BitSet places(String... sources) {
        BitSet places = new BitSet();
        Stream.of(sources).forEach(s -> places.set(SOURCES.indexOf(s)));
        return places;
    }

    @Test
    void whereEachSceneHasAnInputOfItsOwnOneMayTakeWhatAnotherTakes() {
        assertEquals(places(), besides("in-lute"), "the flute's is in the other scene");
        assertEquals(Set.of("in-lute"), led());
    }

    @Test
    void whatComesThroughAnotherInputInOneOfItsScenesWouldBeDoubled() {
        rig.with(entry("first", "in-lute"));
        assertEquals(places("flute"), besides("in-lute"));
        assertEquals(places("lute"), besides("in-flute"));
        assertEquals(Set.of(), led());
    }

    @Test
    void whatComesThroughTwoInputsComesThroughAnotherForEachOfThem() {
        rig.with(input("in-again", "mic-flute")).with(entry("first", "in-again"));
        assertEquals(places("flute"), besides("in-flute"));
        assertEquals(places("flute"), besides("in-again"));
    }

    @Test
    void anInputThatNobodyHearsIsNoneBesides() {
        rig.with(entry("first", "in-lute")).alter("in-flute", e -> e.with(Productions.TRACK.of(1), false));
        assertEquals(places(), besides("in-lute"));
        assertEquals(places("lute"), besides("in-flute"), "in any scene, as it is heard in none");
    }
}
