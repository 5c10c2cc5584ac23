package jollyroster.attendance;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import jollyroster.attendance.AttendanceQueries.Attended;
import jollyroster.chart.HandMarks;
import jollyroster.chart.PresenceBar;
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
        String code, String word, String minutes, String share, boolean byHand, String evidence, PresenceBar bar) {

    /** The buttons to mark it by hand, drawn; the one that was pressed takes the mark back. */
    public String handMarks() {
        return HandMarks.of(byHand ? code.toUpperCase(Locale.ROOT) : "");
    }

    /** For how long they were there, and whether somebody decided by hand. */
    public String amount() {
        return (byHand ? "by hand " : "") + minutes + (share.isEmpty() ? "" : ", " + share);
    }

    /** When they were there, drawn; empty when nobody saw them. */
    public String drawn() {
        return bar.markup(minutes + " present");
    }

    /** @param a what is known of it; {@code null} for nothing */
    public static AttendanceView of(RegistrationState state, @Nullable Attended a, Session s, Instant now) {
        if (a == null) {
            boolean absent = state == RegistrationState.REGISTERED && !now.isBefore(s.end());
            return new AttendanceView(
                    absent ? "absent" : "none", absent ? "absent" : "", "", "", false, "", new PresenceBar(List.of()));
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
                bar(s.held(), a.presence().spans()));
    }

    private static PresenceBar bar(Interval window, List<Interval> spans) {
        double all = window.length().toSeconds();
        return new PresenceBar(spans.stream()
                .map(span -> new PresenceBar.Span(
                        Duration.between(window.start(), span.start()).toSeconds() * 100 / all,
                        span.length().toSeconds() * 100 / all))
                .toList());
    }
}
