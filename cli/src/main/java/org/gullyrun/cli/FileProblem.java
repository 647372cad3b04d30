package org.gullyrun.cli;

/** A file can be read, but nothing can be done with what is in it; the message names the file and says why. */
final class FileProblem extends RuntimeException {
    FileProblem(String message) {
        super(message);
    }
}
