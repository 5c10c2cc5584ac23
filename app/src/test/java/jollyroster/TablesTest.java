package jollyroster;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.platform.tables.DefaultSchema;
import org.jooq.Table;
import org.junit.jupiter.api.Test;

/** Each table is written by the package that docs/tables.md names, and by no other. */
class TablesTest {

    private static final Path SOURCES = Path.of("src/main/java/jollyroster");
    private static final Pattern WRITTEN =
            Pattern.compile("(?:insertInto|update|deleteFrom|keepInsert|newRecord|mergeInto)\\(\\s*([A-Z][A-Z_]+)\\b");
    private static final Pattern LISTED = Pattern.compile("\\| ([a-z_]+) \\| (.+?) \\|");

    private static Map<String, String> listed() throws IOException {
        Map<String, String> owners = new TreeMap<>();
        for (String line : Files.readAllLines(Path.of("../docs/tables.md"))) {
            Matcher row = LISTED.matcher(line);
            if (row.matches() && !row.group(1).equals("table")) {
                owners.put(row.group(1), row.group(2));
            }
        }
        return owners;
    }

    private static Map<String, Set<String>> written() throws IOException {
        Map<String, Set<String>> writers = new TreeMap<>();
        try (Stream<Path> files = Files.walk(SOURCES)) {
            for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
                Matcher found = WRITTEN.matcher(Files.readString(file));
                String feature = SOURCES.relativize(file).getName(0).toString();
                while (found.find()) {
                    writers.computeIfAbsent(found.group(1).toLowerCase(Locale.ROOT), t -> new TreeSet<>())
                            .add(feature);
                }
            }
        }
        return writers;
    }

    @Test
    void every_table_has_one_owner_and_it_is_written_down() throws IOException {
        Map<String, String> owners = listed();
        Set<String> tables = DefaultSchema.DEFAULT_SCHEMA.getTables().stream()
                .map(Table::getName)
                .filter(t -> !t.startsWith("sqlite_"))
                .filter(t -> !t.startsWith("flyway_"))
                .collect(Collectors.toCollection(TreeSet::new));
        assertThat(owners.keySet()).isEqualTo(tables);
        assertThat(written())
                .allSatisfy((table, writers) -> assertThat(writers).as(table).containsExactly(owners.get(table)));
        assertThat(written()).hasSizeGreaterThan(25);
    }
}
