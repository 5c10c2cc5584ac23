package jollyroster.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Finds the method for an address whose pattern has variables. Most of the some hundred patterns are passed over by their
 * first words alone, before anything is matched; matching each of them took longer than an empty page.
 */
class PrefixMapping extends RequestMappingHandlerMapping {

    private final Map<RequestMappingInfo, String> prefixes = new ConcurrentHashMap<>();
    private final ThreadLocal<@Nullable String> wanted = new ThreadLocal<>();

    @Override
    protected @Nullable HandlerMethod lookupHandlerMethod(String path, HttpServletRequest request) throws Exception {
        wanted.set(path);
        try {
            return super.lookupHandlerMethod(path, request);
        } finally {
            wanted.remove();
        }
    }

    @Override
    protected @Nullable RequestMappingInfo getMatchingMapping(RequestMappingInfo info, HttpServletRequest request) {
        String path = wanted.get();
        boolean may = path == null || path.startsWith(prefixes.computeIfAbsent(info, PrefixMapping::prefix));
        return may ? super.getMatchingMapping(info, request) : null;
    }

    /** What every address of a method begins with: up to the first variable of its pattern; nothing if it has several. */
    private static String prefix(RequestMappingInfo info) {
        return info.getPatternValues().size() == 1
                ? info.getPatternValues().iterator().next().split("[{*?]", 2)[0]
                : "";
    }
}
