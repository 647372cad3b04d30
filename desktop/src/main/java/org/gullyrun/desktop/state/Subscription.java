package org.gullyrun.desktop.state;

/** A view's subscription to new states. */
public interface Subscription {
    /** Stops calling the view. */
    void end();
}
