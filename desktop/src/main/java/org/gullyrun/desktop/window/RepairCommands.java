package org.gullyrun.desktop.window;

import java.awt.image.BufferedImage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.embed.swing.SwingFXUtils;
import javafx.print.PrinterJob;
import javafx.scene.image.ImageView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import org.gullyrun.core.repair.WorkOrder;
import org.gullyrun.core.repair.WorkPlan;
import org.gullyrun.desktop.print.PdfPages;
import org.gullyrun.desktop.state.Message;
import org.gullyrun.desktop.state.Step;
import org.gullyrun.desktop.state.Store;

/** What is done with the steps of a repair, and with the work order that holds them. */
final class RepairCommands {
    private final Store store;
    private final Overlay overlay;
    private final ListFiles files;

    RepairCommands(Store store, Overlay overlay, ListFiles files) {
        this.store = store;
        this.overlay = overlay;
        this.files = files;
    }

    /** Ticks the step looked at off, if steps are shown. */
    void done() {
        if (isShown()) {
            store.planner().done();
        }
    }

    /** Asks why the step looked at isn't possible, and plans anew without it. */
    void ruleOut() {
        WorkPlan.Step step = store.state().planning().current();
        if (isShown() && step != null) {
            overlay.form(
                    "Not possible here: " + step.sentence(),
                    List.of(new Overlay.Entry("reason", "Why? It is kept with the work order and may be empty.", "")),
                    entered -> {
                        store.planner()
                                .ruleOut(entered.getOrDefault("reason", "").strip());
                        return "";
                    });
        }
    }

    /** Moves the step looked at. */
    void move(int by) {
        if (isShown()) {
            store.planner().move(by);
        }
    }

    /** Puts the steps into the safest order again. */
    void orderAnew() {
        if (isShown()) {
            store.planner().orderAnew();
        }
    }

    /** Allows everything again that was ruled out. */
    void allowAll() {
        if (isShown()) {
            store.planner().allowAll();
        }
    }

    private boolean isShown() {
        return store.state().step() == Step.REPAIR;
    }

    /** Copies the work order as plain text, for a chat. */
    void copy() {
        withOrder(order -> {
            ClipboardContent content = new ClipboardContent();
            content.putString(order.text());
            Clipboard.getSystemClipboard().setContent(content);
            store.tell(new Message("Copied all steps as a text for the creator.", false));
        });
    }

    /** Asks how to hand the work order over: on paper or as a file. */
    void handOver() {
        withOrder(order -> {
            Map<String, Overlay.Choice> choices = new LinkedHashMap<>();
            choices.put("print", new Overlay.Choice("Print", "on a printer of this computer", () -> print(order)));
            choices.put(
                    "pdf",
                    new Overlay.Choice(
                            "Save as PDF",
                            "sheets to print or to send",
                            () -> files.saveMade("work-order", FilePicker.Sort.PDF, () -> PdfPages.of(order.html()))));
            choices.put(
                    "page",
                    new Overlay.Choice(
                            "Save as a page",
                            "HTML, for a browser",
                            () -> files.save("work-order", FilePicker.Sort.PAGE, order::html)));
            choices.put(
                    "text",
                    new Overlay.Choice(
                            "Save as text",
                            "Markdown",
                            () -> files.save("work-order", FilePicker.Sort.TEXT, order::markdown)));
            overlay.choose("Print or save the work order", choices);
        });
    }

    /** Prints the work order; the sheets are drawn away from the interface thread. */
    private void print(WorkOrder order) {
        PrinterJob job = PrinterJob.createPrinterJob();
        if (job == null) {
            store.tell(
                    new Message("No printer is set up on this computer. Save the work order as a PDF instead.", true));
        } else if (job.showPrintDialog(null)) {
            store.work("print the work order", () -> {
                List<BufferedImage> sheets = PdfPages.pictures(PdfPages.of(order.html()));
                return () -> {
                    boolean printed = true;
                    for (BufferedImage sheet : sheets) {
                        ImageView view = new ImageView(SwingFXUtils.toFXImage(sheet, null));
                        view.setPreserveRatio(true);
                        view.setFitWidth(job.getJobSettings().getPageLayout().getPrintableWidth());
                        printed &= job.printPage(view);
                    }
                    store.tell(
                            printed && job.endJob()
                                    ? new Message("Printing the work order.", false)
                                    : new Message(
                                            "The printer took nothing. Save the work order as a PDF instead.", true));
                };
            });
        }
    }

    /** Does something with the work order, or says that there is none. */
    private void withOrder(Consumer<WorkOrder> what) {
        WorkPlan plan = store.state().planning().plan();
        if (plan == null || !store.state().planning().isOf(store.state().reading())) {
            store.tell(
                    new Message("There is no work order of the rig as it is now. Open Repair (key 5) first.", false));
        } else {
            what.accept(new WorkOrder(store.state().what().title(), plan));
        }
    }
}
