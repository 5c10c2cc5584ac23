package jollyroster.team;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import jollyroster.platform.Refusal;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.HeadersConfigurer;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.AuthenticationSuccessHandler;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.savedrequest.HttpSessionRequestCache;

/**
 * Everything under /desk needs an account, most of it an organiser's; the public pages need none and keep no server session. The CSRF token lives
 * in a cookie so that a registration form works without one.
 */
@Configuration
class SecurityConfiguration {

    private static final String CONTENT_POLICY = "default-src 'self'; img-src 'self' data:; style-src 'self'; "
            + "script-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    /** What hosts and helpers may look at; which sessions they see there is decided by the pages. */
    private static final String[] FOR_ALL_OF_THE_TEAM = {"/desk", "/desk/programme", "/desk/sessions/**"};

    /** The HTML of a message as it would arrive: its own inline styles, nothing else. */
    static final String MAIL_POLICY = "default-src 'none'; img-src data:; style-src 'unsafe-inline'; "
            + "frame-ancestors 'self'; sandbox allow-popups allow-top-navigation-by-user-activation";

    /** What takes people's data away, and tells why they stand where they stand; of sessions that may be seen. */
    private static final String[] FOR_ORGANISERS_AND_HOSTS = {
        "/desk/sessions/*/roster.csv",
        "/desk/sessions/*/people.csv",
        "/desk/sessions/*/roster.vcf",
        "/desk/sessions/*/roster/addresses",
        "/desk/sessions/*/roster.pdf",
        "/desk/sessions/*/sign-in.pdf",
        "/desk/sessions/*/badges.pdf",
        "/desk/sessions/*/why/**"
    };

    /** What takes a host up elsewhere, what they are told of, their time alone with people and who leads with them is theirs to say. */
    private static final String[] OWN_MATTERS = {
        "/desk/setup/calendars",
        "/desk/setup/calendars/**",
        "/desk/setup/rooms",
        "/desk/setup/rooms/**",
        "/desk/rooms/**",
        "/desk/telling",
        "/desk/telling/**",
        "/desk/turns/**",
        "/desk/leading/**",
        "/desk/live/**"
    };

    /** Forms that only an organiser can send are only shown to one. */
    private static final String[] FORMS_FOR_ORGANISERS = {"/desk/sessions/*/add", "/desk/sessions/*/import"};

    @Bean
    SecurityFilterChain security(HttpSecurity http, SignInThrottle throttle, StillMember stillMember) throws Exception {
        http.authorizeHttpRequests(requests -> requests.requestMatchers(HttpMethod.GET, FOR_ORGANISERS_AND_HOSTS)
                        .hasAnyRole("ORGANISER", "HOST")
                        .requestMatchers(HttpMethod.GET, FORMS_FOR_ORGANISERS)
                        .hasRole("ORGANISER")
                        .requestMatchers(HttpMethod.GET, FOR_ALL_OF_THE_TEAM)
                        .hasAnyRole("ORGANISER", "HOST", "HELPER")
                        .requestMatchers(OWN_MATTERS)
                        .hasAnyRole("ORGANISER", "HOST")
                        .requestMatchers(
                                "/desk/sessions/*/registrations/*/mark",
                                "/desk/door/**",
                                "/desk/check-in/**",
                                "/desk/clock")
                        .hasAnyRole("ORGANISER", "HOST", "HELPER")
                        .requestMatchers(
                                "/desk", "/desk/**", "/standin/meeting/mood", "/standin/phone/**", "/standin/inbox")
                        .hasRole("ORGANISER")
                        .anyRequest()
                        .permitAll())
                .formLogin(form -> form.loginPage("/sign-in")
                        .usernameParameter("email")
                        .successHandler(toTheDesk(throttle))
                        .failureUrl("/sign-in?wrong"))
                .logout(logout -> logout.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
                .requestCache(cache -> cache.requestCache(deskOnly()))
                .exceptionHandling(handling -> handling.accessDeniedHandler(SecurityConfiguration::refuse))
                .csrf(csrf -> csrf.csrfTokenRepository(tokenInCookie())
                        .ignoringRequestMatchers("/hooks/**", "/standin/meeting/*/leave", "/my/*/no-reminders"))
                .addFilterBefore(throttle, UsernamePasswordAuthenticationFilter.class)
                .addFilterAfter(stillMember, UsernamePasswordAuthenticationFilter.class)
                .headers(SecurityConfiguration::headers);
        return http.build();
    }

    private static AuthenticationSuccessHandler toTheDesk(SignInThrottle throttle) {
        SavedRequestAwareAuthenticationSuccessHandler handler = new SavedRequestAwareAuthenticationSuccessHandler();
        handler.setDefaultTargetUrl("/desk");
        handler.setRequestCache(deskOnly());
        return (request, response, who) -> {
            throttle.succeeded(request, response, who);
            handler.onAuthenticationSuccess(request, response, who);
        };
    }

    private static CookieCsrfTokenRepository tokenInCookie() {
        CookieCsrfTokenRepository tokens = new CookieCsrfTokenRepository();
        tokens.setCookieCustomizer(cookie -> cookie.sameSite("Lax"));
        return tokens;
    }

    /** An old form is another thing than a role that does not reach. */
    private static void refuse(HttpServletRequest request, HttpServletResponse response, AccessDeniedException denied)
            throws IOException {
        request.setAttribute(Refusal.OLD_FORM, denied instanceof CsrfException);
        if (!response.isCommitted()) {
            response.sendError(HttpServletResponse.SC_FORBIDDEN);
        }
    }

    private static void headers(HeadersConfigurer<HttpSecurity> headers) {
        headers.referrerPolicy(policy -> policy.policy(ReferrerPolicy.NO_REFERRER))
                .frameOptions(HeadersConfigurer.FrameOptionsConfig::disable)
                .addHeaderWriter((request, response) -> {
                    if (!response.containsHeader("Content-Security-Policy")) {
                        boolean mail = request.getRequestURI().endsWith("/body.html");
                        response.setHeader("Content-Security-Policy", mail ? MAIL_POLICY : CONTENT_POLICY);
                    }
                })
                .permissionsPolicyHeader(policy -> policy.policy("camera=(self), microphone=(), geolocation=()"));
    }

    private static HttpSessionRequestCache deskOnly() {
        HttpSessionRequestCache cache = new HttpSessionRequestCache();
        cache.setRequestMatcher(request ->
                request.getMethod().equals("GET") && request.getRequestURI().startsWith("/desk"));
        cache.setMatchingRequestParameterName(null);
        return cache;
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return new BCryptPasswordEncoder(11);
    }
}
