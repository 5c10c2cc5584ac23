package jollyroster.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.server.PathContainer;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.condition.PathPatternsRequestCondition;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.ServletRequestPathUtils;

/**
 * Looks first among the addresses that begin with the same word and are as long. What a number or a name is in would
 * otherwise be found by trying every address there is; with some hundreds of them that took longer than reading the form
 * of somebody who registers. What is not found there is looked for among all.
 */
final class MappingsByFirstWord extends RequestMappingHandlerMapping {

    @Override
    protected Set<String> getDirectPaths(RequestMappingInfo mapping) {
        PathPatternsRequestCondition addresses = mapping.getPathPatternsCondition();
        return addresses == null
                ? Set.of()
                : addresses.getPatternValues().stream()
                        .map(address -> kindOf(PathContainer.parsePath(address)))
                        .collect(Collectors.toSet());
    }

    @Override
    protected @Nullable HandlerMethod lookupHandlerMethod(String path, HttpServletRequest request) throws Exception {
        return super.lookupHandlerMethod(
                kindOf(ServletRequestPathUtils.getParsedRequestPath(request).pathWithinApplication()), request);
    }

    /** The first word, decoded as the addresses compare it, and the length: "/p/knots/register" is of the kind "p6". */
    private static String kindOf(PathContainer path) {
        List<PathContainer.Element> elements = path.elements();
        return elements.size() > 1 && elements.get(1) instanceof PathContainer.PathSegment first
                ? first.valueToMatch() + elements.size()
                : "";
    }
}
