package jollyroster.team;

import static jollyroster.platform.tables.Tables.ACCOUNT;

import java.util.Locale;
import java.util.Optional;
import jollyroster.platform.Member;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.Role;
import jollyroster.platform.TableChanges;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.stereotype.Component;

/** Reads accounts for signing in. */
@Component
class AccountQueries implements UserDetailsService {

    private final Reads reads;
    private final Remembered<Claim, Boolean> still;

    AccountQueries(Reads reads, TableChanges changes) {
        this.still = new Remembered<>(changes, 200, "account");
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
                        Role.valueOf(account.getRole()),
                        account.getIsActive()))
                .orElseThrow(() -> new UsernameNotFoundException("No such account"));
    }

    /** The account with this address; empty for none. @param email in lower case */
    Optional<Long> idOf(String email) {
        return reads.sql()
                .select(ACCOUNT.ID)
                .from(ACCOUNT)
                .where(ACCOUNT.EMAIL.eq(email))
                .fetchOptional(ACCOUNT.ID);
    }

    private record Claim(long account, String role) {}

    /** Whether a member who signed in earlier is still what they were then. */
    boolean isStill(Member member) {
        return still.get(new Claim(member.id(), member.role().name()), this::holds);
    }

    private boolean holds(Claim claim) {
        return reads.sql()
                .fetchExists(
                        ACCOUNT,
                        ACCOUNT.ID
                                .eq(claim.account())
                                .and(ACCOUNT.IS_ACTIVE.isTrue())
                                .and(ACCOUNT.ROLE.eq(claim.role())));
    }
}
