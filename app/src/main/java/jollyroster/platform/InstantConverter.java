package jollyroster.platform;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import org.jooq.impl.AbstractConverter;

/**
 * Instants as fixed-width UTC text with milliseconds; what is finer is cut off. Text order is time order. Only the years 1 to
 * 9999 can be kept; borders check that nothing else comes so far.
 */
public final class InstantConverter extends AbstractConverter<String, Instant> {

    private static final Instant EARLIEST = Instant.parse("0001-01-01T00:00:00Z");
    private static final Instant TOO_LATE = Instant.parse("9999-12-31T00:00:00Z");

    public InstantConverter() {
        super(String.class, Instant.class);
    }

    @Override
    public Instant from(String text) {
        return text == null ? null : instant(text);
    }

    @Override
    public String to(Instant instant) {
        return instant == null ? null : text(instant);
    }

    private static Instant instant(String text) {
        long seconds = LocalDateTime.of(
                        number(text, 0, 4),
                        number(text, 5, 2),
                        number(text, 8, 2),
                        number(text, 11, 2),
                        number(text, 14, 2),
                        number(text, 17, 2))
                .toEpochSecond(ZoneOffset.UTC);
        return Instant.ofEpochSecond(seconds, number(text, 20, 3) * 1_000_000L);
    }

    private static int number(String text, int from, int count) {
        return Integer.parseInt(text, from, from + count, 10);
    }

    /** Written by hand, as every row of every write carries a few: a formatter takes many times as long. */
    private static String text(Instant instant) {
        if (instant.isBefore(EARLIEST) || !instant.isBefore(TOO_LATE)) {
            throw new IllegalArgumentException("Not a time that is kept: " + instant);
        }
        LocalDateTime utc = LocalDateTime.ofEpochSecond(instant.getEpochSecond(), 0, ZoneOffset.UTC);
        byte[] text = "0000-00-00T00:00:00.000Z".getBytes(StandardCharsets.ISO_8859_1);
        digits(text, 0, 4, utc.getYear());
        digits(text, 5, 2, utc.getMonthValue());
        digits(text, 8, 2, utc.getDayOfMonth());
        digits(text, 11, 2, utc.getHour());
        digits(text, 14, 2, utc.getMinute());
        digits(text, 17, 2, utc.getSecond());
        digits(text, 20, 3, instant.getNano() / 1_000_000);
        return new String(text, StandardCharsets.ISO_8859_1);
    }

    private static void digits(byte[] text, int from, int count, int number) {
        int rest = number;
        for (int at = from + count - 1; at >= from; at--) {
            text[at] = (byte) ('0' + rest % 10);
            rest /= 10;
        }
    }
}
