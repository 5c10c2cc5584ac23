package jollyroster.signup;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.ResponseCookie;

/** Name, address and phone of somebody who asked to be remembered on this device; kept in a cookie there and nowhere else. */
final class DeviceMemory {

    static final String COOKIE = "me";
    private static final Duration KEPT = Duration.ofDays(180);
    private static final int LONGEST = 2000;

    private DeviceMemory() {}

    /** What is remembered. */
    record Known(String name, String email, String phone) {}

    static Optional<Known> of(HttpServletRequest request) {
        return Optional.ofNullable(request.getCookies()).stream()
                .flatMap(Stream::of)
                .filter(cookie -> cookie.getName().equals(COOKIE))
                .map(Cookie::getValue)
                .filter(value -> value.length() <= LONGEST)
                .findFirst()
                .flatMap(DeviceMemory::read);
    }

    private static Optional<Known> read(String value) {
        try {
            String text = new String(Base64.getUrlDecoder().decode(value), StandardCharsets.UTF_8);
            List<String> parts = List.of(text.split("\n", -1));
            return parts.size() == 3
                    ? Optional.of(new Known(parts.get(0), parts.get(1), parts.get(2)))
                    : Optional.empty();
        } catch (IllegalArgumentException notOurs) {
            return Optional.empty();
        }
    }

    /** The cookie that remembers, or forgets when {@code known} is empty. */
    static ResponseCookie cookie(Optional<Known> known) {
        String value = known.map(k -> k.name() + "\n" + k.email() + "\n" + k.phone())
                .map(text ->
                        Base64.getUrlEncoder().withoutPadding().encodeToString(text.getBytes(StandardCharsets.UTF_8)))
                .orElse("");
        return ResponseCookie.from(COOKIE, value)
                .path("/p")
                .httpOnly(true)
                .sameSite("Lax")
                .maxAge(known.isPresent() ? KEPT : Duration.ZERO)
                .build();
    }
}
