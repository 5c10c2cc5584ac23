package jollyroster.sharing;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.programme.SectionQueries;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** An address an offering had before leads on to the one it has, for its page and all that hangs on it. */
@Configuration(proxyBeanMethods = false)
class FormerAddresses implements WebMvcConfigurer, HandlerInterceptor {

    private static final Pattern ADDRESS = Pattern.compile("(/p/|/embed/)([a-z0-9-]{1,80})([./].*)?");
    private final SectionQueries sections;

    FormerAddresses(SectionQueries sections) {
        this.sections = sections;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/p/**", "/embed/**");
    }

    /** 308 keeps the method, so that a form somebody has open is sent on with what they typed (RFC 9110, 15.4.9). */
    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        Optional<String> now = leadsTo(request);
        now.ifPresent(address -> {
            response.setStatus(HttpStatus.PERMANENT_REDIRECT.value());
            response.setHeader("Location", address);
        });
        return now.isEmpty();
    }

    private Optional<String> leadsTo(HttpServletRequest request) {
        Matcher asked = ADDRESS.matcher(request.getRequestURI());
        if (!asked.matches()) {
            return Optional.empty();
        }
        String rest = asked.group(3) == null ? "" : asked.group(3);
        String query = request.getQueryString() == null ? "" : "?" + request.getQueryString();
        return sections.formerly(asked.group(2)).map(slug -> asked.group(1) + slug + rest + query);
    }
}
