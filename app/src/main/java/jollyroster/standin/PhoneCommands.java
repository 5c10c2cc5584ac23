package jollyroster.standin;

import static jollyroster.platform.tables.Tables.PHONE_MOOD;
import static jollyroster.platform.tables.Tables.PHONE_TEXT;

import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import jollyroster.platform.NotDelivered;
import jollyroster.platform.Writes;
import jollyroster.texting.TextGateway;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The text gateway that ships with the program: it carries texts to phones that are drawn on a page. */
@Component
class PhoneCommands implements TextGateway {

    /** How a phone takes texts. */
    enum Mood {
        /** Texts arrive at once. */
        PROMPT,
        /** They arrive when somebody lets them. */
        SLOW,
        /** They do not arrive. */
        FAILS,
        /** The number does not exist any more. */
        GONE
    }

    private final Writes writes;
    private final PhoneQueries phones;
    private final Clock clock;

    PhoneCommands(Writes writes, PhoneQueries phones, Clock clock) {
        this.writes = writes;
        this.phones = phones;
        this.clock = clock;
    }

    @Override
    @Transactional
    public String send(String key, String number, String words) throws NotDelivered {
        if (!number.matches("\\+[1-9]\\d{6,14}")) {
            throw new NotDelivered("the text gateway refused the number", NotDelivered.Kind.LASTING);
        }
        Mood mood = phones.mood(number);
        String outcome = mood == Mood.SLOW ? "UNDERWAY" : mood == Mood.PROMPT ? "DELIVERED" : "FAILED";
        insert(key, number, words, false, outcome, why(mood));
        return key;
    }

    private static String why(Mood mood) {
        return switch (mood) {
            case FAILS -> "unreachable";
            case GONE -> "no-such-number";
            default -> "";
        };
    }

    private void insert(String key, String number, String body, boolean fromPhone, String outcome, String why) {
        writes.sql()
                .insertInto(PHONE_TEXT)
                .set(PHONE_TEXT.TEXT_KEY, key)
                .set(PHONE_TEXT.NUMBER, number)
                .set(PHONE_TEXT.BODY, body)
                .set(PHONE_TEXT.IS_FROM_PHONE, fromPhone)
                .set(PHONE_TEXT.OUTCOME, outcome)
                .set(PHONE_TEXT.WHY, why)
                .set(PHONE_TEXT.ARRIVED_AT, clock.instant())
                .set(PHONE_TEXT.IS_REPORTED, false)
                .onConflict(PHONE_TEXT.TEXT_KEY)
                .doNothing()
                .execute();
    }

    /** Somebody writes on their phone. */
    @Transactional
    void write(String number, String words) {
        insert("in-" + UUID.randomUUID(), number, words, true, "DELIVERED", "");
    }

    /** How a phone takes texts from now on; what was under way arrives when it is prompt again. */
    @Transactional
    void set(String number, Mood mood) {
        writes.sql()
                .insertInto(PHONE_MOOD)
                .set(PHONE_MOOD.NUMBER, number)
                .set(PHONE_MOOD.MOOD, mood.name())
                .onDuplicateKeyUpdate()
                .set(PHONE_MOOD.MOOD, mood.name())
                .execute();
        if (mood == Mood.PROMPT) {
            arrive(number);
        }
    }

    private void arrive(String number) {
        writes.sql()
                .update(PHONE_TEXT)
                .set(PHONE_TEXT.OUTCOME, "DELIVERED")
                .set(PHONE_TEXT.ARRIVED_AT, clock.instant())
                .where(PHONE_TEXT.NUMBER.eq(number))
                .and(PHONE_TEXT.OUTCOME.eq("UNDERWAY"))
                .execute();
    }

    @Transactional
    void reported(long text) {
        writes.sql()
                .update(PHONE_TEXT)
                .set(PHONE_TEXT.IS_REPORTED, true)
                .where(PHONE_TEXT.ID.eq(text))
                .execute();
    }

    static Optional<Mood> mood(String said) {
        return Stream.of(Mood.values())
                .filter(mood -> mood.name().equalsIgnoreCase(said))
                .findFirst();
    }
}
