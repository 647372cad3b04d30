package org.gullyrun.desktop.window;

import java.nio.file.Path;
import java.util.Optional;

/** Asks a person for a file; outside the program, so that tests can stand in for it. */
public interface FilePicker {
    /** What sort of file is asked for. */
    enum Sort {
        /** A case. */
        CASE("Gullyrun cases", ".gullyrun.json", "*.gullyrun.json", "*.json"),
        /** A list: an inventory, a question sheet. */
        LIST("Lists", ".csv", "*.csv", "*.tsv", "*.txt"),
        /** A text to read. */
        TEXT("Texts", ".md", "*.md"),
        /** A page for a browser. */
        PAGE("Pages", ".html", "*.html", "*.htm"),
        /** Sheets to print or to send. */
        PDF("PDF", ".pdf", "*.pdf");

        private final String title;
        private final String ending;
        private final String[] patterns;

        Sort(String title, String ending, String... patterns) {
            this.title = title;
            this.ending = ending;
            this.patterns = patterns;
        }

        String title() {
            return title;
        }

        String ending() {
            return ending;
        }

        String[] patterns() {
            return patterns.clone();
        }
    }

    /** Never gives a file. */
    FilePicker NONE = new FilePicker() {
        @Override
        public Optional<Path> toOpen(Sort sort) {
            return Optional.empty();
        }

        @Override
        public Optional<Path> toSave(Sort sort, String suggested) {
            return Optional.empty();
        }
    };

    /** A file to open. */
    Optional<Path> toOpen(Sort sort);

    /** A file to save to; the name suggested has no ending. */
    Optional<Path> toSave(Sort sort, String suggested);
}
