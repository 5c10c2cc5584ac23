package jollyroster.platform;

import java.util.Optional;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/**
 * Who acts, and whether they may. Commands ask here, whatever page called them. Where nobody is signed in at all and no
 * request is under way, the program itself acts: its jobs, and the data of the demo.
 */
@Component
public class Permissions {

    private static final String PROGRAM = "Jolly Roster";

    /** Whether everything is allowed to whoever acts. */
    public boolean isOrganiser() {
        Optional<Authentication> who = who();
        return who.isEmpty() || has(who.get(), "ROLE_ORGANISER");
    }

    public boolean isHost() {
        return who().filter(a -> has(a, "ROLE_HOST")).isPresent();
    }

    /** @throws AccessDeniedException unless an organiser or the program itself acts */
    public void requireOrganiser() {
        if (!isOrganiser()) {
            throw new AccessDeniedException("Only an organiser may do this");
        }
    }

    /** @throws AccessDeniedException unless a member of the team or the program itself acts */
    public void requireTeam() {
        if (!isOrganiser() && member().isEmpty()) {
            throw new AccessDeniedException("Only the team may do this");
        }
    }

    /** The member of the team who acts; empty for visitors and for the program itself. */
    public Optional<Member> member() {
        return who().map(Authentication::getPrincipal)
                .filter(Member.class::isInstance)
                .map(Member.class::cast);
    }

    /** As the logbook names whoever acts. */
    public String actor() {
        return member().map(Member::name).orElse(PROGRAM);
    }

    private static Optional<Authentication> who() {
        return Optional.ofNullable(SecurityContextHolder.getContext().getAuthentication());
    }

    private static boolean has(Authentication who, String authority) {
        return who.getAuthorities().stream().anyMatch(a -> authority.equals(a.getAuthority()));
    }
}
