package jollyroster.exchange;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Consumer;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Writes CSV (RFC 4180) in UTF-8, row by row, with cells that a spreadsheet would run as a formula made harmless. */
public final class Tables implements AutoCloseable {

    private static final int BUFFER = 32_768;
    private static final String FORMULA_STARTS = "=+-@\t\r";
    private final CSVPrinter printer;

    /** Writes the heading to {@code out} at once. */
    public Tables(OutputStream out, List<String> heading) throws IOException {
        Writer writer = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8), BUFFER);
        this.printer = new CSVPrinter(writer, CSVFormat.RFC4180);
        row(heading);
    }

    public void row(List<String> cells) throws IOException {
        for (String cell : cells) {
            printer.print(harmless(cell));
        }
        printer.println();
    }

    /** Writes the rows that {@code source} hands over, one at a time; a reader who goes away ends it. */
    public void rows(Consumer<Consumer<List<String>>> source) throws IOException {
        try {
            source.accept(this::rowUnchecked);
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    private void rowUnchecked(List<String> cells) {
        try {
            row(cells);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A leading apostrophe keeps spreadsheets from running the cell; a number in E.164 keeps its plus. */
    static String harmless(String cell) {
        boolean runs = !cell.isEmpty() && FORMULA_STARTS.indexOf(cell.charAt(0)) >= 0;
        return runs && !cell.matches("\\+\\d{5,15}") ? "'" + cell : cell;
    }

    @Override
    public void close() throws IOException {
        printer.close(true);
    }
}
