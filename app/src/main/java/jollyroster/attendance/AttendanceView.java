package jollyroster.attendance;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import jollyroster.attendance.AttendanceQueries.Attended;
import jollyroster.core.dates.Interval;
import jollyroster.core.seats.RegistrationState;
import jollyroster.programme.Session;
import org.jspecify.annotations.Nullable;

/**
 * Somebody's attendance, decided and formatted.
 *
 * @param code attended, part, absent, inside or none
 * @param evidence who marked it by hand, and what was computed; empty when nobody did
 */
public record AttendanceView(
        String code, String word, String minutes, String share, boolean byHand, String evidence, Bar bar) {

    /** Connection spans on the session's window, in per cent. */
    public record Bar(List<Span> spans) {
        public Bar {
            spans = List.copyOf(spans);
        }

        public record Span(double x, double width) {}
    }

    /** @param a what is known of it; {@code null} for nothing */
    public static AttendanceView of(RegistrationState state, @Nullable Attended a, Session s, Instant now) {
        if (a == null) {
            boolean absent = state == RegistrationState.REGISTERED && !now.isBefore(s.end());
            return new AttendanceView(
                    absent ? "absent" : "none", absent ? "absent" : "", "", "", false, "", new Bar(List.of()));
        }
        boolean running = a.inside() && now.isBefore(s.doorHours().closes());
        String code =
                a.byHand().isEmpty() && running ? "inside" : a.verdict().name().toLowerCase(Locale.ROOT);
        boolean seen = !a.presence().spans().isEmpty();
        return new AttendanceView(
                code,
                code.equals("inside") ? "inside now" : code,
                seen ? a.presence().time().toMinutes() + " min" : "",
                seen ? String.format(Locale.ENGLISH, "%.1f %%", a.presence().share() * 100) : "",
                a.byHand().isPresent(),
                a.byHand()
                        .map(m -> "marked by " + m.by() + "; computed: "
                                + a.computed().name().toLowerCase(Locale.ROOT))
                        .orElse(""),
                bar(s.span(), a.presence().spans()));
    }

    private static Bar bar(Interval window, List<Interval> spans) {
        double all = window.length().toSeconds();
        return new Bar(spans.stream()
                .map(span -> new Bar.Span(
                        Duration.between(window.start(), span.start()).toSeconds() * 100 / all,
                        span.length().toSeconds() * 100 / all))
                .toList());
    }
}
