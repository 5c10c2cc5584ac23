package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Times;
import jollyroster.seating.Application;
import org.springframework.http.ResponseCookie;

/**
 * What somebody has just asked for, kept on their device for the page that thanks them. It holds what they typed and how
 * somebody who asks for that comes to stand, and nothing that only the owner of the address may know.
 *
 * @param form names the form that was sent
 * @param start of a time that was picked, ISO 8601 with offset; empty where a date was chosen
 */
record JustAsked(
        long session,
        RegistrationState state,
        int party,
        ZoneId zone,
        String name,
        String email,
        String form,
        String start) {

    private static final String COOKIE = "asked";
    private static final Duration KEPT = Duration.ofHours(1);
    private static final int LINES = 8;

    static JustAsked of(Application asked, RegistrationState state, String start) {
        return new JustAsked(
                asked.session(),
                state,
                asked.party(),
                asked.zone(),
                asked.name(),
                asked.email(),
                asked.submission(),
                start);
    }

    static Optional<JustAsked> of(HttpServletRequest request) {
        return CookieLines.read(request, COOKIE, LINES).flatMap(JustAsked::read);
    }

    private static Optional<JustAsked> read(List<String> l) {
        Optional<RegistrationState> state = Arrays.stream(RegistrationState.values())
                .filter(s -> s.code().equals(l.get(1)))
                .findFirst();
        boolean numbers = l.get(0).matches("\\d{1,15}") && l.get(2).matches("\\d{1,3}");
        return numbers
                ? state.flatMap(s -> Times.zone(l.get(3))
                        .map(zone -> new JustAsked(
                                Long.parseLong(l.get(0)),
                                s,
                                Integer.parseInt(l.get(2)),
                                zone,
                                l.get(4),
                                l.get(5),
                                l.get(6),
                                l.get(7))))
                : Optional.empty();
    }

    ResponseCookie cookie(HttpServletRequest asked) {
        List<String> lines = List.of(
                String.valueOf(session),
                state.code(),
                String.valueOf(party),
                zone.getId(),
                name,
                email,
                form,
                start.isEmpty() ? "-" : start);
        return CookieLines.of(COOKIE, lines, asked).maxAge(KEPT).build();
    }
}
