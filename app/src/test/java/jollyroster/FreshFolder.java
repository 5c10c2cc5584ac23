package jollyroster;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.boot.test.util.TestPropertyValues;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;

/** Gives each application under test an empty data folder. */
public class FreshFolder implements ApplicationContextInitializer<ConfigurableApplicationContext> {

    @Override
    public void initialize(ConfigurableApplicationContext context) {
        TestPropertyValues.of("jolly.data=" + make()).applyTo(context);
    }

    static Path make() {
        try {
            Path target = Files.createDirectories(Path.of("target", "test-data"));
            return Files.createTempDirectory(target, "data");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
