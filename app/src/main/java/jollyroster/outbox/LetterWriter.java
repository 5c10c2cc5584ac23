package jollyroster.outbox;

import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import jollyroster.core.messages.Anchor;
import jollyroster.exchange.CalendarEntry;
import jollyroster.exchange.Calendars;
import jollyroster.platform.Address;
import org.springframework.stereotype.Component;

/** Writes letters: a template, and how things stand when the letter leaves. */
@Component
class LetterWriter {

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

    private final Templates templates;
    private final MailPage pages;
    private final Wordings wordings;
    private final NamedValues named;
    private final Address address;
    private final Calendars calendars;
    private final List<Enclosures> enclosures;
    private final EntryWords entries;

    LetterWriter(
            Templates templates,
            MailPage pages,
            Wordings wordings,
            NamedValues named,
            Address address,
            Calendars calendars,
            List<Enclosures> enclosures,
            EntryWords entries) {
        this.entries = entries;
        this.enclosures = List.copyOf(enclosures);
        this.templates = templates;
        this.pages = pages;
        this.wordings = wordings;
        this.named = named;
        this.address = address;
        this.calendars = calendars;
    }

    /** A letter about a registration; one that the organiser wrote brings its own words. */
    Letter about(Claim claim, Letters.Facts facts, Instant now) {
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
                pages.of(words, subject, values, language(anchor, facts)),
                dated ? calendar(facts) : null,
                enclosures.stream()
                        .flatMap(some -> some.of(anchor, claim.given()).stream())
                        .toList(),
                anchor.isAnswer() ? null : facts.ownLink() + "/no-reminders",
                now);
    }

    /** All that the words of a message about a registration may name. */
    Map<String, Object> filled(Claim claim, Wordings.Words words, Letters.Facts facts) {
        Map<String, Object> values = LetterValues.of(facts, claim.given());
        named.put(values, words, facts, claim.registration());
        LetterValues.sayIn(language(claim.anchor(), facts), values, facts);
        return values;
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

    /**
     * A letter to somebody who is on no session: in the organiser's own words, which may name more than is given, in those that ship, or in
     * those it brings.
     */
    Letter standing(Claim claim, Letters.Sender from, Instant now) {
        Optional<Wordings.Words> own = claim.kind()
                .flatMap(kind -> wordings.ofLetter(kind, claim.given().number("offering")));
        Wordings.Words words = own.orElseGet(() ->
                Wordings.Words.plain(claim.kind().map(templates::of).orElseGet(() -> templates.compile(claim.body()))));
        Map<String, Object> values = LetterValues.standing(claim.given(), from.organisation());
        own.ifPresent(any -> LetterPreviews.SAMPLE_INVITED.keySet().forEach(name -> values.putIfAbsent(name, "")));
        String subject = words.subject(values, claim.subject());
        boolean written = claim.kind().equals(Optional.of(LetterKind.REHEARSED));
        return new Letter(
                claim.key(),
                address.host(),
                from.organisation(),
                from.replyTo(),
                claim.recipient(),
                subject,
                words.body().text(values),
                written ? claim.given().text("html") : pages.of(words, subject, values, Locale.ENGLISH),
                claim.calendar().isEmpty() ? null : claim.calendar(),
                List.of(),
                null,
                now);
    }

    /** Only words of an offering's own are in its language. */
    private Locale language(Anchor anchor, Letters.Facts facts) {
        return wordings.isOwn(anchor, facts.about().offering()) ? facts.about().language() : Locale.ENGLISH;
    }
}
