package jollyroster.exchange;

import java.io.IOException;
import java.io.StringReader;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Reads tables as people have them: CSV (RFC 4180), parted by commas, semicolons or tabs, in one of the usual encodings. */
public final class TableReader {

    private static final int MOST_COLUMNS = 200;
    private static final Charset WESTERN = Charset.forName("windows-1252");

    private TableReader() {}

    /**
     * A table.
     *
     * @param heading its first row
     * @param rows the others; each as long as the heading
     */
    public record Table(List<String> heading, List<Row> rows) {
        public Table {
            heading = List.copyOf(heading);
            rows = List.copyOf(rows);
        }
    }

    /** @param line on which it begins, from 1 */
    public record Row(long line, List<String> cells) {}

    /** The text could not be read as a table. */
    public static final class NotATable extends Exception {
        NotATable(String message) {
            super(message);
        }
    }

    /** The text of a file: UTF-8 or UTF-16 with its mark, UTF-8 without, else the western encoding of spreadsheets. */
    public static String text(byte[] file) {
        if (file.length >= 2 && (file[0] & 0xFF) == 0xFE && (file[1] & 0xFF) == 0xFF) {
            return new String(file, 2, file.length - 2, StandardCharsets.UTF_16BE);
        }
        if (file.length >= 2 && (file[0] & 0xFF) == 0xFF && (file[1] & 0xFF) == 0xFE) {
            return new String(file, 2, file.length - 2, StandardCharsets.UTF_16LE);
        }
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(file))
                    .toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException notUtf8) {
            return new String(file, WESTERN);
        }
    }

    /** @param mostRows more than that is refused */
    public static Table read(String text, int mostRows) throws NotATable {
        List<CSVRecord> records = new ArrayList<>();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(delimiter(text))
                .setIgnoreEmptyLines(true)
                .get();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            for (CSVRecord row : parser) {
                if (records.size() > mostRows) {
                    throw new NotATable("More than %,d rows; please part the file.".formatted(mostRows));
                }
                if (row.size() > MOST_COLUMNS) {
                    throw new NotATable("More than %,d columns in line %,d; please leave out what is not needed."
                            .formatted(MOST_COLUMNS, row.getRecordNumber()));
                }
                records.add(row);
            }
        } catch (IOException | java.io.UncheckedIOException e) {
            throw new NotATable(
                    "This cannot be read as a table: a quotation mark is not closed or stands in the middle.");
        }
        if (records.size() < 2) {
            throw new NotATable("A table needs a row of headings and at least one more row.");
        }
        List<String> heading = records.get(0).toList();
        return new Table(
                heading,
                records.stream()
                        .skip(1)
                        .map(r -> new Row(r.getRecordNumber(), padded(r, heading.size())))
                        .filter(row -> row.cells().stream().anyMatch(cell -> !cell.isBlank()))
                        .toList());
    }

    private static List<String> padded(CSVRecord row, int columns) {
        List<String> cells =
                new ArrayList<>(row.toList().stream().limit(columns).toList());
        while (cells.size() < columns) {
            cells.add("");
        }
        return cells;
    }

    /** Whatever parts the first line most often. */
    private static char delimiter(String text) {
        String first = text.lines().findFirst().orElse("");
        return Stream.of(',', ';', '\t')
                .max(Comparator.comparingLong(
                        d -> first.chars().filter(c -> c == d).count()))
                .filter(d -> first.indexOf(d) >= 0)
                .orElse(',');
    }
}
