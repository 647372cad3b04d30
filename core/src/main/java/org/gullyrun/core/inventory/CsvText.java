package org.gullyrun.core.inventory;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.QuoteMode;

/**
 * Reads and writes CSV (RFC 4180): UTF-8 with or without a byte order mark, parted by comma, semicolon or tab.
 *
 * <p>What a spreadsheet would run as a formula is defused by an apostrophe when written, which is taken off when read.
 */
final class CsvText {
    /** The most bytes of a file, rows, and characters of one cell. */
    static final int MOST_BYTES = 8 << 20;

    static final int MOST_ROWS = 50_000;
    static final int MOST_LETTERS = 10_000;

    /** Every cell in quotation marks: where lists are parted by ; a cell with one in it would become two, and a formula. */
    private static final CSVFormat WRITTEN =
            CSVFormat.RFC4180.builder().setQuoteMode(QuoteMode.ALL).get();

    private CsvText() {}

    /** One row: its number in the file from 1, and its cells. */
    record Row(long number, List<String> cells) {
        String cell(int column) {
            return column < cells.size() ? cells.get(column) : "";
        }
    }

    /**
     * The rows of a file, empty ones left out. What is wrong with the file as a whole, or where it breaks off, is added
     * to the mistakes; the rows before that are kept.
     */
    static List<Row> read(byte[] bytes, List<Preview.Mistake> mistakes) {
        List<Row> rows = new ArrayList<>();
        if (bytes.length > MOST_BYTES) {
            mistakes.add(new Preview.Mistake(
                    0,
                    "",
                    "The file is too large for a list: it has " + bytes.length + " bytes, and " + MOST_BYTES
                            + " are allowed."));
            return rows;
        }
        String text = decode(bytes, mistakes);
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(delimiter(text))
                .setIgnoreEmptyLines(true)
                .get();
        long last = 0;
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            for (CSVRecord record : parser) {
                last = parser.getCurrentLineNumber();
                List<String> cells = new ArrayList<>();
                boolean any = false;
                for (String cell : record) {
                    if (cell.length() > MOST_LETTERS) {
                        mistakes.add(new Preview.Mistake(
                                record.getRecordNumber(),
                                "",
                                "A cell has more than " + MOST_LETTERS + " characters. It is left empty."));
                        cells.add("");
                    } else {
                        cells.add(armed(cell.strip()));
                        any |= !cell.isBlank();
                    }
                }
                if (any) {
                    rows.add(new Row(record.getRecordNumber(), cells));
                }
                if (rows.size() > MOST_ROWS) {
                    mistakes.add(new Preview.Mistake(
                            record.getRecordNumber(),
                            "",
                            "A list can have " + MOST_ROWS + " rows. The rest is left out."));
                    break;
                }
            }
        } catch (UncheckedIOException | IOException | IllegalStateException e) {
            mistakes.add(new Preview.Mistake(
                    rows.isEmpty() ? 1 : rows.getLast().number() + 1,
                    "",
                    "The list can't be read from here on, after line " + last
                            + ". Check for a quotation mark that is never closed. The rows before are kept."));
        }
        return rows;
    }

    /** The text of a file. Where it isn't UTF-8, a mistake names the line, and a substitute stands for the character. */
    private static String decode(byte[] bytes, List<Preview.Mistake> mistakes) {
        int from = bytes.length >= 3 && bytes[0] == (byte) 0xEF && bytes[1] == (byte) 0xBB && bytes[2] == (byte) 0xBF
                ? 3
                : 0;
        ByteBuffer buffer = ByteBuffer.wrap(bytes, from, bytes.length - from);
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(buffer.duplicate())
                    .toString();
        } catch (CharacterCodingException e) {
            int line = 1;
            var decoder = StandardCharsets.UTF_8.newDecoder();
            var out = java.nio.CharBuffer.allocate(bytes.length + 1);
            decoder.decode(buffer, out, true);
            for (int i = 0; i < buffer.position() && i < bytes.length; i++) {
                line += bytes[i] == '\n' ? 1 : 0;
            }
            mistakes.add(new Preview.Mistake(
                    line, "", "A character isn't UTF-8 and is shown as �. Save the list as “CSV UTF-8”."));
            return new String(bytes, from, bytes.length - from, StandardCharsets.UTF_8);
        }
    }

    /** The sign that stands most often in the first line, outside quotation marks. */
    private static char delimiter(String text) {
        int[] count = new int[3];
        String signs = ",;\t";
        boolean quoted = false;
        for (int i = 0; i < text.length() && (quoted || text.charAt(i) != '\n') && i < 100_000; i++) {
            char c = text.charAt(i);
            quoted ^= c == '"';
            int at = signs.indexOf(c);
            if (!quoted && at >= 0) {
                count[at]++;
            }
        }
        return count[1] > count[0] && count[1] >= count[2] ? ';' : count[2] > count[0] ? '\t' : ',';
    }

    /** The text of a table, with a byte order mark so that spreadsheets take it for UTF-8. */
    static String write(List<List<String>> rows) {
        StringBuilder out = new StringBuilder("\uFEFF");
        try (CSVPrinter printer = new CSVPrinter(out, WRITTEN)) {
            for (List<String> row : rows) {
                printer.printRecord(row.stream().map(CsvText::defused).toList());
            }
        } catch (IOException e) {
            throw new IllegalStateException("a text can always be written to", e);
        }
        return out.toString();
    }

    /** Whether a spreadsheet would calculate a cell. */
    private static boolean isFormula(String cell) {
        return !cell.isEmpty()
                && "=+-@\t\r|%".indexOf(cell.charAt(0)) >= 0
                && !cell.matches("[+-]?[0-9]+([.,][0-9]+)?");
    }

    static String defused(String cell) {
        return isFormula(cell) || cell.startsWith("'") ? "'" + cell : cell;
    }

    /** A cell that spreadsheets show as it is. */
    static String armed(String cell) {
        return cell.startsWith("'") && cell.length() > 1 && (isFormula(cell.substring(1)) || cell.charAt(1) == '\'')
                ? cell.substring(1)
                : cell;
    }
}
