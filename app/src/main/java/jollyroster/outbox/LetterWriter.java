package jollyroster.outbox;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.messages.Anchor;
import jollyroster.exchange.CalendarEntry;
import jollyroster.exchange.Calendars;
import jollyroster.platform.Address;
import jollyroster.platform.Facts;
import jollyroster.platform.Names;
import jollyroster.platform.Times;
import jollyroster.texting.ShortLinkCommands;
import org.springframework.stereotype.Component;

/** Writes letters: a template, and how things stand when the letter leaves. */
@Component
class LetterWriter {

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

    /** Letters that change nothing in a calendar. */
    private static final Set<Anchor> UNDATED = EnumSet.of(
            Anchor.WRITTEN,
            Anchor.RECEIPT,
            Anchor.REFUNDED,
            Anchor.SWAP_DECLINED,
            Anchor.NOT_IN,
            Anchor.ATTENDED,
            Anchor.PART,
            Anchor.ABSENT);

    /** What a letter may be given; a template can ask for all of it. */
    private static final Map<String, Object> NOT_GIVEN =
            Map.of("amount", "", "number", "", "back", "", "kept", "", Was.WORDS, "", Was.OTHER_DATE, false);

    /** What messages about money are given, for somebody made up. */
    private static final Facts SAMPLE_GIVEN = Facts.of("amount", "CAD 180.00")
            .and("number", "2027-0012")
            .and("back", "CAD 180.00")
            .and("kept", "");

    private final Templates templates;
    private final MailPage pages;
    private final Wordings wordings;
    private final AnswersGiven answers;
    private final NamedTextQueries texts;
    private final Address address;
    private final Calendars calendars;
    private final List<Enclosures> enclosures;
    private final ShortLinkCommands shortLinks;
    private final EntryWords entries;

    LetterWriter(
            Templates templates,
            MailPage pages,
            Wordings wordings,
            AnswersGiven answers,
            NamedTextQueries texts,
            Address address,
            Calendars calendars,
            List<Enclosures> enclosures,
            ShortLinkCommands shortLinks,
            EntryWords entries) {
        this.entries = entries;
        this.shortLinks = shortLinks;
        this.enclosures = List.copyOf(enclosures);
        this.templates = templates;
        this.pages = pages;
        this.wordings = wordings;
        this.answers = answers;
        this.texts = texts;
        this.address = address;
        this.calendars = calendars;
    }

    /** A letter about a registration; one that the organiser wrote brings its own words. */
    Letter about(DispatchCommands.Claim claim, Letters.Facts facts, Instant now) {
        Anchor anchor = claim.anchor();
        Wordings.Words words = anchor == Anchor.WRITTEN
                ? Wordings.Words.plain(templates.compile(claim.body()))
                : wordings.of(anchor, facts.about().offering());
        Map<String, Object> values = filled(claim, words, facts);
        String subject = words.subject(values, claim.subject());
        boolean seated = facts.standing() == Letters.Standing.SEATED;
        boolean dated = !UNDATED.contains(anchor) && (seated || facts.standing() == Letters.Standing.GONE);
        return new Letter(
                claim.key(),
                address.host(),
                facts.organisation(),
                facts.replyTo(),
                facts.email(),
                subject,
                words.body().text(values),
                page(words, subject, values, language(anchor, facts)),
                dated ? calendar(facts) : null,
                enclosures.stream()
                        .flatMap(some -> some.of(anchor, claim.given()).stream())
                        .toList(),
                anchor.isAnswer() ? null : facts.ownLink() + "/no-reminders",
                now);
    }

    /** All that the words of a message about a registration may name. */
    Map<String, Object> filled(DispatchCommands.Claim claim, Wordings.Words words, Letters.Facts facts) {
        Map<String, Object> values = values(facts, claim.given());
        put(values, words, facts, claim.registration());
        sayIn(language(claim.anchor(), facts), values, facts);
        return values;
    }

