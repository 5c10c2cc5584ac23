package jollyroster;

import static jollyroster.platform.tables.Tables.PERSON;
import static jollyroster.platform.tables.Tables.REGISTRATION;

import java.net.URI;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Reads;
import org.springframework.boot.test.context.TestComponent;

/** What only the owner of an address has: the links of their e-mails, without waiting for one. */
@TestComponent
public class Mailbox {

    private final Reads reads;
    private final PersonalLinks links;

    public Mailbox(Reads reads, PersonalLinks links) {
        this.reads = reads;
        this.links = links;
    }

    /** The path of the own page of this address's latest registration. */
    public String ownPage(String email) {
        return path(links.ownPage(latest(email)));
    }

    /** The path of the join link of this address's latest registration. */
    public String join(String email) {
        return path(links.join(latest(email)));
    }

    private static String path(String address) {
        return URI.create(address).getPath();
    }

    private Link latest(String email) {
        return reads.sql()
                .select(REGISTRATION.ID, REGISTRATION.GENERATION)
                .from(REGISTRATION)
                .join(PERSON)
                .on(PERSON.ID.eq(REGISTRATION.PERSON_ID))
                .where(PERSON.EMAIL.eq(email))
                .orderBy(REGISTRATION.ID.desc())
                .limit(1)
                .fetchSingle(r -> new Link(r.value1(), r.value2()));
    }
}
