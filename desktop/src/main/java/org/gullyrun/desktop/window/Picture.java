package org.gullyrun.desktop.window;

import java.io.IOException;
import java.nio.file.Path;
import java.util.NoSuchElementException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.image.WritableImage;
import javax.imageio.ImageIO;
import org.gullyrun.core.casefile.Case;

/** Renders the real window into a picture file. */
public final class Picture {
    private Picture() {}

    /**
     * What the picture is to show.
     *
     * @param what the case
     * @param survey the id of a survey, or empty for the first
     * @param step intake, brief, trace, findings or repair
     * @param scene the name of a scene, or empty for all
     * @param select what is typed into the find field to select something; in the intake, the name of a section and, after
     *     a slash, what is typed into its next row, a tab as \t; or empty
     * @param hop the rung whose settings are open, or in Repair the step that is looked at, counted from 0; -1 for none
     * @param rates whether the map shows rates in place of levels
     * @param open the id of a command that opens a sheet over it, or empty
     * @param tried what to try, as it is typed; empty for nothing
     * @param night whether on the night sheet
     * @param textScale 1 for 100 %
     * @param width in pixels
     * @param height in pixels
     */
    public record Wanted(
            Case what,
            String survey,
            String step,
            String scene,
            String select,
            int hop,
            boolean rates,
            String open,
            String tried,
            boolean night,
            double textScale,
            int width,
            int height) {}

    /**
     * Renders and writes a PNG; needs a display, which may be virtual.
     *
     * @throws TimeoutException if the window doesn't show all of it in time; then nothing is written
     * @throws NoSuchElementException if there is no rung or step of the number asked for; the message names the last one
     * @throws IOException if the file can't be written
     */
    public static void write(Wanted wanted, Path file) throws IOException, TimeoutException {
        CompletableFuture<WritableImage> done = new CompletableFuture<>();
        Platform.startup(() -> {
            try {
                new PictureTaker(wanted, done).start();
            } catch (RuntimeException e) {
                done.completeExceptionally(e);
            }
        });
        try {
            ImageIO.write(
                    SwingFXUtils.fromFXImage(done.get(2 * PictureTaker.PATIENCE, TimeUnit.MILLISECONDS), null),
                    "png",
                    file.toFile());
        } catch (ExecutionException e) {
            if (e.getCause() instanceof TimeoutException late) {
                throw late;
            }
            if (e.getCause() instanceof NoSuchElementException none) {
                throw none;
            }
            throw new IllegalStateException("the window could not be rendered", e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        } finally {
            Platform.exit();
        }
    }
}
