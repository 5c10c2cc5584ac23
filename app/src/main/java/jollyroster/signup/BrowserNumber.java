package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
import org.springframework.http.ResponseCookie;

/** A number that a browser is given when it first picks a time, so that the time can be held for it. It says nothing about who. */
final class BrowserNumber {

    static final String COOKIE = "picks";
    private static final Duration KEPT = Duration.ofHours(12);
    private static final Pattern NUMBER = Pattern.compile("[0-9a-f-]{36}");

    private BrowserNumber() {}

    /** Empty for a browser that has none. */
    static Optional<String> of(HttpServletRequest request) {
        return CookieLines.read(request, COOKIE, 1)
                .map(lines -> lines.get(0))
                .filter(number -> NUMBER.matcher(number).matches());
    }

    static String make() {
        return UUID.randomUUID().toString();
    }

    static ResponseCookie cookie(String number, HttpServletRequest asked) {
        return CookieLines.of(COOKIE, List.of(number), asked).maxAge(KEPT).build();
    }
}
