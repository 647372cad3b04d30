package org.gullyrun.desktop.state;

/** That a view is told of every new state, until it ends this. */
public interface Subscription {
    /** From now on the view is told nothing more. */
    void end();
}
