package jollyroster.platform;

import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.View;
import org.springframework.web.servlet.ViewResolver;
import org.springframework.web.servlet.view.RedirectView;

/**
 * Leads browsers on. The resolver of templates would keep each address as a view of its own, made with all that a bean goes through; a
 * crowd at a door is led to ten thousand addresses, each once.
 */
@Component
class Redirects implements ViewResolver, Ordered {

    private static final String PREFIX = "redirect:";

    @Override
    public @Nullable View resolveViewName(String name, Locale locale) {
        return name.startsWith(PREFIX) ? to(name.substring(PREFIX.length())) : null;
    }

    /** Where a browser is sent on to is text, also when somebody's link or search has braces in it. */
    private static View to(String address) {
        RedirectView redirect = new RedirectView(address, true);
        redirect.setExpandUriTemplateVariables(false);
        return redirect;
    }

    @Override
    public int getOrder() {
        return Ordered.HIGHEST_PRECEDENCE;
    }
}
