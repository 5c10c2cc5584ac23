package jollyroster.signup;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.ResponseCookie;

/** A few lines of text kept in a cookie, on the device and nowhere else. What comes back is no more to be trusted than a form. */
final class CookieLines {

    private static final int LONGEST = 2000;

    private CookieLines() {}

    /** The lines that were kept under this name; empty when there are not exactly so many. */
    static Optional<List<String>> read(HttpServletRequest request, String name, int lines) {
        return Optional.ofNullable(request.getCookies()).stream()
                .flatMap(Stream::of)
                .filter(cookie -> cookie.getName().equals(name))
                .map(Cookie::getValue)
                .filter(value -> value.length() <= LONGEST)
                .findFirst()
                .flatMap(CookieLines::decoded)
                .filter(kept -> kept.size() == lines);
    }

    private static Optional<List<String>> decoded(String value) {
        try {
            String text = new String(Base64.getUrlDecoder().decode(value), StandardCharsets.UTF_8);
            return Optional.of(List.of(text.split("\n", -1)));
        } catch (IllegalArgumentException notOurs) {
            return Optional.empty();
        }
    }

    /** A cookie with these lines, none of which has a line break; its age is for the caller to say. */
    static ResponseCookie.ResponseCookieBuilder of(String name, List<String> lines, HttpServletRequest asked) {
        byte[] text = String.join("\n", lines).getBytes(StandardCharsets.UTF_8);
        return ResponseCookie.from(
                        name,
                        lines.isEmpty()
                                ? ""
                                : Base64.getUrlEncoder().withoutPadding().encodeToString(text))
                .path("/p")
                .httpOnly(true)
                .secure(asked.isSecure())
                .sameSite("Lax");
    }
}
