package jollyroster.browser;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.boot.test.util.TestPropertyValues;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;

/** Gives each demo under test a folder of its own. The first lives the demo's past; the others begin with a copy of it. */
class DemoFolder implements ApplicationContextInitializer<ConfigurableApplicationContext> {

    private static final Path LIVED = fresh().resolve("lived.db");

    @Override
    public void initialize(ConfigurableApplicationContext context) {
        Path folder = fresh();
        boolean again = Files.exists(LIVED);
        try {
            if (again) {
                Files.copy(LIVED, folder.resolve("jolly-roster.db"));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        TestPropertyValues.of("jolly.data=" + folder, "jolly.demo.copy=" + LIVED, "jolly.demo.again=" + again)
                .applyTo(context);
    }

    private static Path fresh() {
        try {
            return Files.createTempDirectory(Files.createDirectories(Path.of("target", "test-data")), "demo");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
