package jollyroster.texting;

import static jollyroster.platform.tables.Tables.SHORT_LINK;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.stream.Collectors;
import jollyroster.platform.Address;
import jollyroster.platform.Writes;
import org.springframework.stereotype.Component;

/** Short ways to personal links, so that they fit into a text; as part of a write that is under way. A link that is renewed is dead by its short way too. */
@Component
public class ShortLinkCommands {

    private static final String LETTERS = "23456789abcdefghjkmnpqrstuvwxyzABCDEFGHJKLMNPQRSTUVWXYZ";
    private static final int LENGTH = 9;
    private final Writes writes;
    private final Address address;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    ShortLinkCommands(Writes writes, Address address, Clock clock) {
        this.writes = writes;
        this.address = address;
        this.clock = clock;
    }

    /** The short way to one of our own links out of a message, the same each time; another address stays as it is. */
    public String shorten(long message, String link) {
        String ours = address.of("/");
        if (!link.startsWith(ours)) {
            return link;
        }
        String path = link.substring(ours.length() - 1);
        writes.sql()
                .insertInto(SHORT_LINK)
                .set(SHORT_LINK.CODE, code())
                .set(SHORT_LINK.MESSAGE_ID, message)
                .set(SHORT_LINK.ADDRESS, path)
                .set(SHORT_LINK.MADE_AT, clock.instant())
                .onConflictDoNothing()
                .execute();
        return writes.sql()
                .select(SHORT_LINK.CODE)
                .from(SHORT_LINK)
                .where(SHORT_LINK.MESSAGE_ID.eq(message))
                .and(SHORT_LINK.ADDRESS.eq(path))
                .fetchSingle(r -> address.of("/s/" + r.value1()));
    }

    /** A link as long as a short one, to look at. */
    public String sample() {
        return address.of("/s/" + "x".repeat(LENGTH));
    }

    private String code() {
        return random.ints(LENGTH, 0, LETTERS.length())
                .mapToObj(i -> String.valueOf(LETTERS.charAt(i)))
                .collect(Collectors.joining());
    }
}
