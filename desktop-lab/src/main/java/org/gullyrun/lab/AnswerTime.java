package org.gullyrun.lab;

import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javafx.stage.StageStyle;
import org.gullyrun.core.casefile.Case;
import org.gullyrun.core.fix.WhatIf;
import org.gullyrun.core.rig.Change;
import org.gullyrun.core.rig.Element;
import org.gullyrun.core.rig.Kind;
import org.gullyrun.core.rig.Productions;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.look.KeyStroke;
import org.gullyrun.desktop.look.Type;
import org.gullyrun.desktop.state.FixList;
import org.gullyrun.desktop.state.Selection;
import org.gullyrun.desktop.state.State;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.desktop.trace.MapView;
import org.gullyrun.desktop.window.FilePicker;
import org.gullyrun.desktop.window.Preferences;
import org.gullyrun.desktop.window.Workbench;
import org.jspecify.annotations.Nullable;

/** Measures how long the real window takes to answer a change: from the change to the frame that shows what follows. */
public final class AnswerTime {
    private static final int QUIET_FRAMES = 25;

    private AnswerTime() {}

    /**
     * What is measured.
     *
     * @param what the changes
     * @param warming so many changes are made before those that are told
     * @param told so many are told
     * @param after seconds to wait after the map is drawn
     * @param step the step of the work in which it happens
     */
    public record Course(Changes what, int warming, int told, double after, Step step) {}

    /** Changes that can be made over and over. */
    public enum Changes {
        /** One input put on a track and taken off, while the route that goes there is traced. */
        TRACK(true) {
            @Override
            void prepare(Store store) {
                Rig rig = store.state().surveyShown().rig();
                store.select(
                        rig.find("in-music") != null
                                ? new Selection.Pair("music", "archive")
                                : new Selection.Pair(
                                        rig.of(Kind.SOURCE).getFirst().id(),
                                        rig.of(Kind.OUTLET).getFirst().id()));
            }

            @Override
            void make(Store store, int number) {
                Rig rig = store.state().surveyShown().rig();
                Element input = rig.find("in-music");
                store.change(List.of(Objects.requireNonNull(Change.set(
                        rig,
                        (input == null ? rig.of(Kind.INPUT).getFirst() : input).id(),
                        Productions.TRACK.of(input == null ? 1 : 2),
                        number % 2 == 0))));
            }
        },
        /** One pair of source and listener after the other is selected. */
        PAIR(false) {
            @Override
            void make(Store store, int number) {
                Rig rig = store.state().surveyShown().rig();
                List<Element> sources = rig.of(Kind.SOURCE);
                List<Element> outlets = rig.of(Kind.OUTLET);
                store.select(new Selection.Pair(
                        sources.get(number % sources.size()).id(),
                        outlets.get(number / 2 % outlets.size()).id()));
            }
        },
        /** One source after the other is selected. */
        SOURCE(false) {
            @Override
            void make(Store store, int number) {
                List<Element> sources = store.state().surveyShown().rig().of(Kind.SOURCE);
                store.select(new Selection.OfSource(
                        sources.get(number % sources.size()).id()));
            }
        },
        /** One listener after the other is selected. */
        LISTENER(false) {
            @Override
            void make(Store store, int number) {
                List<Element> outlets = store.state().surveyShown().rig().of(Kind.OUTLET);
                store.select(new Selection.OfOutlet(
                        outlets.get(number % outlets.size()).id()));
            }
        },
        /** One finding after the other is selected. */
        FINDING(false) {
            @Override
            void make(Store store, int number) {
                store.selectFinding(1);
            }
        },
        /** The first fix of the worst finding, then taken back and made again in turns: nothing stays as it looks. */
        FIX(true) {
            @Override
            void prepare(Store store) {
                store.selectFinding(1);
            }

            @Override
            boolean isReady(Store store) {
                FixList known = store.state().fixes();
                return known != null && known.complete();
            }

            @Override
            void make(Store store, int number) {
                if (number == 1) {
                    store.change(Objects.requireNonNull(store.state().fixes())
                            .fixes()
                            .getFirst()
                            .changes());
                } else if (number % 2 == 0) {
                    store.undo();
                } else {
                    store.redo();
                }
            }
        },
        /** Something is tried and its difference shown on the map, then no longer, in turns; the showing is told. */
        DIFFERENCE(false) {
            private List<WhatIf.Event> events = List.of();

            @Override
            void prepare(Store store) {
                events = WhatIf.events(store.state().reading().rig());
            }

            @Override
            void make(Store store, int number) {
                if (number % 2 == 0) {
                    store.tryout().end();
                    return;
                }
                WhatIf.Event event = events.get(number * 7 % events.size());
                store.tryout().add(event.change(), event.sentence());
            }

            @Override
            boolean isAnswered(State before, State now) {
                return before.against() != now.against();
            }

            @Override
            boolean isTold(int number) {
                return number % 2 != 0;
            }
        };

