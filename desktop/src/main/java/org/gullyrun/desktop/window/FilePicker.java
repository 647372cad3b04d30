package org.gullyrun.desktop.window;

import java.nio.file.Path;
import java.util.Optional;

/** Asks a person for a file; outside the program, so that tests can stand in for it. */
public interface FilePicker {
    /** Never gives a file. */
    FilePicker NONE = new FilePicker() {
        @Override
        public Optional<Path> toOpen() {
            return Optional.empty();
        }

        @Override
        public Optional<Path> toSave(String suggested) {
            return Optional.empty();
        }
    };

    /** A case file to open. */
    Optional<Path> toOpen();

    /** A file to save to. */
    Optional<Path> toSave(String suggested);
}
