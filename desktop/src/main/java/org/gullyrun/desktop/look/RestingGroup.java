package org.gullyrun.desktop.look;

import javafx.scene.Group;

/**
 * A group that costs nothing while it is hidden. JavaFX goes through all parts of a hidden group with every picture, in
 * case their bounds have changed; here that waits until the group is shown again.
 */
public final class RestingGroup extends Group {
    private boolean wasVisible = true;

    @Override
    protected void updateBounds() {
        if (isVisible() || wasVisible) {
            wasVisible = isVisible();
            super.updateBounds();
        }
    }
}
