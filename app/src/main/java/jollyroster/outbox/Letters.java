package jollyroster.outbox;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.messages.Anchor;
import jollyroster.exchange.CalendarEntry;

/** What the outbox asks about the people it writes to. Answered by whoever keeps the registrations. */
public interface Letters {

    /**
     * What a letter is about.
     *
     * @param session the date it is about; for a registration on a whole series one of its dates
     */
    record Asked(long registration, long session) {}

    /** The facts as they are now; without those where there is no such registration. */
    Map<Asked, Facts> facts(Collection<Asked> asked);

    /** The same of one. */
    default Optional<Facts> facts(long registration, long session) {
        Asked one = new Asked(registration, session);
        return Optional.ofNullable(facts(List.of(one)).get(one));
    }

    /** Who writes. */
    Sender sender();

    record Sender(String organisation, String replyTo) {}

    /** Names and titles for a list of messages, in one query; numbers that are not known are left out. */
    Map<Long, Line> lines(Collection<Long> registrations);

    /** Where the person stands. */
    enum Standing {
        SEATED,
        WAITING,
        GONE
    }

    /** A registered person in a list, and what they registered for. */
    record Line(String name, String title) {}

    /**
     * All that a letter can say.
     *
     * @param calendar one entry for each date the person holds seats on
     * @param otherDates the other dates of a series, in words; empty when there are none
     * @param placeInLine from 1 while waiting, else 0
     * @param place an address, or how to come in online
     * @param online whether the join link leads into a meeting
     */
    record Facts(
            String name,
            String email,
            ZoneId personZone,
            Standing standing,
            int party,
            int placeInLine,
            boolean sessionCancelled,
            String title,
            Instant start,
            Instant end,
            ZoneId sessionZone,
            String place,
            boolean online,
            String ownLink,
            String joinLink,
            String organisation,
            String replyTo,
            List<CalendarEntry> calendar,
            List<String> otherDates,
            Offer offer,
            About about) {

        /** Why a letter does not go any more, as things may have changed since it was planned; empty when it goes. */
        String obstacle(Anchor anchor, Instant now) {
            if (anchor.isAnswer() || anchor == Anchor.UNPAID) {
                return "";
            }
            if (anchor == Anchor.STILL_WAITING) {
                return placeInLine > 0 && !sessionCancelled ? "" : "is not on the waitlist any more";
            }
            if (standing != Standing.SEATED) {
                return "no longer holds a seat";
            }
            if (sessionCancelled) {
                return "the session was cancelled";
            }
            if (anchor.verdict().isPresent()) {
                return "";
            }
            return end.isAfter(now) ? "" : "the session was over before it could be sent";
        }
    }

    /**
     * What else there is to say.
     *
     * @param offering that the letter is about
     * @param leaders who of the team lead it
     * @param hosts who lead it, in words
     * @param bring what people should bring; empty for nothing
     * @param language in which it is held; times are said in it where the words are its own
     * @param firstTime whether the person registers for nothing else
     */
    record About(long offering, List<Long> leaders, String hosts, String bring, boolean firstTime, Locale language) {

        static final About NOTHING = new About(0, List.of(), "", "", false, Locale.ENGLISH);
    }

    /**
     * What is held for or offered to the person.
     *
     * @param until by when it must be answered; empty when nothing is
     * @param racing whether others are offered the same
     * @param atOnce whether freed seats are given without asking
     * @param confirmLink confirms the address while seats are held for it
     * @param confirmCode the same, to be typed on the person's own page; empty when nothing is held
     */
    record Offer(Optional<Instant> until, boolean racing, boolean atOnce, String confirmLink, String confirmCode) {}
}
