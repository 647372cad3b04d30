package org.gullyrun.desktop.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Objects;
import java.util.Random;
import org.gullyrun.core.audit.Hearing;
import org.gullyrun.core.audit.Reading;
import org.gullyrun.core.audit.rules.RuleCatalogue;
import org.gullyrun.core.compare.HeardDifference;
import org.gullyrun.core.fix.Fix;
import org.gullyrun.core.fix.WhatIf;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Changes;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.core.sample.SampleShow;
import org.junit.jupiter.api.Test;

/** What is tried on a copy: it is what would happen, several at once, and nothing stays of it. */
class TryoutTest extends WithoutWindow {
    TryoutTest() {
        super(SampleShow.make());
    }

    private WhatIf.Event event(String typed) {
        return WhatIf.search(WhatIf.events(store.state().reading().rig()), typed, "", 1)
                .getFirst();
    }

    private Against add(WhatIf.Event event) throws InterruptedException {
        Against before = store.state().against();
        store.tryout().add(event.change(), event.sentence());
        until(() -> store.state().against() != null && store.state().against() != before);
        return Objects.requireNonNull(store.state().against());
    }

    @Test
    void whatIsShownIsWhatWouldBeReadAfresh() throws Exception {
        Random random = new Random(3);
        Rig rig = store.state().reading().rig();
        List<WhatIf.Event> events = WhatIf.events(rig);
        for (int i = 0; i < 25; i++) {
            WhatIf.Event event = events.get(random.nextInt(events.size()));
            int scene = random.nextInt(-1, 4);
            store.chooseScene(scene);
            Against shown = add(event);
            Reading afresh = RuleCatalogue.usual()
                    .quick()
                    .read(
                            Changes.apply(rig, List.of(event.change())),
                            store.state().what().brief());
            assertEquals(
                    HeardDifference.all(Hearing.all(store.state().reading(), scene), Hearing.all(afresh, scene)),
                    shown.hearings(),
                    event.sentence());
            assertTrue(shown.map().came().containsAll(shown.wrong()), "only what has come is newly wrong");
            assertEquals(rig, store.state().surveyShown().rig());
            store.tryout().end();
            assertNull(store.state().against());
        }
    }

    @Test
    void severalAreTriedTogetherAndASettingOnlyOnce() throws Exception {
        add(event("default to plover"));
        Against two = add(event("brookdesk gone"));
        assertEquals(2, two.asked().changes().size());
        assertTrue(
                two.asked().title().startsWith("What if you set the playback default"),
                two.asked().title());
        Against still = add(event("default to brookdesk shows"));
        assertEquals(2, still.asked().changes().size(), "another value of the same setting takes its place");
        store.tryout().drop(0);
        until(() -> store.state().against() != null
                && Objects.requireNonNull(store.state().against())
                                .asked()
                                .changes()
                                .size()
                        == 1);
        store.tryout().drop(0);
        assertNull(store.state().against(), "without the last of them nothing is tried");
    }

    @Test
    void whatThePointerRestsOnDoesNotOvertakeWhatIsAskedFor() throws Exception {
        store.select(new Selection.Trouble("leak:music>archive"));
        until(() -> store.state().fixes() != null
                && !Objects.requireNonNull(store.state().fixes()).fixes().isEmpty());
        Fix fix = Objects.requireNonNull(store.state().fixes()).fixes().getFirst();
        WhatIf.Event event = event("tern off");
        store.tryout().add(event.change(), event.sentence());
        store.tryout().preview(fix);
        store.tryout().endPreview();
        until(() -> store.state().against() != null);
        assertEquals(
                Against.Kind.WHAT_IF,
                Objects.requireNonNull(store.state().against()).kind());
        store.tryout().end();
        store.tryout().preview(fix);
        until(() -> store.state().against() != null);
        store.tryout().endPreview();
        assertNull(store.state().against());
    }

    @Test
    void aChangeOfTheRigEndsWhatIsTried() throws Exception {
        add(event("tern off"));
        store.change(
                List.of(Change.set(store.state().surveyShown().rig(), "in-music", Productions.TRACK.of(2), false)));
        until(() -> !store.state().isAnswerOld());
        assertNull(store.state().against());
    }

    @Test
    void anotherSceneIsShownOfTheSame() throws Exception {
        Against all = add(event("tern off"));
        store.chooseScene(1);
        until(() -> store.state().against() != all);
        Against one = Objects.requireNonNull(store.state().against());
        assertEquals(1, one.scene());
        assertEquals(all.asked(), one.asked());
    }

    @Test
    void holdingShowsHowItWasAndWhatIsKeptIsMade() throws Exception {
        Rig found = store.state().surveyShown().rig();
        WhatIf.Event event = event("tern off");
        Against shown = add(event);
        store.tryout().hold(true);
        Against held = Objects.requireNonNull(store.state().against());
        assertEquals(shown.map().before(), held.model());
        assertTrue(held.hearings().stream().noneMatch(HeardDifference::isMarked));
        assertEquals(List.of(), List.copyOf(held.wrong()));
        store.tryout().hold(false);
        assertEquals(
                shown.model(), Objects.requireNonNull(store.state().against()).model());
        store.tryout().keep();
        until(() -> !store.state().isAnswerOld());
        assertNull(store.state().against());
        assertFalse(store.state().past().undo().isEmpty());
        assertEquals(
                List.of(event.change()),
                Changes.between(found, store.state().surveyShown().rig()));
    }
}
