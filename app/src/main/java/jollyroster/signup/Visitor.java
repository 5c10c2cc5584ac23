package jollyroster.signup;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.time.ZoneId;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.platform.Times;

/** In which zone a visitor sees times: the one asked for, else the one the browser said before, else the organiser's. */
final class Visitor {

    static final String COOKIE = "zone";

    private Visitor() {}

    static ZoneId zone(HttpServletRequest request, ZoneId home) {
        return asked(request).or(() -> remembered(request)).orElse(home);
    }

    private static Optional<ZoneId> asked(HttpServletRequest request) {
        return Optional.ofNullable(request.getParameter("zone")).flatMap(Times::zone);
    }

    private static Optional<ZoneId> remembered(HttpServletRequest request) {
        return Optional.ofNullable(request.getCookies()).stream()
                .flatMap(Stream::of)
                .filter(cookie -> cookie.getName().equals(COOKIE))
                .map(Cookie::getValue)
                .map(value -> value.replace("%2F", "/"))
                .findFirst()
                .flatMap(Times::zone);
    }
}