        private final boolean changesTheRig;

        Changes(boolean changesTheRig) {
            this.changesTheRig = changesTheRig;
        }

        /** What is done once, before the first of them. */
        void prepare(Store store) {}

        /** Whether what was asked for is there: another reading, or at once what the next pulse shows. */
        boolean isAnswered(State before, State now) {
            return !changesTheRig || before.reading() != now.reading();
        }

        /** Whether the time of a change counts. */
        boolean isTold(int number) {
            return true;
        }

        /** Whether the first change can be made. */
        boolean isReady(Store store) {
            return true;
        }

        abstract void make(Store store, int number);
    }

    /**
     * Makes changes in a window on a case, one after the other, and times each.
     *
     * @return the times of those that are told
     */
    public static Times measure(Case sample, Course course) throws InterruptedException {
        CompletableFuture<Times> done = new CompletableFuture<>();
        Platform.startup(() -> start(sample, course, done));
        try {
            return done.get();
        } catch (java.util.concurrent.ExecutionException e) {
            throw new IllegalStateException(e.getCause());
        } finally {
            Platform.exit();
        }
    }

    /** Opens a real window on a case, and begins once it has been shown. */
    private static void start(Case sample, Course course, CompletableFuture<Times> done) {
        Type.load();
        Store store = new Store(sample, null, Platform::runLater);
        Stage stage = new Stage(StageStyle.UNDECORATED);
        Preferences nothing = new Preferences(Path.of(System.getProperty("java.io.tmpdir"), "gullyrun-measure-none"));
        Workbench workbench = new Workbench(stage, store, nothing, FilePicker.NONE);
        stage.setWidth(1280);
        stage.setHeight(800);
        stage.show();
        new Measuring(store, course, workbench.scene(), done).start();
    }

    /** Makes the changes, each when the one before has been answered for a while, as a person would. */
    private static final class Measuring extends AnimationTimer {
        private final Store store;
        private final Course course;
        private final Scene scene;
        private final CompletableFuture<Times> done;
        private final Times times = new Times();
        private State before;
        private long drawn;
        private boolean prepared;
        private @Nullable MapView map;
        private boolean begun;
        private boolean awaited;
        private int quiet;
        private int made;

        Measuring(Store store, Course course, Scene scene, CompletableFuture<Times> done) {
            this.store = store;
            this.course = course;
            this.scene = scene;
            this.done = done;
            this.before = store.state();
        }

        @Override
        public void handle(long now) {
            if (drawn == 0) {
                drawn = scene.lookup(".bank") != null ? now : 0;
            } else if ((now - drawn) / 1e9 >= course.after) {
                go();
            }
        }

        /** Called at each pulse: begins the next measurement when the window has come to rest. */
        private void go() {
            if (!prepared) {
                prepared = true;
                press();
                map = (MapView) scene.lookup("#map");
                store.go(course.step);
                course.what.prepare(store);
                Painting.afterThisPulse(() -> {}); // what asks is not to be timed while it is asked for the first time
            } else if (!begun) {
                // A person waits for the answer before the next change: so does this.
                boolean ready = made > 0 || course.what.isReady(store);
                if (ready && ++quiet == QUIET_FRAMES) {
                    Platform.runLater(this::next); // just after a pulse: none has to wait longer for the next
                }
            } else if (!awaited && (map == null || map.isSettled()) && course.what.isAnswered(before, store.state())) {
                awaited = true; // shown by this pulse
                Painting.afterThisPulse(this::painted);
            }
        }

        /** A key that means nothing: what gives way to a person has to know that there is one. */
        private void press() {
            KeyStroke.on(scene.getRoot(), KeyCode.SHIFT);
        }

        /** The picture is on the display: the time ends. */
        private void painted() {
            times.end(made > course.warming && course.what.isTold(made));
            begun = false;
            quiet = 0;
        }

        /** Makes the next change, or ends the course. */
        private void next() {
            if (made == course.warming + course.told) {
                stop();
                done.complete(times);
                return;
            }
            made++;
            awaited = false;
            before = store.state();
            begun = true;
            times.begin();
            press();
            course.what.make(store, made);
        }
    }
}
