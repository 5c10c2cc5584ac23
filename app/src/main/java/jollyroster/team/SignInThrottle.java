package jollyroster.team;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.platform.Member;
import jollyroster.platform.Networks;
import jollyroster.platform.PersonalLinks;
import org.springframework.http.HttpMethod;
import org.springframework.http.ResponseCookie;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;
import org.springframework.security.web.util.matcher.RequestMatcher;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Slows down guessing, by account and by network. A browser that has signed in to an account before is not held up by what
 * others try with it.
 */
@Component
class SignInThrottle extends OncePerRequestFilter {

    private static final String COOKIE = "known";
    private static final Duration KNOWN_FOR = Duration.ofDays(365);
    private static final int FREE_BY_ACCOUNT = 5;
    private static final int FREE_BY_NETWORK = 30;
    private final RequestMatcher signingIn =
            PathPatternRequestMatcher.withDefaults().matcher(HttpMethod.POST, "/sign-in");
    private final GrowingDelay byAccount = new GrowingDelay(FREE_BY_ACCOUNT);
    private final GrowingDelay byBrowser = new GrowingDelay(FREE_BY_ACCOUNT);
    private final GrowingDelay byNetwork = new GrowingDelay(FREE_BY_NETWORK);
    private final AccountQueries accounts;
    private final PersonalLinks links;
    private final Clock clock;

    SignInThrottle(AccountQueries accounts, PersonalLinks links, Clock clock) {
        this.accounts = accounts;
        this.links = links;
        this.clock = clock;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !signingIn.matches(request);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Instant now = clock.instant();
        boolean may = isKnown(request)
                ? byBrowser.mayTry(account(request), now)
                : byNetwork.mayTry(Networks.of(request.getRemoteAddr()), now)
                        && byAccount.mayTry(account(request), now);
        if (may) {
            chain.doFilter(request, response);
        } else {
            response.sendRedirect("/sign-in?slow");
        }
    }

    private static String account(HttpServletRequest request) {
        String email = Objects.requireNonNullElse(request.getParameter("email"), "");
        return email.substring(0, Math.min(email.length(), 254)).strip().toLowerCase(Locale.ROOT);
    }

    private boolean isKnown(HttpServletRequest request) {
        Optional<Long> account = token(request)
                .flatMap(token -> links.read(Purpose.KNOWN_BROWSER, token))
                .map(Link::id);
        return account.isPresent() && accounts.idOf(account(request)).equals(account);
    }

    private static Optional<String> token(HttpServletRequest request) {
        Cookie[] cookies = Objects.requireNonNullElse(request.getCookies(), new Cookie[0]);
        return Arrays.stream(cookies)
                .filter(c -> c.getName().equals(COOKIE))
                .map(Cookie::getValue)
                .findFirst();
    }

    /** Somebody has signed in: nothing is held against the account, and this browser is known from now on. */
    void succeeded(HttpServletRequest request, HttpServletResponse response, Authentication who) {
        byAccount.forget(account(request));
        byBrowser.forget(account(request));
        byNetwork.forget(Networks.of(request.getRemoteAddr()));
        if (who.getPrincipal() instanceof Member member) {
            String token = links.issue(Purpose.KNOWN_BROWSER, new Link(member.id(), 1));
            response.addHeader(
                    "Set-Cookie",
                    ResponseCookie.from(COOKIE, token)
                            .httpOnly(true)
                            .secure(request.isSecure())
                            .sameSite("Strict")
                            .path("/sign-in")
                            .maxAge(KNOWN_FOR)
                            .build()
                            .toString());
        }
    }
}
