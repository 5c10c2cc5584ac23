package jollyroster.hosting;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import jollyroster.core.dates.Interval;
import jollyroster.exchange.CalendarReader;
import jollyroster.exchange.RemoteCalendars;
import jollyroster.platform.Actor;
import jollyroster.platform.OrganisationQueries;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Reads calendars of hosts: a file once, an address now and then ({@link BusyCommands#EVERY}). */
@Component
public class BusyReading {

    private static final Actor ACTOR = new Actor.Program("calendars");
    private static final Logger LOG = LoggerFactory.getLogger(BusyReading.class);
    private static final Duration BACK = Duration.ofDays(31);
    private static final Duration AHEAD = Duration.ofDays(400);
    private static final int BATCH = 20;
    private final BusyQueries queries;
    private final BusyCommands commands;
    private final RemoteCalendars remote;
    private final OrganisationQueries organisation;
    private final Clock clock;

    BusyReading(
            BusyQueries queries,
            BusyCommands commands,
            RemoteCalendars remote,
            OrganisationQueries organisation,
            Clock clock) {
        this.queries = queries;
        this.commands = commands;
        this.remote = remote;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** Why a calendar was not taken, in words. */
    public static final class NotRead extends Exception {
        private static final long serialVersionUID = 1L;

        NotRead(String why) {
            super(why);
        }
    }

    /** Takes a file in. @return how many busy times it holds */
    public int takeFile(long host, String name, String text, CalendarSettings settings, Actor actor) throws NotRead {
        Blocks read = blocks(text, settings);
        commands.add(host, name, "", settings, read.spans(), read.notPlaced(), actor);
        return read.spans().size();
    }

    /** Takes a calendar at an address in. @return how many busy times it holds */
    public int takeAddress(long host, String name, String address, CalendarSettings settings, Actor actor)
            throws NotRead {
        Blocks read = blocks(fetch(address), settings);
        commands.add(host, name, address, settings, read.spans(), read.notPlaced(), actor);
        return read.spans().size();
    }

    private String fetch(String address) throws NotRead {
        try {
            return remote.fetch(address);
        } catch (RemoteCalendars.NotFetched e) {
            throw new NotRead(String.valueOf(e.getMessage()));
        }
    }

    /** What was read. @param notPlaced what had to be left out, in words; empty for nothing */
    private record Blocks(List<Interval> spans, String notPlaced) {}

    private Blocks blocks(String text, CalendarSettings settings) throws NotRead {
        Instant now = clock.instant();
        CalendarReader.Reading reading = CalendarReader.read(
                text,
                new Interval(now.minus(BACK), now.plus(AHEAD)),
                settings.zone().orElseGet(() -> organisation.organisation().zone()),
                settings.counts());
        if (reading instanceof CalendarReader.Reading.Refused refused) {
            throw new NotRead(refused.because().words());
        }
        CalendarReader.Reading.Read read = (CalendarReader.Reading.Read) reading;
        List<Interval> spans = read.events().stream()
                .map(CalendarReader.Event::span)
                .filter(span -> !span.length().isZero())
                .distinct()
                .toList();
        return new Blocks(spans, read.notPlaced());
    }

    /** Reads again every calendar that is due. */
    @Scheduled(fixedDelay = 60_000, initialDelay = 30_000)
    void readDue() {
        for (BusyQueries.Calendar calendar : queries.due(clock.instant(), BATCH)) {
            try {
                Blocks read = blocks(fetch(calendar.address()), calendar.settings());
                commands.readAgain(calendar.id(), read.spans(), read.notPlaced(), ACTOR);
            } catch (NotRead e) {
                LOG.warn("The calendar {} could not be read: {}", calendar.id(), e.getMessage());
                commands.notRead(calendar.id(), String.valueOf(e.getMessage()), ACTOR);
            } catch (RuntimeException bad) {
                LOG.error("The calendar {} could not be read: {}", calendar.id(), bad.toString());
                commands.notRead(calendar.id(), "The calendar could not be read.", ACTOR);
            }
        }
    }
}
