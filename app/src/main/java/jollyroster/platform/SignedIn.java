package jollyroster.platform;

import java.util.Optional;
import org.springframework.core.MethodParameter;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;

/**
 * Who is signed in with the request under way, for pages: what they show, and the {@link Actor} that they hand to commands.
 * Where nobody is signed in, nothing is allowed. Commands do not ask here.
 */
@Component
public class SignedIn implements HandlerMethodArgumentResolver {

    /** The member of the team; empty for visitors. */
    public Optional<Member> member() {
        return Optional.ofNullable(SecurityContextHolder.getContext().getAuthentication())
                .map(Authentication::getPrincipal)
                .filter(Member.class::isInstance)
                .map(Member.class::cast);
    }

    /** The member as an actor; a visitor without a name when nobody is signed in. */
    public Actor actor() {
        return member().<Actor>map(m -> new Actor.Team(m.id(), m.name(), m.role()))
                .orElseGet(() -> Actor.visitor(""));
    }

    public boolean isOrganiser() {
        return is(Role.ORGANISER);
    }

    public boolean isHost() {
        return is(Role.HOST);
    }

    public boolean isHelper() {
        return is(Role.HELPER);
    }

    private boolean is(Role role) {
        return member().filter(m -> m.role() == role).isPresent();
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == Actor.class;
    }

    @Override
    public Object resolveArgument(
            MethodParameter parameter,
            ModelAndViewContainer container,
            NativeWebRequest request,
            WebDataBinderFactory binders) {
        return actor();
    }
}
