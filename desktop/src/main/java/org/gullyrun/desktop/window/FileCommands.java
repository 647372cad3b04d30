package org.gullyrun.desktop.window;

import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.gullyrun.core.casefile.FileStamp;
import org.gullyrun.core.casefile.UnsavedChanges;
import org.gullyrun.core.sample.SampleShow;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** Opens and saves case files, and asks before anything would be lost. */
final class FileCommands {
    /** How many recent files a start without a file offers. */
    private static final int MOST_RECENT = 4;

    private final Store store;
    private final Overlay overlay;
    private final FilePicker files;
    private final Preferences remembered;
    private final CaseDialogs dialogs;

    FileCommands(Store store, Overlay overlay, FilePicker files, Preferences remembered, CaseDialogs dialogs) {
        this.store = store;
        this.overlay = overlay;
        this.files = files;
        this.remembered = remembered;
        this.dialogs = dialogs;
    }

    /** Asks what kind of new case to begin. */
    void begin() {
        kept(dialogs::begin);
    }

    /** Opens the sample show. */
    void openSample() {
        kept(() -> store.replace(SampleShow.make(), Step.TRACE));
    }

    /** Saves the case; the first time it asks where. */
    void save() {
        save(() -> {});
    }

    /** Asks where to save the case, and does. */
    void saveAs() {
        saveAs(() -> {});
    }

    /** Asks which case to open. */
    void chooseFile() {
        kept(() -> files.toOpen(FilePicker.Sort.CASE).ifPresent(this::openNow));
    }

    /** Opens a case. */
    void open(Path file) {
        kept(() -> openNow(file));
    }

    private void openNow(Path file) {
        store.open(file, () -> recall(file));
    }

    /** Saves where the case came from, or asks where. */
    private void save(Runnable then) {
        Path file = store.state().file();
        if (file == null) {
            saveAs(then);
        } else {
            saveTo(file, then);
        }
    }

    private void saveAs(Runnable then) {
        String suggested =
                store.state().what().title().replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
        files.toSave(FilePicker.Sort.CASE, suggested.isEmpty() ? "case" : suggested)
                .ifPresent(file -> saveTo(file, then));
    }

    private void saveTo(Path file, Runnable then) {
        saveTo(file, false, then);
    }

    /** Saves, and says where it is and what was there before. */
    private void saveTo(Path file, boolean over, Runnable then) {
        store.save(
                file,
                over,
                () -> {
                    recall(file);
                    then.run();
                },
                () -> {
                    Map<String, Runnable> answers = new LinkedHashMap<>();
                    answers.put("Save as", () -> saveAs(then));
                    answers.put("Overwrite", () -> saveTo(file, true, then));
                    answers.put("Cancel", () -> {});
                    overlay.ask(
                            file.getFileName() + " was changed by another program since it was opened here.",
                            "Overwriting loses those changes. Saving under another name keeps both.",
                            answers);
                });
    }

    /** Puts a file at the head of those opened recently. */
    private void recall(Path file) {
        remembered.opened(file);
        remembered.save();
    }

    /** Does something that would lose unsaved changes, after asking what is to become of them. */
    void kept(Runnable then) {
        if (!store.state().unsaved()) {
            then.run();
            return;
        }
        Map<String, Runnable> answers = new LinkedHashMap<>();
        answers.put("Save", () -> save(then));
        answers.put("Discard", () -> {
            store.giveUp();
            then.run();
        });
        answers.put("Cancel", () -> {});
        overlay.ask(
                "Save the changes to " + store.state().what().title() + "?",
                "Last change: " + store.state().past().undo() + ".",
                answers);
    }

    /** Offers what a start without a file can go on with. */
    void welcome() {
        Map<String, Overlay.Choice> choices = new LinkedHashMap<>();
        choices.put("new", new Overlay.Choice("New case …", "Empty, or from a starting rig.", dialogs::begin));
        choices.put("open", new Overlay.Choice("Open …", "A case file.", this::chooseFile));
        List<Path> recent = remembered.recent();
        for (int i = 0; i < Math.min(MOST_RECENT, recent.size()); i++) {
            Path file = recent.get(i);
            Path folder = file.toAbsolutePath().getParent();
            choices.put(
                    "recent-" + i,
                    new Overlay.Choice(
                            file.getFileName().toString(),
                            folder == null ? "" : folder.toString(),
                            () -> store.open(file, () -> recall(file))));
        }
        choices.put(
                "sample",
                new Overlay.Choice(
                        "Sample show",
                        "A made-up weekly live night with a dozen faults, to try things on.",
                        () -> store.replace(SampleShow.make(), Step.TRACE)));
        overlay.choose("Gullyrun", choices);
    }

    /** Asks what is to become of changes that were not saved when the program last ended. */
    void offer(UnsavedChanges left) {
        int count = left.steps().size();
        UnsavedChanges.Step last = left.steps().getLast();
        boolean changed = left.file() != null && !FileStamp.of(left.file()).equals(left.stamp());
        Map<String, Runnable> answers = new LinkedHashMap<>();
        answers.put("Restore", () -> store.restore(left));
        answers.put("Decide later", store::decideLater);
        answers.put("Discard", () -> store.drop(left));
        overlay.ask(
                count + (count == 1 ? " change" : " changes") + " to "
                        + left.base().title() + (count == 1 ? " was" : " were") + " not saved when the program ended.",
                "Last change, " + when(last.at()) + ": " + last.name() + "."
                        + (changed ? " Another program has changed the file since; saving will ask." : ""),
                answers);
    }

    /** A time of the file as a person says it. */
    private static String when(String at) {
        try {
            return LocalDateTime.ofInstant(Instant.parse(at), ZoneId.systemDefault())
                    .format(DateTimeFormatter.ofPattern("d MMM, HH:mm", Locale.ENGLISH));
        } catch (DateTimeException e) {
            return at;
        }
    }
}
