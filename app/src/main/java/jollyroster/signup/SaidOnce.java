package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import org.springframework.http.ResponseCookie;
import org.springframework.web.servlet.view.RedirectView;

/**
 * Leads back to a page that says once what came of what was asked. It travels in a short-lived cookie of that page: an
 * address says nothing, so that it can neither be made up nor be true no longer.
 */
final class SaidOnce extends RedirectView {

    /** The cookie's name. */
    static final String CAME = "came";

    private static final Duration LASTS = Duration.ofMinutes(1);
    private final String path;
    private final Enum<?> came;

    SaidOnce(String path, Enum<?> came) {
        super(path, true);
        this.path = path;
        this.came = came;
        setExposeModelAttributes(false);
    }

    @Override
    protected void renderMergedOutputModel(
            Map<String, Object> model, HttpServletRequest request, HttpServletResponse response) throws IOException {
        response.addHeader("Set-Cookie", cookie(path, OwnWords.code(came), LASTS, request.isSecure()));
        super.renderMergedOutputModel(model, request, response);
    }

    /** Takes the cookie back, once it was said. */
    static void over(String path, HttpServletResponse response) {
        response.addHeader("Set-Cookie", cookie(path, "", Duration.ZERO, false));
    }

    private static String cookie(String path, String value, Duration lasts, boolean secure) {
        return ResponseCookie.from(CAME, value)
                .path(path)
                .httpOnly(true)
                .secure(secure)
                .sameSite("Lax")
                .maxAge(lasts)
                .build()
                .toString();
    }
}
