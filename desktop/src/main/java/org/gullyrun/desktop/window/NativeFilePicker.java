package org.gullyrun.desktop.window;

import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** The system's own file dialogs. */
final class NativeFilePicker implements FilePicker {
    private static final String ENDING = ".gullyrun.json";

    private final Window owner;

    NativeFilePicker(Window owner) {
        this.owner = owner;
    }

    private static FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter("Gullyrun cases", "*" + ENDING, "*.json"),
                        new FileChooser.ExtensionFilter("All files", "*"));
        return chooser;
    }

    @Override
    public Optional<Path> toOpen() {
        return Optional.ofNullable(chooser("Open a case").showOpenDialog(owner)).map(File::toPath);
    }

    @Override
    public Optional<Path> toSave(String suggested) {
        FileChooser chooser = chooser("Save the case");
        chooser.setInitialFileName(suggested + ENDING);
        return Optional.ofNullable(chooser.showSaveDialog(owner)).map(File::toPath);
    }
}
