package jollyroster.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.ServletRequestPathUtils;

/**
 * Finds the method for an address whose pattern has variables. Most of the some hundred patterns are passed over by their
 * first words alone, before anything is matched; matching each of them took longer than an empty page.
 */
class PrefixMapping extends RequestMappingHandlerMapping {

    private final Map<RequestMappingInfo, String> prefixes = new ConcurrentHashMap<>();

    @Override
    protected @Nullable RequestMappingInfo getMatchingMapping(RequestMappingInfo info, HttpServletRequest request) {
        String path = ServletRequestPathUtils.getParsedRequestPath(request)
                .pathWithinApplication()
                .value();
        return path.startsWith(prefixes.computeIfAbsent(info, PrefixMapping::prefix))
                ? super.getMatchingMapping(info, request)
                : null;
    }

    /** What every address of a method begins with: up to the first variable, if it has one pattern; else nothing. */
    private static String prefix(RequestMappingInfo info) {
        if (info.getPatternValues().size() != 1) {
            return "";
        }
        String pattern = info.getPatternValues().iterator().next();
        String plain = pattern.split("[{*?]", 2)[0];
        return plain.length() == pattern.length() ? "" : plain;
    }
}
