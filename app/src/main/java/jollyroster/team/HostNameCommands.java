package jollyroster.team;

import static jollyroster.platform.tables.Tables.HOST_NAME;

import java.util.Optional;
import jollyroster.platform.Actor;
import jollyroster.platform.Slugs;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Names members in addresses. A name that once led somewhere still does. */
@Component
class HostNameCommands {

    private final Writes writes;
    private final HostNameQueries names;

    HostNameCommands(Writes writes, HostNameQueries names) {
        this.writes = writes;
        this.names = names;
    }

    /** @return the name as it is now; empty, with nothing changed, when somebody else has it or had it */
    @Transactional
    public Optional<String> rename(long account, String typed, Actor actor) {
        actor.requireOrganiser();
        HostNames all = names.in(writes.sql());
        String slug = Slugs.of(typed);
        String before = all.current().get(account);
        boolean another = all.account(slug).filter(id -> id != account).isPresent();
        if (before == null || another) {
            return Optional.empty();
        }
        keep(before, account, false);
        keep(slug, account, true);
        return Optional.of(slug);
    }

    private void keep(String slug, long account, boolean current) {
        writes.sql()
                .insertInto(HOST_NAME)
                .set(HOST_NAME.SLUG, slug)
                .set(HOST_NAME.ACCOUNT_ID, account)
                .set(HOST_NAME.IS_CURRENT, current)
                .onConflict(HOST_NAME.SLUG)
                .doUpdate()
                .set(HOST_NAME.IS_CURRENT, current)
                .execute();
    }
}
