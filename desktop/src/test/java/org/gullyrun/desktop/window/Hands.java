package org.gullyrun.desktop.window;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;
import javafx.event.EventHandler;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.testfx.api.FxRobot;
import org.testfx.robot.Motion;
import org.testfx.robot.MouseRobot;
import org.testfx.service.query.NodeQuery;
import org.testfx.service.query.PointQuery;
import org.testfx.util.WaitForAsyncUtils;

/**
 * Presses keys and buttons as a person does, but with the pointer at once where it is wanted: walking it there pixel by
 * pixel, as the robot does of itself, took more than half of the time of all tests of the window.
 */
final class Hands extends FxRobot {
    private static final int MOST_TRIES = 100;

    private final Arrivals arrivals = new Arrivals();

    /** Gives a test the hands it asks for. */
    static final class Given implements ParameterResolver {
        @Override
        public boolean supportsParameter(ParameterContext parameter, ExtensionContext test) {
            return parameter.getParameter().getType() == Hands.class;
        }

        @Override
        public Object resolveParameter(ParameterContext parameter, ExtensionContext test) {
            return new Hands();
        }
    }

    /** Looks for nodes on the thread that draws them: from another it would now and then meet a list while it changes. */
    @Override
    public NodeQuery lookup(String query) {
        return onItsThread(() -> thoughtful(super.lookup(query)));
    }

    private static NodeQuery thoughtful(NodeQuery query) {
        return (NodeQuery) Proxy.newProxyInstance(
                Hands.class.getClassLoader(),
                new Class<?>[] {NodeQuery.class},
                (proxy, method, given) -> onItsThread(() -> {
                    try {
                        Object answer = method.invoke(query, given);
                        return answer instanceof NodeQuery further ? thoughtful(further) : answer;
                    } catch (InvocationTargetException e) {
                        throw e.getCause() instanceof RuntimeException cause ? cause : e;
                    }
                }));
    }

    /** TestFX has the like, but keeps what fails there for the next who asks. */
    private static <T> T onItsThread(Callable<T> look) {
        FutureTask<T> task = new FutureTask<>(look);
        if (Platform.isFxApplicationThread()) {
            task.run();
        } else {
            Platform.runLater(task);
        }
        try {
            return task.get();
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException cause ? cause : new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** Follows what moves meanwhile: what was only just added is laid out with the next picture. */
    @Override
    public Hands moveTo(PointQuery where, Motion motion) {
        MouseRobot mouse = robotContext().getMouseRobot();
        Point2D point = where.query();
        for (int tries = 0; tries < MOST_TRIES; tries++) {
            mouse.moveNoWait(point.subtract(2, 1)); // so that it moves within what it points at, too
            mouse.move(point);
            Point2D now = where.query();
            if (now.equals(point)) {
                break;
            }
            point = now;
        }
        return this;
    }

    /** Clicks on what may be drawn anew at this moment: it is looked for and clicked on again then, as a person would. */
    @Override
    public Hands clickOn(String query, MouseButton... buttons) {
        for (int tries = 0; ; tries++) {
            try {
                Set<Node> aim = lookup(query).queryAll();
                AtomicBoolean felt = new AtomicBoolean();
                EventHandler<MouseEvent> feel = event -> felt.set(true);
                interact(() -> aim.forEach(node -> node.addEventFilter(MouseEvent.MOUSE_RELEASED, feel)));
                super.clickOn(query, buttons);
                interact(() -> aim.forEach(node -> node.removeEventFilter(MouseEvent.MOUSE_RELEASED, feel)));
                Set<Node> now = lookup(query).queryAll();
                if (felt.get() || now.isEmpty() || now.stream().anyMatch(aim::contains)) {
                    return this;
                }
            } catch (RuntimeException e) { // of any sort, and of any wrapped in it
                if (tries == MOST_TRIES) {
                    throw e;
                }
                WaitForAsyncUtils.sleep(100, TimeUnit.MILLISECONDS);
            }
        }
    }

    @Override
    public Hands clickOn(PointQuery where, Motion motion, MouseButton... buttons) {
        moveTo(where, motion);
        clickOn(buttons);
        return this;
    }

    @Override
    public Hands doubleClickOn(PointQuery where, Motion motion, MouseButton... buttons) {
        moveTo(where, motion);
        doubleClickOn(buttons);
        return this;
    }

    @Override
    public Hands clickOn(MouseButton... buttons) {
        arrivals.await(1, () -> super.clickOn(buttons));
        return this;
    }

    @Override
    public Hands doubleClickOn(MouseButton... buttons) {
        arrivals.await(2, () -> super.doubleClickOn(buttons));
        return this;
    }

    @Override
    public Hands push(KeyCode... combination) {
        if (!arrivals.await(combination.length, () -> pressAll(combination))) {
            // The display gave the keyboard to no window yet, or took it away again: a person would click into one.
            interact(() -> listWindows().getLast().requestFocus());
            arrivals.await(combination.length, () -> pressAll(combination));
        }
        WaitForAsyncUtils.waitForFxEvents();
        return this;
    }

    private void pressAll(KeyCode... combination) {
        var keys = robotContext().getKeyboardRobot();
        keys.pressNoWait(combination);
        for (int i = combination.length - 1; i >= 0; i--) {
            keys.releaseNoWait(combination[i]);
        }
    }
}
