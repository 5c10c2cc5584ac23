package jollyroster.leading;

import static jollyroster.platform.tables.Tables.LEADER;

import java.util.List;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.door.Producers;
import jollyroster.platform.Actor;
import jollyroster.platform.Address;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads who leads a session and their links. */
@Component
public class LeaderQueries implements Producers {

    private final Reads reads;
    private final PersonalLinks links;
    private final Address address;

    LeaderQueries(Reads reads, PersonalLinks links, Address address) {
        this.reads = reads;
        this.links = links;
        this.address = address;
    }

    public List<Leader> of(long session) {
        return reads.sql()
                .selectFrom(LEADER)
                .where(LEADER.SESSION_ID.eq(session))
                .orderBy(LEADER.ID)
                .fetch(Leader::of);
    }

    /** Whose link it is; empty for one that is not good or was replaced. */
    Optional<Leader> read(String token) {
        return links.read(Purpose.HOST, token)
                .flatMap(link -> reads.sql()
                        .selectFrom(LEADER)
                        .where(LEADER.ID.eq(link.id()))
                        .and(LEADER.GENERATION.eq(link.generation()))
                        .fetchOptional(Leader::of));
    }

    String address(Leader leader) {
        return address.of(path(leader));
    }

    String path(Leader leader) {
        return "/host/" + links.issue(Purpose.HOST, leader.link());
    }

    @Override
    public boolean isProducer(long session, Actor actor) {
        return actor instanceof Actor.Team member
                && reads.sql()
                        .fetchExists(
                                LEADER,
                                LEADER.SESSION_ID.eq(session),
                                LEADER.ACCOUNT_ID.eq(member.id()),
                                LEADER.ROLE.eq(Leader.Part.PRODUCER.name()));
    }
}
