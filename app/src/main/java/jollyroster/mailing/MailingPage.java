package jollyroster.mailing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** What the page of letters to many shows: sessions to choose, and the letters so far. */
@Component
class MailingPage {

    private static final Duration BACK = Duration.ofDays(60);
    private static final Duration AHEAD = Duration.ofDays(120);
    private static final int MOST = 30;
    private static final int LONGEST_SHOWN = 60;
    private final MailingQueries mailings;
    private final ProgrammeQueries programme;
    private final OutboxQueries outbox;
    private final OrganisationQueries organisation;
    private final Clock clock;

    MailingPage(
            MailingQueries mailings,
            ProgrammeQueries programme,
            OutboxQueries outbox,
            OrganisationQueries organisation,
            Clock clock) {
        this.mailings = mailings;
        this.programme = programme;
        this.outbox = outbox;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** A letter in the list. @param back whether some of it has not gone */
    public record Line(long id, String subject, String whom, String when, String counts, boolean back) {}

    /** A session to choose. */
    public record Choice(long id, String title, String when, boolean chosen) {}

    /** @param offering whose sessions; 0 for all */
    List<Choice> choices(List<Long> chosen, long offering) {
        Instant now = clock.instant();
        return Stream.concat(
                        programme.between(now, now.plus(AHEAD)).stream(),
                        programme.between(now.minus(BACK), now).stream()
                                .filter(s -> s.start().isBefore(now))
                                .sorted(Comparator.comparing(Session::start).reversed()))
                .filter(s -> s.lead() == null || s.book() == s.id())
                .filter(s -> offering == 0 || s.offering().id() == offering)
                .limit(LONGEST_SHOWN)
                .map(s -> choice(s, chosen))
                .toList();
    }

    List<Line> lines() {
        List<MailingQueries.Mailing> latest = mailings.latest(MOST);
        Map<Long, Map<MessageState, Integer>> counts = outbox.ofMailings(
                latest.stream().map(MailingQueries.Mailing::id).toList());
        return latest.stream()
                .map(m -> line(m, counts.getOrDefault(m.id(), Map.of())))
                .toList();
    }

    private static Choice choice(Session s, List<Long> chosen) {
        return new Choice(s.id(), s.offering().title(), Times.dayAndTime(s.start(), s.zone()), chosen.contains(s.id()));
    }

    private Line line(MailingQueries.Mailing m, Map<MessageState, Integer> counts) {
        int planned = counts.getOrDefault(MessageState.PLANNED, 0);
        String said = planned + " planned, " + counts.getOrDefault(MessageState.SENT, 0) + " sent, "
                + counts.getOrDefault(MessageState.FAILED, 0) + " failed, "
                + counts.getOrDefault(MessageState.WITHDRAWN, 0) + " taken back";
        return new Line(m.id(), m.subject(), m.whom(), Times.dayAndTime(m.due(), home()), said, planned > 0);
    }

    private ZoneId home() {
        return organisation.organisation().zone();
    }
}
