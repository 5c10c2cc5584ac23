package jollyroster.team;

import static jollyroster.platform.tables.Tables.ACCOUNT;

import java.util.Locale;
import jollyroster.platform.Member;
import jollyroster.platform.Reads;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.stereotype.Component;

/** Reads accounts for signing in. */
@Component
class AccountQueries implements UserDetailsService {

    private final Reads reads;

    AccountQueries(Reads reads) {
        this.reads = reads;
    }

    boolean isEmpty() {
        return !reads.sql().fetchExists(ACCOUNT);
    }

    @Override
    public UserDetails loadUserByUsername(String email) {
        return reads.sql()
                .selectFrom(ACCOUNT)
                .where(ACCOUNT.EMAIL.eq(email.strip().toLowerCase(Locale.ROOT)))
                .and(ACCOUNT.PASSWORD_HASH.ne(""))
                .fetchOptional(account -> new Member(
                        account.getId(),
                        account.getName(),
                        account.getEmail(),
                        account.getPasswordHash(),
                        account.getRole(),
                        account.getIsActive()))
                .orElseThrow(() -> new UsernameNotFoundException("No such account"));
    }

    /** Whether a member who signed in earlier is still what they were then. */
    boolean isStill(Member member) {
        String role = member.getAuthorities().iterator().next().getAuthority();
        return reads.sql()
                .fetchExists(
                        ACCOUNT,
                        ACCOUNT.ID
                                .eq(member.id())
                                .and(ACCOUNT.IS_ACTIVE.isTrue())
                                .and(ACCOUNT.ROLE.eq(role.substring("ROLE_".length()))));
    }
}
