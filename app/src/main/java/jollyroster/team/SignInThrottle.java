package jollyroster.team;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Locale;
import java.util.Objects;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Slows down guessing: ten tries for an account and thirty from an address, each refilled over five minutes. */
@Component
class SignInThrottle extends OncePerRequestFilter {

    private static final Duration REFILL = Duration.ofMinutes(5);
    private final LoadingCache<String, Bucket> byAccount = buckets(10);
    private final LoadingCache<String, Bucket> byAddress = buckets(30);

    private static LoadingCache<String, Bucket> buckets(int tries) {
        return Caffeine.newBuilder()
                .maximumSize(10_000)
                .expireAfterAccess(REFILL.multipliedBy(2))
                .build(key -> Bucket.builder()
                        .addLimit(limit -> limit.capacity(tries).refillGreedy(tries, REFILL))
                        .build());
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !(request.getMethod().equals("POST") && request.getRequestURI().equals("/sign-in"));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String account = Objects.requireNonNullElse(request.getParameter("email"), "");
        String key =
                account.substring(0, Math.min(account.length(), 254)).strip().toLowerCase(Locale.ROOT);
        boolean addressMay = byAddress.get(request.getRemoteAddr()).tryConsume(1);
        if (addressMay && byAccount.get(key).tryConsume(1)) {
            chain.doFilter(request, response);
        } else {
            response.sendRedirect("/sign-in?slow");
        }
    }
}
