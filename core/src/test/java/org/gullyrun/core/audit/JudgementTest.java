package org.gullyrun.core.audit;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.brief.Brief;
import org.gullyrun.core.brief.Wish;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.rig.Sources;
import org.junit.jupiter.api.Test;

/** Nothing is called clear before there was something to judge it by. */
class JudgementTest {
    private static final Element SOURCE = Element.of(Kind.SOURCE, "ann");
    private static final Element LISTENER = Element.of(Kind.OUTLET, "live");

    private static String missing(Brief brief, int open, Element... elements) {
        Reading reading = RuleCatalogue.usual().read(Rig.of(List.of(elements)), brief);
        Judgement judgement = Judgement.of(reading, open);
        assertEquals(judgement.isPossible(), judgement.advice().isEmpty(), "what is missing comes with what to do");
        return judgement.missing();
    }

    @Test
    void whatIsMissingIsNamedInTheOrderOfTheWork() {
        assertEquals("no sources yet", missing(Brief.EMPTY, 0));
        assertEquals("no listeners yet", missing(Brief.EMPTY, 0, SOURCE));
        assertEquals("no brief yet", missing(Brief.EMPTY, 3, SOURCE, LISTENER));
        Brief brief = Brief.EMPTY.with(new Brief.Cell("ann", "live", ""), Wish.MUST);
        assertEquals("1 answer missing", missing(brief, 1, SOURCE, LISTENER));
        assertEquals("3 answers missing", missing(brief, 3, SOURCE, LISTENER));
        assertEquals("", missing(brief, 0, SOURCE, LISTENER));
    }

    @Test
    void aFlagThatForbidsIsABriefToo() {
        Element secret = SOURCE.with(Sources.PRIVATE, true);
        Element live = LISTENER.with(org.gullyrun.core.rig.Outlets.SORT, org.gullyrun.core.rig.Outlets.Sort.LIVE);
        assertTrue(missing(Brief.EMPTY, 0, secret, live).isEmpty());
        assertFalse(missing(Brief.EMPTY, 0, SOURCE, live).isEmpty());
    }
}
