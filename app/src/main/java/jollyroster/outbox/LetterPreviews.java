package jollyroster.outbox;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.messages.Anchor;
import jollyroster.platform.Facts;
import jollyroster.texting.ShortLinkCommands;
import org.springframework.stereotype.Component;

/** Letters as they would be read, of somebody registered or somebody made up; nothing of it is sent. */
@Component
class LetterPreviews {

    /** What messages about money are given, for somebody made up. */
    private static final Facts SAMPLE_GIVEN = Facts.of("amount", "CAD 180.00")
            .and("number", "2027-0012")
            .and("back", "CAD 180.00")
            .and("kept", "");

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

    /** The conditions that may hold or not for those who get the same message. */
    static final List<String> CONDITIONS = List.of("online", "first_time", "is_series", "racing", "at_once");

    private final Templates templates;
    private final MailPage pages;
    private final Wordings wordings;
    private final NamedValues named;
    private final NamedTextQueries texts;
    private final ShortLinkCommands shortLinks;

    LetterPreviews(
            Templates templates,
            MailPage pages,
            Wordings wordings,
            NamedValues named,
            NamedTextQueries texts,
            ShortLinkCommands shortLinks) {
        this.templates = templates;
        this.pages = pages;
        this.wordings = wordings;
        this.named = named;
        this.texts = texts;
        this.shortLinks = shortLinks;
    }

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
                pages.of(ready, subject, values, Locale.ENGLISH),
                "");
    }

    /**
     * Words filled in for somebody made up, all links being one.
     *
     * @param holding which of the conditions hold
     * @param named the questions that may be named
     */
    String sample(Wording words, String link, Set<String> holding, Set<String> named) {
        Map<String, Object> values = LetterValues.sample(SAMPLE_GIVEN);
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
        Map<String, Object> values = LetterValues.of(facts, SAMPLE_GIVEN);
        Wordings.Words ready = wordings.compile(anchor, words);
        named.put(values, ready, facts, registration);
        LetterValues.sayIn(language, values, facts);
        String subject = ready.subject(values, "");
        return new LetterCheck.Mail(
                subject,
                ready.preheader(values),
                ready.body().text(values),
                pages.of(ready, subject, values, language),
                ready.asText()
                        .map(text -> TextWriter.fill(text, values, link -> shortLinks.sample()))
                        .orElse(""));
    }

    /** A text as one person would read it, as HTML. */
    String preview(String body, Letters.Facts facts) {
        return templates.compile(body).html(LetterValues.of(facts, Facts.none()));
    }

    /** A letter to somebody who is on no session, as they would read it. */
    LetterCheck.Read preview(LetterKind kind, Facts given, String organisation) {
        Map<String, Object> values = LetterValues.standing(given, organisation);
        return new LetterCheck.Read(
                templates.subject(kind, values), templates.of(kind).html(values));
    }
}