    /** Only words of an offering's own are in its language. */
    private Locale language(Anchor anchor, Letters.Facts facts) {
        return wordings.isOwn(anchor, facts.about().offering()) ? facts.about().language() : Locale.ENGLISH;
    }

    /** Says times in another language than English. */
    private static void sayIn(Locale language, Map<String, Object> values, Letters.Facts facts) {
        if (!language.getLanguage().equals(Locale.ENGLISH.getLanguage())) {
            ZoneId zone = clock(facts);
            ZoneId other = facts.online() ? facts.sessionZone() : facts.personZone();
            values.put("starts", Times.spoken(facts.start(), facts.end(), zone, other, language));
            values.put("starts_short", Times.spokenShort(facts.start(), zone, language));
        }
    }

    /** What a calendar is to do: follow what holds, or take out what no longer does. */
    private String calendar(Letters.Facts facts) {
        boolean gone = facts.calendar().stream().allMatch(CalendarEntry::cancelled);
        return gone ? calendars.cancel(facts.calendar(), facts.name(), facts.email()) : standing(facts);
    }

    /** A request can be answered, and is about one entry alone (RFC 5546, 3.2.2); a series is one file to look at. */
    private String standing(Letters.Facts facts) {
        boolean request = facts.standing() == Letters.Standing.SEATED
                && facts.calendar().size() == 1
                && entries.isRequest(facts.about().offering());
        return request
                ? calendars.requestOf(facts.calendar().get(0), facts.name(), facts.email())
                : calendars.publish(facts.title(), facts.calendar());
    }

    /** A letter to somebody who is on no session. */
    Letter standing(DispatchCommands.Claim claim, Letters.Sender from, Instant now) {
        Map<String, Object> values = new LinkedHashMap<>(NOT_GIVEN);
        values.putAll(claim.given().values());
        values.put("organisation", from.organisation());
        Templates.Body body = claim.kind().map(templates::of).orElseGet(() -> templates.compile(claim.body()));
        Optional<Wordings.Words> worded = claim.kind()
                .flatMap(kind -> wordings.ofLetter(kind, claim.given().number("offering")));
        if (worded.isPresent()) {
            return worded(claim, worded.get(), from, values, now);
        }
        boolean written =
                claim.kind().filter(kind -> kind == LetterKind.REHEARSED).isPresent();
        return new Letter(
                claim.key(),
                address.host(),
                from.organisation(),
                from.replyTo(),
                claim.recipient(),
                claim.subject(),
                body.text(values),
                written ? claim.given().text("html") : pages.of(claim.subject(), "", body.html(values), Locale.ENGLISH),
                claim.calendar().isEmpty() ? null : claim.calendar(),
                List.of(),
                null,
                now);
    }

    /** The same in the organiser's own words. */
    private Letter worded(
            DispatchCommands.Claim claim,
            Wordings.Words words,
            Letters.Sender from,
            Map<String, Object> values,
            Instant now) {
        SAMPLE_INVITED.keySet().forEach(name -> values.putIfAbsent(name, ""));
        String subject = words.subject(values, claim.subject());
        return new Letter(
                claim.key(),
                address.host(),
                from.organisation(),
                from.replyTo(),
                claim.recipient(),
                subject,
                words.body().text(values),
                page(words, subject, values, Locale.ENGLISH),
                claim.calendar().isEmpty() ? null : claim.calendar(),
                List.of(),
                null,
                now);
    }

    /** What a letter to somebody who is on no session yet may name, for somebody made up. */
    static final Map<String, Object> SAMPLE_INVITED = Map.of(
            "first_name", "Wren",
            "name", "Wren Skerry",
            "title", "Knots and splicing bench",
            "starts", "Tuesday 16 March 2027, 19:00–21:00 Halifax time",
            "more_dates", false,
            "place", "Saltmarrow quay",
            "answer_by", "Mon 15 Mar 12:00",
            "words", "",
            "organisation", "",
            "answer_link", "");

