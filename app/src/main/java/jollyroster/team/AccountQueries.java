package jollyroster.team;

import static jollyroster.platform.tables.Tables.ACCOUNT;

import java.util.Locale;
import jollyroster.platform.Reads;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.stereotype.Component;

/** Reads accounts. */
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
                .fetchOptional(account -> User.withUsername(account.getEmail())
                        .password(account.getPasswordHash())
                        .roles(account.getRole())
                        .build())
                .orElseThrow(() -> new UsernameNotFoundException("No such account"));
    }
}
