package org.gullyrun.desktop.print;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.logging.Level;
import java.util.logging.Logger;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;

/** A page of HTML as PDF, with the program's own fonts in it; and a PDF as pictures for a printer. */
public final class PdfPages {
    private static final String FONTS = "/org/gullyrun/desktop/look/fonts/";
    private static final Map<String, String> FAMILIES = Map.of(
            "IBMPlexSans-Regular.ttf", "IBM Plex Sans",
            "IBMPlexSans-SemiBold.ttf", "IBM Plex Sans",
            "IBMPlexSerif-SemiBold.ttf", "IBM Plex Serif",
            "IBMPlexMono-Regular.ttf", "IBM Plex Mono");
    private static final int BOLD = 700;
    private static final int NORMAL = 400;
    /** What an office printer shows of a letter, dots per inch. */
    private static final int PRINTED = 200;

    /** Held, or its level would be forgotten: what it warns of are fonts that no page of ours uses. */
    private static final Logger LIBRARY = Logger.getLogger("org.apache.pdfbox");

    static {
        LIBRARY.setLevel(Level.SEVERE);
    }

    private PdfPages() {}

    /**
     * A page of HTML as PDF on sheets of A4.
     *
     * @param html well-formed, with nothing in it that would have to be fetched
     */
    public static byte[] of(String html) {
        XRLog.setLoggingEnabled(false);
        PdfRendererBuilder builder = new PdfRendererBuilder();
        FAMILIES.forEach((file, family) -> builder.useFont(
                () -> Objects.requireNonNull(PdfPages.class.getResourceAsStream(FONTS + file), file),
                family,
                file.contains("SemiBold") ? BOLD : NORMAL,
                PdfRendererBuilder.FontStyle.NORMAL,
                true));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            builder.useFastMode().withHtmlContent(html, null).toStream(out).run();
        } catch (IOException e) {
            throw new UncheckedIOException(e); // nothing is read or written but memory
        }
        return out.toByteArray();
    }

    /** The sheets of a PDF as pictures, sharp enough for a printer. */
    public static List<BufferedImage> pictures(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDFRenderer renderer = new PDFRenderer(document);
            List<BufferedImage> sheets = new ArrayList<>();
            for (int i = 0; i < document.getNumberOfPages(); i++) {
                sheets.add(renderer.renderImageWithDPI(i, PRINTED));
            }
            return sheets;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
