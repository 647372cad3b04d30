package org.gullyrun.cli;

/** A name given on the command line does not exist in the case; the message lists those that do. */
final class UsageProblem extends RuntimeException {
    UsageProblem(String message) {
        super(message);
    }
}
