package jollyroster.people;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.messages.Channel;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import jollyroster.texting.AgreementQueries;
import jollyroster.texting.TextLogQueries;
import jollyroster.texting.TextOutcome;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What was and will be written to a person about their registrations. */
@Component
class PersonalMessages {

    private static final int MOST_REPLIES = 20;
    private final OutboxQueries outbox;
    private final TextLogQueries texts;
    private final AgreementQueries agreements;
    private final ReceivedQueries mails;
    private final OrganisationQueries organisation;

    PersonalMessages(
            OutboxQueries outbox,
            TextLogQueries texts,
            AgreementQueries agreements,
            ReceivedQueries mails,
            OrganisationQueries organisation) {
        this.texts = texts;
        this.agreements = agreements;
        this.mails = mails;
        this.outbox = outbox;
        this.organisation = organisation;
    }

    /** One message. @param why it was withdrawn or failed, or what became of a text; empty otherwise */
    public record Line(long id, String when, String what, String title, String state, String why) {}

    /** The latest first; what is planned comes before what has gone. */
    List<Line> of(Collection<Long> registrations, Map<Long, Session> sessions, int most) {
        ZoneId home = organisation.organisation().zone();
        List<OutboxQueries.Item> items = outbox.about(registrations, most);
        Map<Long, TextLogQueries.Sent> sent = texts.sent(items.stream()
                .filter(item -> item.channel() == Channel.TEXT)
                .map(OutboxQueries.Item::id)
                .toList());
        return items.stream()
                .map(item -> new Line(
                        item.id(),
                        Times.dayAndTime(item.done().orElse(item.due()), home),
                        MessageWords.of(item),
                        title(sessions.get(item.session())),
                        item.state().name().toLowerCase(Locale.ROOT),
                        outcome(item, sent, home)))
                .toList();
    }

    private static String outcome(OutboxQueries.Item item, Map<Long, TextLogQueries.Sent> sent, ZoneId home) {
        boolean known = item.reason().isEmpty() && sent.containsKey(item.id());
        return known ? TextOutcome.of(sent.get(item.id()), home) : item.reason();
    }

    /** Something that came from a person. @param outcome what was made of it; empty for nothing @param open whether it is to be read */
    public record Reply(String address, Instant at, String when, String words, String outcome, boolean open) {}

    /** What they wrote back, the latest first. */
    List<Reply> replies(long person) {
        ZoneId home = organisation.organisation().zone();
        Stream<Reply> byText = texts.ofPerson(person, MOST_REPLIES).stream()
                .map(r -> new Reply(
                        "/desk/texts/" + r.id() + "/read",
                        r.at(),
                        Times.dayAndTime(r.at(), home) + " by text",
                        r.body(),
                        r.outcome(),
                        r.open()));
        Stream<Reply> byMail = mails.ofPerson(person, MOST_REPLIES).stream()
                .map(m -> new Reply(
                        "/desk/mails/" + m.id() + "/read",
                        m.at(),
                        Times.dayAndTime(m.at(), home) + ", " + m.subject(),
                        m.body(),
                        m.outcome(),
                        m.open()));
        return Stream.concat(byText, byMail)
                .sorted(Comparator.comparing(Reply::at).reversed())
                .limit(MOST_REPLIES)
                .toList();
    }

    /** Why mail to an address comes back, in words; empty where it does not. */
    String bounced(String email) {
        return mails.bounced(email)
                .map(why -> "Mail to " + email + " does not arrive: " + why + ".")
                .orElse("");
    }

    /** Why texts do not go to their numbers, in words; empty where they go. */
    String silent(Collection<Long> registrations) {
        List<String> numbers = agreements.of(registrations).values().stream()
                .map(AgreementQueries.Agreement::number)
                .distinct()
                .toList();
        return agreements.silent(numbers).values().stream()
                .map(s -> "No texts to " + s.number() + ": " + s.why() + ".")
                .collect(Collectors.joining(" "));
    }

    private static String title(@Nullable Session session) {
        return session == null ? "" : session.offering().title();
    }
}
