package jollyroster.signup;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import jollyroster.chart.SeatStrip;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.SeatsLeft;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import jollyroster.signup.OfferingPage.Date;
import jollyroster.signup.OfferingPage.Facts;

/** The dates people can choose on an offering's page, each with what is true of it alone. */
final class OfferingDates {

    private static final int LONG_LIST = 8;
    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH);

    private OfferingDates() {}

    static List<Date> of(Facts facts, List<Session> open) {
        List<Date> dates = new ArrayList<>();
        String month = "";
        for (Session s : open) {
            String its = MONTH.format(s.start().atZone(clock(s, facts.visitor())));
            dates.add(date(s, facts, open, open.size() > LONG_LIST && !its.equals(month) ? its : ""));
            month = its;
        }
        return dates;
    }

    private static Date date(Session s, Facts facts, List<Session> open, String month) {
        SeatCount count = facts.counts().getOrDefault(s.id(), SeatCount.NONE);
        SeatsLeft left = SeatsLeft.of(s, count);
        return new Date(
                s.id(),
                when(s, facts.visitor(), facts.now()),
                here(s, facts.visitor()),
                month,
                facts.toldTo() ? where(s) : "told with the invitation",
                facts.toldTo() ? s.venue().map(Venue::accessNote).orElse("") : "",
                Times.length(s.span().length()),
                HostQueries.names(
                        facts.hosts().getOrDefault(s.id(), List.of()),
                        s.offering().hostName()),
                left.words(),
                facts.offering().isSeries() || s.id() == chosen(facts, open),
                take(s.offering(), left.free(), count),
                left.told()
                        ? SeatStrip.ofCounts(s.seats(), s.keptBack(), count.taken(), count.waitingPeople(), 13)
                        : null);
    }

    private static String where(Session s) {
        return s.isOnline() ? "Online" : s.place().isEmpty() ? "to be announced" : s.place();
    }

    private static String take(Offering o, int free, SeatCount count) {
        if (free == 0) {
            return "Join the waitlist";
        }
        if (count.waitingParties() > 0) {
            return "Register or join the waitlist";
        }
        return o.front().button().isEmpty() ? "Register" : o.front().button();
    }

    /** The date asked for, else the first with free seats and nobody waiting, else the first. */
    static long chosen(Facts facts, List<Session> open) {
        return open.stream()
                .filter(s -> String.valueOf(s.id()).equals(facts.form().session()))
                .findFirst()
                .or(() -> open.stream().filter(s -> hasRoom(s, facts)).findFirst())
                .orElse(open.get(0))
                .id();
    }

    private static boolean hasRoom(Session s, Facts facts) {
        SeatCount count = facts.counts().getOrDefault(s.id(), SeatCount.NONE);
        return s.seats() - s.keptBack() > count.taken() && count.waitingParties() == 0;
    }

    /** The clock a time is read on first: where it is held, or the visitor's own for what is held online. */
    static ZoneId clock(Session s, ZoneId visitor) {
        return s.isOnline() ? visitor : s.zone();
    }

    /** {@code Tue 16 Mar, 19:00–21:00}, on that clock. */
    static String when(Session s, ZoneId visitor, Instant now) {
        ZoneId clock = clock(s, visitor);
        return Times.range(s.start(), s.end(), clock, now.atZone(clock).toLocalDate());
    }

    /** The same with the city of that clock. */
    static String whenThere(Session s, ZoneId visitor, Instant now) {
        return when(s, visitor, now) + " " + Times.city(clock(s, visitor)) + " time";
    }

    /** {@code 22:00–00:00 in Lisbon}, on the other of the two clocks; empty when both show the same. */
    static String here(Session s, ZoneId visitor) {
        ZoneId other = s.isOnline() ? s.zone() : visitor;
        ZonedDateTime first = s.start().atZone(clock(s, visitor));
        ZonedDateTime start = s.start().atZone(other);
        if (first.getOffset().equals(start.getOffset())) {
            return "";
        }
        String hours = Times.hours(start, s.end().atZone(other));
        boolean sameDay = first.toLocalDate().equals(start.toLocalDate());
        return (sameDay ? hours : Times.day(start) + ", " + hours) + " in " + Times.city(other);
    }
}
