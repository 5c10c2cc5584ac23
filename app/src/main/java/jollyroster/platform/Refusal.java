package jollyroster.platform;

import java.util.Map;
import org.springframework.boot.web.error.ErrorAttributeOptions;
import org.springframework.boot.webmvc.error.DefaultErrorAttributes;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.WebRequest;

/** Tells the page of errors why something was refused, so that it can say what to do. */
@Component
public class Refusal extends DefaultErrorAttributes {

    /** An attribute of a request that was refused: whether for its form, rather than for who sent it. */
    public static final String OLD_FORM = Refusal.class.getName() + ".oldForm";

    @Override
    public Map<String, Object> getErrorAttributes(WebRequest request, ErrorAttributeOptions options) {
        Map<String, Object> all = super.getErrorAttributes(request, options);
        Object oldForm = request.getAttribute(OLD_FORM, RequestAttributes.SCOPE_REQUEST);
        all.put("oldForm", !Boolean.FALSE.equals(oldForm));
        return all;
    }
}
