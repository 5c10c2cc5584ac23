package jollyroster.outbox;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.MustacheException;
import com.samskivert.mustache.Template;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import jollyroster.core.messages.Anchor;
import jollyroster.exchange.Calendars;
import jollyroster.platform.Address;
import jollyroster.platform.Markdown;
import jollyroster.platform.Times;
import org.springframework.stereotype.Component;

/**
 * Writes letters. A template is Mustache over Markdown; the text part shows the Markdown as it is, the HTML part renders
 * it. Values are escaped for Markdown before they are rendered, so that nobody's name becomes a link.
 */
@Component
class LetterWriter {

    private static final Pattern MARKDOWN_SIGNS = Pattern.compile("([\\\\`*_{}\\[\\]()#+.!<>|~&-])");
    private static final Pattern ANGLES = Pattern.compile("<(https?://[^>]+)>");
    private final Map<Anchor, Template> asText = new EnumMap<>(Anchor.class);
    private final Map<Anchor, Template> asMarkdown = new EnumMap<>(Anchor.class);
    private final Template page;
    private final Mustache.Compiler plain;
    private final Mustache.Compiler marked;
    private final Address address;
    private final Calendars calendars;

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
            new Letters.Offer(Optional.empty(), false, false, "", ""));

    LetterWriter(Address address, Calendars calendars) {
        this.address = address;
        this.calendars = calendars;
        this.plain = Mustache.compiler().escapeHTML(false).strictSections(true);
        this.marked = plain.withEscaper(value -> MARKDOWN_SIGNS.matcher(value).replaceAll("\\\\$1"));
        for (Anchor anchor : Anchor.values()) {
            if (anchor == Anchor.LETTER || anchor == Anchor.WRITTEN) {
                continue;
            }
            String source = read(anchor.name().toLowerCase().replace('_', '-') + ".md");
            asText.put(anchor, plain.compile(source));
            asMarkdown.put(anchor, marked.compile(source));
        }
        this.page = Mustache.compiler().compile(read("page.html"));
    }

    Letter write(String key, Anchor anchor, String subject, Letters.Facts facts, Instant now) {
        return write(key, anchor, subject, asText.get(anchor), asMarkdown.get(anchor), facts, now);
    }

    /** A letter that the organiser wrote. */
    Letter written(DispatchCommands.Claim claim, Letters.Facts facts, Instant now) {
        return write(
                claim.key(),
                claim.anchor(),
                claim.subject(),
                plain.compile(claim.body()),
                marked.compile(claim.body()),
                facts,
                now);
    }

    /** What is wrong with a text that is to be a letter: the first name that is not known, or where it breaks off. */
    Optional<String> problem(String body) {
        try {
            plain.compile(body).execute(values(SAMPLE));
            return Optional.empty();
        } catch (MustacheException e) {
            return Optional.of(String.valueOf(e.getMessage()));
        }
    }

    private Letter write(
            String key,
            Anchor anchor,
            String subject,
            Template plainText,
            Template markdown,
            Letters.Facts facts,
            Instant now) {
        Map<String, Object> values = values(facts);
        String text = ANGLES.matcher(plainText.execute(values)).replaceAll("$1");
        String html = Markdown.render(markdown.execute(values));
        boolean seated = facts.standing() == Letters.Standing.SEATED;
        return new Letter(
                key,
                address.host(),
                facts.organisation(),
                facts.replyTo(),
                facts.email(),
                subject,
                text,
                page.execute(Map.of("title", subject, "body", html, "organisation", facts.organisation())),
                anchor != Anchor.WRITTEN && (seated || facts.standing() == Letters.Standing.GONE)
                        ? calendars.publish(facts.title(), facts.calendar())
                        : null,
                anchor.isAnswer() ? null : facts.ownLink() + "/no-reminders",
                now);
    }

    /** A letter whose body was written beforehand. */
    Letter plain(DispatchCommands.Claim claim, Letters.Sender from, Instant now) {
        return new Letter(
                claim.key(),
                address.host(),
                from.organisation(),
                from.replyTo(),
                claim.recipient(),
                claim.subject(),
                ANGLES.matcher(claim.body()).replaceAll("$1"),
                page.execute(Map.of(
                        "title", claim.subject(),
                        "body", Markdown.render(claim.body()),
                        "organisation", from.organisation())),
                claim.calendar().isEmpty() ? null : claim.calendar(),
                null,
                now);
    }

    private static Map<String, Object> values(Letters.Facts facts) {
        Map<String, Object> values = new LinkedHashMap<>();
        values.put("first_name", firstName(facts.name()));
        values.put("name", facts.name());
        values.put("title", facts.title());
        values.put("starts", starts(facts));
        values.put("place", facts.place());
        values.put("online", facts.online());
        values.put("join_link", facts.joinLink());
        values.put("own_link", facts.ownLink());
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
        return values;
    }

    /** {@code Tue 16 Mar, 22:00–00:00 Lisbon time (19:00–21:00 in Halifax)}. */
    private static String starts(Letters.Facts facts) {
        ZoneId theirs = facts.personZone();
        ZonedDateTime start = facts.start().atZone(theirs);
        String there =
                Times.longDay(start) + ", " + Times.hours(start, facts.end().atZone(theirs));
        ZonedDateTime here = facts.start().atZone(facts.sessionZone());
        if (here.getOffset().equals(start.getOffset())) {
            return there + " " + Times.city(theirs) + " time";
        }
        return there + " " + Times.city(theirs) + " time ("
                + Times.hours(here, facts.end().atZone(facts.sessionZone())) + " in " + Times.city(facts.sessionZone())
                + ")";
    }

    private static String firstName(String name) {
        int space = name.indexOf(' ');
        return space < 0 ? name : name.substring(0, space);
    }

    private static String read(String file) {
        try (InputStream in = LetterWriter.class.getResourceAsStream("/messages/" + file)) {
            if (in == null) {
                throw new IllegalStateException("No message template " + file);
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
