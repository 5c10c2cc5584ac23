package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.springframework.http.ResponseCookie;

/** Name, address and phone of somebody who asked to be remembered on this device. */
final class DeviceMemory {

    static final String COOKIE = "me";
    private static final Duration KEPT = Duration.ofDays(180);

    private DeviceMemory() {}

    /** What is remembered. */
    record Known(String name, String email, String phone) {

        private List<String> lines() {
            return List.of(name, email, phone);
        }
    }

    static Optional<Known> of(HttpServletRequest request) {
        return CookieLines.read(request, COOKIE, 3).map(l -> new Known(l.get(0), l.get(1), l.get(2)));
    }

    /** The cookie that remembers, or forgets when {@code known} is empty. */
    static ResponseCookie cookie(Optional<Known> known, HttpServletRequest asked) {
        return CookieLines.of(COOKIE, known.map(Known::lines).orElse(List.of()), asked)
                .maxAge(known.isPresent() ? KEPT : Duration.ZERO)
                .build();
    }
}
