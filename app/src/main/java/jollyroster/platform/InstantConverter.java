package jollyroster.platform;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import org.jooq.impl.AbstractConverter;

/** Instants as fixed-width UTC text with milliseconds; what is finer is cut off. Text order is time order. */
public final class InstantConverter extends AbstractConverter<String, Instant> {

    private static final DateTimeFormatter FIXED_WIDTH =
            DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH:mm:ss.SSS'Z'").withZone(ZoneOffset.UTC);

    public InstantConverter() {
        super(String.class, Instant.class);
    }

    @Override
    public Instant from(String text) {
        return text == null ? null : Instant.parse(text);
    }

    @Override
    public String to(Instant instant) {
        return instant == null ? null : FIXED_WIDTH.format(instant);
    }
}
