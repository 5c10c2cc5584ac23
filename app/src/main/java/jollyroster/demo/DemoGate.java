package jollyroster.demo;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.context.annotation.Profile;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Lets nobody in while the demo's past is being lived, so that no visitor becomes a part of it. */
@Component
@Profile("demo")
@Order(Ordered.HIGHEST_PRECEDENCE)
class DemoGate extends OncePerRequestFilter {

    private static final String WORDS = "<!DOCTYPE html><html lang=\"en\"><title>One moment</title>"
            + "<p>The demo is being prepared; this page shows it in a moment.</p></html>";
    private volatile boolean open;

    void open() {
        open = true;
    }

    boolean isOpen() {
        return open;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return open || request.getRequestURI().startsWith("/actuator/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setStatus(HttpStatus.SERVICE_UNAVAILABLE.value());
        response.setHeader("Retry-After", "2");
        response.setHeader("Refresh", "2");
        response.setContentType("text/html; charset=UTF-8");
        response.getWriter().write(WORDS);
    }
}
