package jollyroster.signup;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.platform.WrittenPage;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * Keeps offerings' pages as they were written, so that a link that goes round is not written anew for everybody. A page is
 * kept for one zone and one minute of the clock, and only while nothing it shows has changed in the store. The token and
 * the number of the form are each visitor's own; they are put into the kept page.
 */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
class KeptPages extends OncePerRequestFilter {

    private static final Pattern PAGE = Pattern.compile("/p/[a-z0-9-]{1,80}");
    private static final Pattern FORM_NUMBER = Pattern.compile("name=\"form\" value=\"([0-9a-f-]{36})\"");
    private final Remembered<String, Slot> kept;
    private final Clock clock;

    /** Where a page comes to lie; empty until somebody has written it. */
    private static final class Slot {
        private volatile Optional<WrittenPage> page = Optional.empty();
    }

    KeptPages(TableChanges changes, Clock clock) {
        this.kept = new Remembered<>(
                changes,
                400,
                "offering",
                "session",
                "venue",
                "question",
                "account",
                "organisation",
                "registration",
                "answer",
                "seat_count");
        this.clock = clock;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getMethod().equals("GET")
                || request.getQueryString() != null
                || !PAGE.matcher(request.getRequestURI()).matches()
                || DeviceMemory.of(request).isPresent();
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Slot slot = kept.get(key(request), key -> new Slot());
        Optional<CsrfToken> token = Optional.ofNullable((CsrfToken) request.getAttribute(CsrfToken.class.getName()));
        if (token.isEmpty()) {
            chain.doFilter(request, response);
        } else if (slot.page.isEmpty()) {
            write(slot, token.get(), request, response, chain);
        } else {
            send(slot.page.get(), token.get(), response);
        }
    }

    private String key(HttpServletRequest request) {
        String zone = Stream.ofNullable(request.getCookies())
                .flatMap(Arrays::stream)
                .filter(cookie -> cookie.getName().equals(Visitor.COOKIE))
                .map(Cookie::getValue)
                .findFirst()
                .filter(value -> value.length() <= 80)
                .orElse("");
        return request.getRequestURI() + " " + zone + " " + clock.instant().truncatedTo(ChronoUnit.MINUTES);
    }

    private static void write(
            Slot slot, CsrfToken token, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        ContentCachingResponseWrapper written = new ContentCachingResponseWrapper(response);
        chain.doFilter(request, written);
        if (written.getStatus() == HttpServletResponse.SC_OK) {
            String page = new String(written.getContentAsByteArray(), StandardCharsets.UTF_8);
            Matcher number = FORM_NUMBER.matcher(page);
            List<String> own = number.find() ? List.of(token.getToken(), number.group(1)) : List.of(token.getToken());
            slot.page = Optional.of(WrittenPage.of(page, own));
        }
        written.copyBodyToResponse();
    }

    private static void send(WrittenPage page, CsrfToken token, HttpServletResponse response) throws IOException {
        response.setContentType("text/html;charset=UTF-8");
        page.writeTo(
                response.getOutputStream(),
                List.of(token.getToken(), UUID.randomUUID().toString()));
    }
}
