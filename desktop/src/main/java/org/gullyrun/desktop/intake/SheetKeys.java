package org.gullyrun.desktop.intake;

import java.util.function.IntConsumer;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;

/** The keys of the cell that is typed into: which of them does what. */
final class SheetKeys {
    private final SheetCursor cursor;
    private final IntConsumer otherSection;
    /** Whether the key that removes is still down: a row for each press, however long it is held. */
    private boolean removing;
    /** Whether a Space was just taken as a tick: what it types is not to be typed as well. */
    private boolean spaced;

    private SheetKeys(SheetCursor cursor, IntConsumer otherSection) {
        this.cursor = cursor;
        this.otherSection = otherSection;
    }

    /** Listens to the keys of a cell for the cursor that is in it. */
    static void listen(SheetCursor cursor, TextField field, Region over, IntConsumer otherSection) {
        SheetKeys keys = new SheetKeys(cursor, otherSection);
        over.sceneProperty().addListener((o, was, is) -> {
            if (is != null) {
                is.addEventFilter(KeyEvent.KEY_RELEASED, e -> keys.removing &= e.getCode() != KeyCode.DELETE);
            }
        });
        field.addEventFilter(
                KeyEvent.KEY_PRESSED,
                e -> cursor.byKey(() -> {
                    if (keys.act(e)) {
                        e.consume();
                    }
                }));
        field.addEventFilter(KeyEvent.KEY_TYPED, keys::typed);
    }

    /** Lets “x” and the space bar set a tick instead of being typed. */
    private void typed(KeyEvent e) {
        if (e.getCharacter().equals(" ") && spaced) {
            e.consume(); // it has set its tick already
        } else if (e.getCharacter().equals("x") && cursor.isAtTick()) {
            e.consume();
            cursor.tick();
        }
        spaced = false;
    }

    /** Does what a key is for; false if it is for the field itself. */
    private boolean act(KeyEvent e) {
        switch (e.getCode()) {
            case TAB -> cursor.along(e.isShiftDown() ? -1 : 1);
            case ENTER -> {
                if (e.isShortcutDown()) {
                    cursor.enterIntoAll();
                } else {
                    cursor.down();
                }
            }
            case DOWN -> cursor.arrow(1, e.isShiftDown());
            case UP -> cursor.arrow(-1, e.isShiftDown());
            case PAGE_DOWN -> otherSection.accept(1);
            case PAGE_UP -> otherSection.accept(-1);
            case ESCAPE -> cursor.escape();
            case SPACE -> {
                spaced = cursor.isAtTick();
                if (spaced) {
                    cursor.tick();
                }
                return spaced;
            }
            case DELETE -> {
                if (e.isShortcutDown() && !removing) {
                    removing = true;
                    cursor.remove();
                }
                return e.isShortcutDown();
            }
            default -> {
                return false;
            }
        }
        return true;
    }
}
