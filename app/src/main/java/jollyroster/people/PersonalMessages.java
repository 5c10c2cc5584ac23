package jollyroster.people;

import java.time.ZoneId;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What was and will be written to a person about their registrations. */
@Component
class PersonalMessages {

    private final OutboxQueries outbox;
    private final OrganisationQueries organisation;

    PersonalMessages(OutboxQueries outbox, OrganisationQueries organisation) {
        this.outbox = outbox;
        this.organisation = organisation;
    }

    /** One message. @param why it was withdrawn or failed; empty otherwise */
    public record Line(long id, String when, String what, String title, String state, String why) {}

    /** The latest first; what is planned comes before what has gone. */
    List<Line> of(Collection<Long> registrations, Map<Long, Session> sessions, int most) {
        ZoneId home = organisation.organisation().zone();
        return outbox.about(registrations, most).stream()
                .map(item -> new Line(
                        item.id(),
                        Times.dayAndTime(item.done().orElse(item.due()), home),
                        MessageWords.of(item),
                        title(sessions.get(item.session())),
                        item.state().name().toLowerCase(Locale.ROOT),
                        item.reason()))
                .toList();
    }

    private static String title(@Nullable Session session) {
        return session == null ? "" : session.offering().title();
    }
}