    /** Words for somebody who is on no session yet, filled in for somebody made up. @param link where they answer */
    LetterCheck.Mail previewInvited(Wording words, String link) {
        Map<String, Object> values = new HashMap<>(SAMPLE_INVITED);
        values.put("organisation", pages.sender());
        values.put("answer_link", link);
        Wordings.Words ready = wordings.compile(Anchor.INVITED, words);
        String subject = ready.subject(values, "");
        return new LetterCheck.Mail(
                subject,
                ready.preheader(values),
                ready.body().text(values),
                page(ready, subject, values, Locale.ENGLISH),
                "");
    }

    private String page(Wordings.Words words, String subject, Map<String, Object> values, Locale language) {
        return pages.of(subject, words.preheader(values), words.body().html(values), language);
    }

    /** What is read only where the words name it. What they name and is no more, such as a question, is empty. */
    private void put(Map<String, Object> values, Wordings.Words words, Letters.Facts facts, long registration) {
        put(
                values,
                words,
                Wordings.ANSWER,
                () -> answers.of(registration, facts.about().offering()));
        put(values, words, NamedTextQueries.TEXT, texts::house);
        put(values, words, NamedTextQueries.HOST, () -> texts.host(facts.about().leaders()));
    }

    private static void put(
            Map<String, Object> values, Wordings.Words words, String kind, Supplier<Map<String, String>> known) {
        List<String> named = words.named(kind);
        if (!named.isEmpty()) {
            Map<String, String> all = new HashMap<>(known.get());
            named.forEach(name -> all.putIfAbsent(name, ""));
            values.put(kind.substring(0, kind.length() - 1), all);
        }
    }

    /** The names a letter about a registration may use. */
    static Set<String> names() {
        return values(SAMPLE, Facts.none()).keySet();
    }

    /** The conditions that may hold or not for those who get the same message. */
    static final List<String> CONDITIONS = List.of("online", "first_time", "is_series", "racing", "at_once");

    /**
     * Words filled in for somebody made up, all links being one.
     *
     * @param holding which of the conditions hold
     * @param named the questions that may be named
     */
    String sample(Wording words, String link, Set<String> holding, Set<String> named) {
        Map<String, Object> values = values(SAMPLE, SAMPLE_GIVEN);
        CONDITIONS.forEach(condition -> values.put(condition, holding.contains(condition)));
        Stream.of("join_link", "own_link", "confirm_link", "ticket_link").forEach(name -> values.put(name, link));
        values.put("answer", named.stream().collect(Collectors.toMap(name -> name, name -> "")));
        values.put("text", texts.house());
        values.put("host", texts.host(List.of()));
        return templates.compile(words.body()).text(values);
    }

    /** A message as somebody would read it. @param own whether the words are those of an offering itself */
    LetterCheck.Mail preview(Anchor anchor, Wording words, boolean own, Letters.Facts facts, long registration) {
        Locale language = own ? facts.about().language() : Locale.ENGLISH;
        Map<String, Object> values = values(facts, SAMPLE_GIVEN);
        Wordings.Words ready = wordings.compile(anchor, words);
        put(values, ready, facts, registration);
        sayIn(language, values, facts);
        String subject = ready.subject(values, "");
        return new LetterCheck.Mail(
                subject,
                ready.preheader(values),
                ready.body().text(values),
                page(ready, subject, values, language),
                ready.asText()
                        .map(text -> TextWriter.fill(text, values, link -> shortLinks.sample()))
                        .orElse(""));
    }

    /** A text as one person would read it, as HTML. */
    String preview(String body, Letters.Facts facts) {
        return templates.compile(body).html(values(facts, Facts.none()));
    }

    /** A letter to somebody who is on no session, as they would read it. */
    LetterCheck.Read preview(LetterKind kind, Facts given, String organisation) {
        Map<String, Object> values = new LinkedHashMap<>(NOT_GIVEN);
        values.putAll(given.values());
        values.put("organisation", organisation);
        return new LetterCheck.Read(
                templates.subject(kind, values), templates.of(kind).html(values));
    }

    private static Map<String, Object> values(Letters.Facts facts, Facts given) {
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
}
