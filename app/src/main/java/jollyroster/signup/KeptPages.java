package jollyroster.signup;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import jollyroster.platform.TableChanges;
import jollyroster.platform.TablesRead;
import jollyroster.platform.WrittenPage;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * Keeps offerings' pages as they were written, so that a link that goes round is not written anew for everybody. A page is
 * kept for one zone and one minute of the clock, and only while no table that was read for it has changed. The token and the
 * number of the form are each visitor's own; they are put into the kept page. A page with a form in which both cannot be
 * found is not kept at all.
 */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
class KeptPages extends OncePerRequestFilter {

    private static final long MOST_BYTES = 16_000_000;
    private static final Duration LONGEST = Duration.ofMinutes(2);
    private static final Pattern PAGE = Pattern.compile("/p/[a-z0-9-]{1,80}");
    private static final Pattern FORM_NUMBER = Pattern.compile("name=\"form\" value=\"([0-9a-f-]{36})\"");
    private final Cache<String, Kept> kept = Caffeine.newBuilder()
            .maximumWeight(MOST_BYTES)
            .weigher((String key, Kept page) -> page.bytes())
            .expireAfterWrite(LONGEST)
            .build();
    private final TableChanges changes;
    private final Clock clock;

    private record Kept(WrittenPage page, int bytes, Set<String> tables, TableChanges.Snapshot since) {
        boolean holds() {
            return since.holdsFor(tables);
        }
    }

    KeptPages(TableChanges changes, Clock clock) {
        this.changes = changes;
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
        Optional<CsrfToken> token = Optional.ofNullable((CsrfToken) request.getAttribute(CsrfToken.class.getName()));
        if (token.isEmpty()) {
            chain.doFilter(request, response);
            return;
        }
        String key = key(request);
        Kept known = kept.getIfPresent(key);
        if (known != null && known.holds()) {
            send(known.page(), token.get(), response);
        } else {
            write(key, token.get(), request, response, chain);
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

    private void write(
            String key, CsrfToken token, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        ContentCachingResponseWrapper written = new ContentCachingResponseWrapper(response);
        TableChanges.Snapshot since = changes.snapshot();
        Set<String> tables = tablesOf(() -> chain.doFilter(request, written));
        if (written.getStatus() == HttpServletResponse.SC_OK) {
            byte[] bytes = written.getContentAsByteArray();
            gaps(new String(bytes, StandardCharsets.UTF_8), token.getToken())
                    .ifPresent(page -> kept.put(key, new Kept(page, bytes.length, tables, since)));
        }
        written.copyBodyToResponse();
    }

    private static Set<String> tablesOf(TablesRead.Reading<Exception> writing) throws ServletException, IOException {
        try {
            return TablesRead.during(writing);
        } catch (ServletException | IOException | RuntimeException known) {
            throw known;
        } catch (Exception never) {
            throw new IllegalStateException(never);
        }
    }

    /** The page with a gap for each thing that is its reader's own; empty if it has a form without them. */
    static Optional<WrittenPage> gaps(String page, String token) {
        boolean form = page.contains("method=\"post\"");
        Matcher number = FORM_NUMBER.matcher(page);
        if (!form) {
            return page.contains(token) ? Optional.empty() : Optional.of(WrittenPage.of(page, List.of()));
        }
        return page.contains(token) && number.find()
                ? Optional.of(WrittenPage.of(page, List.of(token, number.group(1))))
                : Optional.empty();
    }

    private static void send(WrittenPage page, CsrfToken token, HttpServletResponse response) throws IOException {
        response.setContentType("text/html;charset=UTF-8");
        page.writeTo(
                response.getOutputStream(),
                List.of(token.getToken(), UUID.randomUUID().toString()));
    }
}
