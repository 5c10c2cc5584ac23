package jollyroster.people;

import static jollyroster.platform.tables.Tables.BOUNCED_ADDRESS;
import static jollyroster.platform.tables.Tables.MAIL_RECEIVED;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import org.jooq.Condition;
import org.springframework.stereotype.Component;

/** Reads mail that came. */
@Component
public class ReceivedQueries {

    private final Reads reads;
    private final Remembered<Integer, List<Mail>> open;

    ReceivedQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.open = new Remembered<>(changes, 2, "mail_received");
    }

    /** A mail that came. @param outcome what was made of it; empty for nothing @param open whether it is to be read */
    public record Mail(
            long id,
            String sender,
            String subject,
            String body,
            long registration,
            long person,
            String outcome,
            boolean open,
            Instant at) {}

    /** What nobody has read yet, the latest first. */
    public List<Mail> open(int most) {
        return open.get(most, n -> list(MAIL_RECEIVED.IS_OPEN.eq(true), n));
    }

    /** What a person wrote, the latest first. */
    public List<Mail> ofPerson(long person, int most) {
        return list(MAIL_RECEIVED.PERSON_ID.eq(person), most);
    }

    public boolean isKept(String key) {
        return reads.sql().fetchExists(MAIL_RECEIVED, MAIL_RECEIVED.MAIL_KEY.eq(key));
    }

    /** Why mail to an address comes back; empty where it does not. */
    public Optional<String> bounced(String email) {
        return reads.sql()
                .select(BOUNCED_ADDRESS.WHY)
                .from(BOUNCED_ADDRESS)
                .where(BOUNCED_ADDRESS.EMAIL.eq(email))
                .fetchOptional(BOUNCED_ADDRESS.WHY);
    }

    private List<Mail> list(Condition which, int most) {
        return reads.sql()
                .selectFrom(MAIL_RECEIVED)
                .where(which)
                .orderBy(MAIL_RECEIVED.RECEIVED_AT.desc(), MAIL_RECEIVED.ID.desc())
                .limit(most)
                .fetch(r -> new Mail(
                        r.getId(),
                        r.getSender(),
                        r.getSubject(),
                        r.getBody(),
                        r.getRegistrationId(),
                        r.getPersonId(),
                        r.getOutcome(),
                        r.getIsOpen(),
                        r.getReceivedAt()));
    }
}
