package jollyroster.platform;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.PatternLayout;
import ch.qos.logback.classic.spi.LoggingEvent;
import java.io.IOException;
import java.io.InputStream;
import java.util.Properties;
import org.junit.jupiter.api.Test;

class LogLinesTest {

    @Test
    void what_a_message_quotes_stays_on_its_line() throws IOException {
        Properties settings = new Properties();
        try (InputStream file = LogLinesTest.class.getResourceAsStream("/application.properties")) {
            settings.load(file);
        }
        LoggerContext context = new LoggerContext();
        PatternLayout layout = new PatternLayout();
        layout.setContext(context);
        layout.setPattern(settings.getProperty("logging.pattern.console"));
        layout.start();
        Logger logger = context.getLogger("jollyroster.Any");
        String line = layout.doLayout(new LoggingEvent(
                "", logger, Level.WARN, "no calendar at \r\n23:00:00 ERROR Any - made up", null, null));
        assertThat(line.lines()).hasSize(1);
        assertThat(line).endsWith("no calendar at  23:00:00 ERROR Any - made up" + System.lineSeparator());
    }
}
