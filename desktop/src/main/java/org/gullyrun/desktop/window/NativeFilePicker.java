package org.gullyrun.desktop.window;

import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** The system's own file dialogs. */
final class NativeFilePicker implements FilePicker {
    private final Window owner;

    NativeFilePicker(Window owner) {
        this.owner = owner;
    }

    /** The system's own dialog for files of a sort. */
    private static FileChooser chooser(Sort sort, String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter(sort.title(), sort.patterns()),
                        new FileChooser.ExtensionFilter("All files", "*"));
        return chooser;
    }

    @Override
    public Optional<Path> toOpen(Sort sort) {
        return Optional.ofNullable(chooser(sort, "Open").showOpenDialog(owner)).map(File::toPath);
    }

    @Override
    public Optional<Path> toSave(Sort sort, String suggested) {
        FileChooser chooser = chooser(sort, "Save");
        chooser.setInitialFileName(suggested + sort.ending());
        return Optional.ofNullable(chooser.showSaveDialog(owner)).map(File::toPath);
    }
}
