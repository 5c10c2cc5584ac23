package jollyroster.telling;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import jollyroster.outbox.LetterKind;
import jollyroster.platform.Actor;
import jollyroster.platform.Facts;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Role;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.team.TeamQueries;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Tells members of the team the news of the day at the hour they wish, and whoever leads sessions what the day brings. */
@Component
public class TellingWorker {

    private static final Logger LOG = LoggerFactory.getLogger(TellingWorker.class);
    private static final Actor ACTOR = new Actor.Program("news of the day");
    private static final LocalTime SHEETS = LocalTime.of(6, 0);
    private static final Duration STILL_OF_USE = Duration.ofHours(6);
    private static final Duration A_DAY = Duration.ofDays(1);
    private final TellingQueries tellings;
    private final NewsCommands news;
    private final DaySheets sheets;
    private final TeamQueries team;
    private final HostQueries hosts;
    private final OrganisationQueries organisation;
    private final Clock clock;

    TellingWorker(
            TellingQueries tellings,
            NewsCommands news,
            DaySheets sheets,
            TeamQueries team,
            HostQueries hosts,
            OrganisationQueries organisation,
            Clock clock) {
        this.tellings = tellings;
        this.news = news;
        this.sheets = sheets;
        this.team = team;
        this.hosts = hosts;
        this.organisation = organisation;
        this.clock = clock;
    }

    @Scheduled(fixedDelay = 60_000)
    void tick() {
        if (organisation.isSetUp()) {
            tellDue();
        }
    }

    /** Tells everybody what is due now. */
    public synchronized void tellDue() {
        for (TeamQueries.Mate mate : team.members()) {
            if (mate.active() && mate.joined()) {
                try {
                    sheet(mate);
                    news(mate);
                } catch (RuntimeException bad) {
                    LOG.error("Member {} was not told: {}", mate.id(), bad.toString());
                }
            }
        }
    }

    private void sheet(TeamQueries.Mate mate) {
        if (mate.role() == Role.HELPER || !tellings.wantsSheet(mate.id())) {
            return;
        }
        Instant due = Times.latest(SHEETS, home(), clock.instant());
        if (isNew(mate, LetterKind.DAY_SHEET, due)) {
            boolean use = clock.instant().isBefore(due.plus(STILL_OF_USE));
            Optional<Facts> sheet = use ? sheets.of(mate.id(), due, home()) : Optional.empty();
            news.ofDay(mate, LetterKind.DAY_SHEET, sheet, due, ACTOR);
        }
    }

    private void news(TeamQueries.Mate mate) {
        List<Wish> daily = tellings.of(mate.id()).stream()
                .filter(wish -> wish.dailyHour().isPresent())
                .toList();
        if (daily.isEmpty()) {
            return;
        }
        Instant due = Times.latest(LocalTime.of(daily.get(0).dailyHour().getAsInt(), 0), home(), clock.instant());
        if (isNew(mate, LetterKind.DAY_NEWS, due)) {
            Instant since = tellings.told(mate.id(), LetterKind.DAY_NEWS.name()).orElse(due.minus(A_DAY));
            news.ofDay(mate, LetterKind.DAY_NEWS, lines(mate, since, due), due, ACTOR);
        }
    }

    /** Of the offerings they wish to hear of daily. */
    private Optional<Facts> lines(TeamQueries.Mate mate, Instant since, Instant due) {
        Map<Long, Boolean> alone = tellings.of(mate.id()).stream()
                .collect(Collectors.toMap(
                        Wish::offering, wish -> wish.dailyHour().isPresent()));
        List<String> lines = tellings.moves(since, due).stream()
                .filter(move -> alone.getOrDefault(move.offering(), alone.getOrDefault(Wish.ALL, false)))
                .filter(move -> mate.role() == Role.ORGANISER || leads(mate, move.offering()))
                .map(TellingQueries.Move::words)
                .toList();
        return lines.isEmpty()
                ? Optional.empty()
                : Optional.of(Facts.of("day", Times.day(due.atZone(home()))).andLines("lines", lines));
    }

    private boolean leads(TeamQueries.Mate mate, long offering) {
        return hosts.ofOffering(offering).stream().anyMatch(host -> host.id() == mate.id());
    }

    private boolean isNew(TeamQueries.Mate mate, LetterKind kind, Instant due) {
        return tellings.told(mate.id(), kind.name())
                .map(told -> told.isBefore(due))
                .orElse(true);
    }

    private ZoneId home() {
        return organisation.organisation().zone();
    }
}
