package jollyroster.outbox;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import jollyroster.platform.Facts;
import jollyroster.platform.Names;
import jollyroster.platform.Times;

/** What letters about registrations may name, and how it is said. */
final class LetterValues {

    private static final Letters.Facts SAMPLE = new Letters.Facts(
            "Wren Skerry",
            "wren@crew.example",
            ZoneId.of("UTC"),
            Letters.Standing.SEATED,
            1,
            0,
            false,
            "",
            Instant.EPOCH,
            Instant.EPOCH,
            ZoneId.of("UTC"),
            "",
            false,
            "",
            "",
            "",
            "",
            List.of(),
            List.of(),
            new Letters.Offer(Optional.empty(), false, false, "", ""),
            Letters.About.NOTHING);

    /** What a letter may be given; a template can ask for all of it. */
    private static final Map<String, Object> NOT_GIVEN =
            Map.of("amount", "", "number", "", "back", "", "kept", "", Was.WORDS, "", Was.OTHER_DATE, false);

    private LetterValues() {}

    /** The names a letter about a registration may use. */
    static Set<String> names() {
        return sample(Facts.none()).keySet();
    }

    /** For somebody made up. */
    static Map<String, Object> sample(Facts given) {
        return of(SAMPLE, given);
    }

    /** Of a letter about no registration. */
    static Map<String, Object> standing(Facts given, String organisation) {
        Map<String, Object> values = new LinkedHashMap<>(NOT_GIVEN);
        values.putAll(given.values());
        values.put("organisation", organisation);
        return values;
    }

    static Map<String, Object> of(Letters.Facts facts, Facts given) {
        Map<String, Object> values = new LinkedHashMap<>(NOT_GIVEN);
        values.putAll(given.values());
        values.put("first_name", Names.first(facts.name()));
        values.put("name", facts.name());
        values.put("title", facts.title());
        values.put("starts", starts(facts));
        values.put("starts_short", startsShort(facts));
        values.put("place", facts.place());
        values.put("online", facts.online());
        values.put("join_link", facts.joinLink());
        values.put("own_link", facts.ownLink());
        values.put("ticket_link", facts.online() ? "" : facts.ownLink() + "/ticket.pdf");
        values.put("seats", facts.party() == 1 ? "1 seat" : facts.party() + " seats");
        values.put("place_in_line", facts.placeInLine());
        values.put("organisation", facts.organisation());
        values.put("other_dates", facts.otherDates());
        values.put("is_series", !facts.otherDates().isEmpty());
        values.put(
                "reply_by",
                facts.offer()
                        .until()
                        .map(at -> Times.dayAndTime(at, facts.personZone()) + " " + Times.city(facts.personZone())
                                + " time")
                        .orElse(""));
        values.put("racing", facts.offer().racing());
        values.put("at_once", facts.offer().atOnce());
        values.put("confirm_link", facts.offer().confirmLink());
        values.put("confirm_code", facts.offer().confirmCode());
        values.put("was", was(given, facts));
        values.put("hosts", facts.about().hosts());
        values.put("bring", facts.about().bring());
        values.put("first_time", facts.about().firstTime());
        values.put("offered", moment(given.time("offered"), given.time("offered_until"), facts));
        values.put(Was.PLACE, given.text(Was.PLACE).equals(facts.place()) ? "" : given.text(Was.PLACE));
        return values;
    }

    /** When it was to be before it was moved; empty when it was not. */
    private static String was(Facts given, Letters.Facts facts) {
        boolean same = given.time(Was.START).filter(facts.start()::equals).isPresent()
                && given.time(Was.END).filter(facts.end()::equals).isPresent();
        return same ? "" : moment(given.time(Was.START), given.time(Was.END), facts);
    }

    /** A time that somebody may compare with the session's, on the same clock; empty for none. */
    private static String moment(Optional<Instant> from, Optional<Instant> until, Letters.Facts facts) {
        ZoneId theirs = clock(facts);
        return from.map(start -> Times.longDay(start.atZone(theirs)) + ", "
                        + Times.hours(start.atZone(theirs), until.orElse(start).atZone(theirs))
                        + " " + Times.city(theirs) + " time")
                .orElse("");
    }

    /** The clock a time is read on first: where it is held, or the person's own for what is held online. */
    private static ZoneId clock(Letters.Facts facts) {
        return facts.online() ? facts.personZone() : facts.sessionZone();
    }

    /** {@code Tue 16 Mar 22:00 Lisbon}, for where room is dear. */
    private static String startsShort(Letters.Facts facts) {
        ZoneId zone = clock(facts);
        return Times.dayAndTime(facts.start(), zone) + " " + Times.city(zone);
    }

    /** {@code Tue 16 Mar, 22:00–00:00 Lisbon time (19:00–21:00 in Halifax)}, the other way round where it is held. */
    private static String starts(Letters.Facts facts) {
        ZoneId zone = clock(facts);
        ZoneId other = facts.online() ? facts.sessionZone() : facts.personZone();
        ZonedDateTime start = facts.start().atZone(zone);
        String first = Times.longDay(start) + ", "
                + Times.hours(start, facts.end().atZone(zone)) + " " + Times.city(zone) + " time";
        ZonedDateTime there = facts.start().atZone(other);
        return there.getOffset().equals(start.getOffset())
                ? first
                : first + " (" + Times.hours(there, facts.end().atZone(other)) + " in " + Times.city(other) + ")";
    }

    /** Says times in another language than English. */
    static void sayIn(Locale language, Map<String, Object> values, Letters.Facts facts) {
        if (!language.getLanguage().equals(Locale.ENGLISH.getLanguage())) {
            ZoneId zone = clock(facts);
            ZoneId other = facts.online() ? facts.sessionZone() : facts.personZone();
            values.put("starts", Times.spoken(facts.start(), facts.end(), zone, other, language));
            values.put("starts_short", Times.spokenShort(facts.start(), zone, language));
        }
    }
}
