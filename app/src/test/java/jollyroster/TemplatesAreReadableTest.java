package jollyroster;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Templates are read by people too. */
class TemplatesAreReadableTest {

    private static final Path TEMPLATES = Path.of("src/main/resources/templates");
    private static final int LONGEST = 160;

    @Test
    void no_line_is_longer_than_a_reader_takes_in() throws IOException {
        List<String> tooLong = new ArrayList<>();
        try (var files = Files.walk(TEMPLATES)) {
            for (Path file : files.filter(f -> f.toString().endsWith(".html")).toList()) {
                List<String> lines = Files.readAllLines(file);
                for (int i = 0; i < lines.size(); i++) {
                    if (lines.get(i).length() > LONGEST) {
                        tooLong.add(file + ":" + (i + 1));
                    }
                }
            }
        }
        assertThat(tooLong).isEmpty();
    }
}
