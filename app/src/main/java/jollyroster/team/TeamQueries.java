package jollyroster.team;

import static jollyroster.platform.tables.Tables.ACCOUNT;

import java.util.List;
import java.util.Optional;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.Role;
import jollyroster.platform.TableChanges;
import org.jooq.Record;
import org.springframework.stereotype.Component;

/** Reads the team. */
@Component
public class TeamQueries {

    private final Reads reads;
    private final Remembered<Class<Mate>, List<Mate>> members;

    TeamQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.members = new Remembered<>(changes, 1, "account");
    }

    /**
     * A member of the team.
     *
     * @param joined whether the invitation was accepted, so that the member can sign in
     * @param active whether the member may still sign in
     * @param phone texts to them go to, E.164; empty for none
     */
    public record Mate(
            long id,
            String name,
            String email,
            Role role,
            boolean joined,
            boolean active,
            int generation,
            String phone) {}

    /** Everybody who is or was of the team, by name. */
    public List<Mate> members() {
        return members.get(
                Mate.class,
                all -> reads.sql()
                        .selectFrom(ACCOUNT)
                        .orderBy(ACCOUNT.NAME, ACCOUNT.ID)
                        .fetch(TeamQueries::mate));
    }

    /** Those who can lead a session: all but helpers, by name. */
    public List<Mate> hosts() {
        return members().stream()
                .filter(m -> m.active() && m.role() != Role.HELPER)
                .toList();
    }

    public Optional<Mate> member(long id) {
        return reads.sql().selectFrom(ACCOUNT).where(ACCOUNT.ID.eq(id)).fetchOptional(TeamQueries::mate);
    }

    private static Mate mate(Record r) {
        return new Mate(
                r.get(ACCOUNT.ID),
                r.get(ACCOUNT.NAME),
                r.get(ACCOUNT.EMAIL),
                Role.valueOf(r.get(ACCOUNT.ROLE)),
                !r.get(ACCOUNT.PASSWORD_HASH).isEmpty(),
                r.get(ACCOUNT.IS_ACTIVE),
                r.get(ACCOUNT.GENERATION),
                r.get(ACCOUNT.PHONE));
    }
}
