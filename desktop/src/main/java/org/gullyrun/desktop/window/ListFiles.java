package org.gullyrun.desktop.window;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import org.gullyrun.core.casefile.AtomicFile;
import org.gullyrun.core.casefile.CaseProblem;
import org.gullyrun.core.intake.Question;
import org.gullyrun.core.inventory.Inventory;
import org.gullyrun.core.inventory.Preview;
import org.gullyrun.core.inventory.QuestionSheet;
import org.gullyrun.core.rig.Rig;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Store;
import org.gullyrun.sound.ComputerDevices;

/** Lists in and out: inventories, question sheets, the devices of this computer. Imports show a preview first. */
final class ListFiles {
    private final Store store;
    private final Overlay overlay;
    private final FilePicker files;

    ListFiles(Store store, Overlay overlay, FilePicker files) {
        this.store = store;
        this.overlay = overlay;
        this.files = files;
    }

    /** Imports an inventory, once its preview is accepted. */
    void takeInventory() {
        take("inventory", Inventory::read);
    }

    /** Imports a question sheet that was filled in. */
    void takeAnswers() {
        take("question sheet", QuestionSheet::read);
    }

    /** Reads a list and shows what would come of it before anything changes. */
    private void take(String what, BiFunction<Rig, byte[], Preview> read) {
        files.toOpen(FilePicker.Sort.LIST)
                .ifPresent(file -> later(what + " " + file.getFileName(), rig -> {
                    try {
                        if (Files.size(file) > 64L << 20) {
                            throw new IOException("it is too large for a list");
                        }
                        return read.apply(rig, Files.readAllBytes(file));
                    } catch (IOException e) {
                        throw new IllegalStateException(
                                file.getFileName() + " can't be read (" + e.getMessage() + "). Nothing was changed.",
                                e);
                    }
                }));
    }

    /** Imports the devices of this computer. */
    void takeDevices() {
        later("devices of this computer", rig -> Inventory.take(rig, ComputerDevices.list()));
    }

    /** Works a preview out off the interface thread and shows it. */
    private void later(String title, Function<Rig, Preview> work) {
        Rig rig = store.state().surveyShown().rig();
        CompletableFuture.supplyAsync(() -> work.apply(rig))
                .whenComplete((preview, fault) -> Platform.runLater(() -> {
                    if (fault != null) {
                        Throwable cause = fault.getCause() == null ? fault : fault.getCause();
                        store.tell(new Message(String.valueOf(cause.getMessage()), true));
                    } else {
                        overlay.preview(title, preview, () -> store.change(preview.changes(), "import " + title));
                    }
                }));
    }

    /** Exports the inventory as CSV. */
    void saveInventory() {
        save("inventory", FilePicker.Sort.LIST, () -> Inventory.write(rig()));
    }

    /** Exports the questions as a sheet to fill in. */
    void saveQuestions() {
        List<Question> questions = store.state().answer().questions();
        save("questions", FilePicker.Sort.LIST, () -> QuestionSheet.csv(questions));
    }

    /** Exports the questions as plain text. */
    void saveQuestionText() {
        String title = store.state().what().title();
        List<Question> questions = store.state().answer().questions();
        save("questions", FilePicker.Sort.TEXT, () -> QuestionSheet.markdown(title, questions));
    }

    private Rig rig() {
        return store.state().surveyShown().rig();
    }

    /** Asks for a file and writes a text to it, off the interface thread. */
    void save(String suggested, FilePicker.Sort sort, Supplier<String> text) {
        files.toSave(sort, suggested).ifPresent(file -> {
            String written = text.get();
            CompletableFuture.runAsync(() -> write(file, written.getBytes(StandardCharsets.UTF_8)));
        });
    }

    /** Asks for a file and writes to it what takes a while to be made, off the interface thread. */
    void saveMade(String suggested, FilePicker.Sort sort, Supplier<byte[]> bytes) {
        files.toSave(sort, suggested)
                .ifPresent(file -> store.work("save " + file.getFileName(), () -> {
                    write(file, bytes.get());
                    return () -> {};
                }));
    }

    /** Writes a file in one go. */
    private void write(Path file, byte[] text) {
        Message told;
        try {
            AtomicFile.write(file, text);
            told = new Message("Saved " + file.getFileName() + ".", false);
        } catch (CaseProblem e) {
            told = new Message(String.valueOf(e.getMessage()), true);
        }
        Message message = told;
        Platform.runLater(() -> store.tell(message));
    }

    /** Copies the questions to the clipboard, one a line, ready for a chat. */
    void copyQuestions() {
        List<Question> questions = store.state().answer().questions();
        StringBuilder text = new StringBuilder();
        questions.forEach(q -> text.append("– ")
                .append(q.wording())
                .append(q.why().isEmpty() ? "" : " (" + q.why() + ")")
                .append('\n'));
        ClipboardContent content = new ClipboardContent();
        content.putString(text.toString());
        Clipboard.getSystemClipboard().setContent(content);
        store.tell(new Message(
                questions.isEmpty()
                        ? "No questions left."
                        : "Copied " + questions.size() + (questions.size() == 1 ? " question." : " questions."),
                false));
    }
}
