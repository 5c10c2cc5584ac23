package jollyroster.platform;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.stereotype.Component;
import org.springframework.validation.BindingResult;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.View;
import org.springframework.web.servlet.ViewResolver;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * Sends a page as it was written before, if its {@link Lasting} view is the same object and all else in its model is equal.
 * The token of its forms is put in for each reader. Templates of such pages use their model and the token, nothing else of
 * the request.
 */
@Component
class KeptViews implements HandlerInterceptor {

    private static final int MOST_KEPT = 60;
    private static final String VIEW = "view";
    private final ObjectProvider<ViewResolver> resolver;
    private final Cache<Lasting, Kept> kept =
            Caffeine.newBuilder().weakKeys().maximumSize(MOST_KEPT).build();

    private record Kept(String template, Map<String, Object> model, WrittenPage page) {}

    KeptViews(ObjectProvider<ViewResolver> thymeleafViewResolver) {
        this.resolver = thymeleafViewResolver;
    }

    @Override
    public void postHandle(
            HttpServletRequest request, HttpServletResponse response, Object handler, @Nullable ModelAndView page)
            throws Exception {
        if (page != null
                && page.getViewName() != null
                && page.getModel().get(VIEW) instanceof Lasting lasting
                && request.getAttribute(CsrfToken.class.getName()) instanceof CsrfToken token) {
            String template = page.getViewName();
            View written = resolver.getObject().resolveViewName(template, request.getLocale());
            page.setView(new Sending(lasting, template, written, token.getToken()));
        }
    }

    /** Writes a page, or sends what is kept of it. */
    private final class Sending implements View {

        private final Lasting lasting;
        private final String template;
        private final @Nullable View written;
        private final String token;

        Sending(Lasting lasting, String template, @Nullable View written, String token) {
            this.lasting = lasting;
            this.template = template;
            this.written = written;
            this.token = token;
        }

        @Override
        public void render(@Nullable Map<String, ?> model, HttpServletRequest request, HttpServletResponse response)
                throws Exception {
            WrittenPage page = page(model == null ? Map.of() : model, request, response);
            response.setContentType("text/html;charset=UTF-8");
            page.writeTo(response.getOutputStream(), List.of(token));
        }

        /** Of those who ask at once, one writes it and the others wait for that. */
        private WrittenPage page(Map<String, ?> model, HttpServletRequest request, HttpServletResponse response)
                throws Exception {
            Map<String, Object> rest = rest(model);
            synchronized (lasting) {
                Kept known = kept.getIfPresent(lasting);
                if (known != null
                        && known.template().equals(template)
                        && known.model().equals(rest)) {
                    return known.page();
                }
                WrittenPage page = write(model, request, response);
                kept.put(lasting, new Kept(template, rest, page));
                return page;
            }
        }

        private WrittenPage write(Map<String, ?> model, HttpServletRequest request, HttpServletResponse response)
                throws Exception {
            ContentCachingResponseWrapper text = new ContentCachingResponseWrapper(response);
            if (written != null) {
                written.render(model, request, text);
            }
            return WrittenPage.of(new String(text.getContentAsByteArray(), StandardCharsets.UTF_8), List.of(token));
        }
    }

    /** What else a page shows; the view itself is left out, so that nobody but its maker holds it. */
    private static Map<String, Object> rest(Map<String, ?> model) {
        Map<String, Object> rest = new HashMap<>(model);
        rest.remove(VIEW);
        rest.keySet().removeIf(name -> name.startsWith(BindingResult.MODEL_KEY_PREFIX));
        return rest;
    }
}
