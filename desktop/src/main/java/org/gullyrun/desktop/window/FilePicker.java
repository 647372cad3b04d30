package org.gullyrun.desktop.window;

import java.nio.file.Path;
import java.util.Optional;

/** Asks a person for a file; outside the program, so that tests can stand in for it. */
public interface FilePicker {
    /** A case file to open. */
    Optional<Path> toOpen();

    /** A file to save to. */
    Optional<Path> toSave(String suggested);
}
