package jollyroster.signup;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import jollyroster.chart.SeatStrip;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.SeatCounts.SeatCount;
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
            String its = MONTH.format(s.start().atZone(facts.visitor()));
            dates.add(date(s, facts, open, open.size() > LONG_LIST && !its.equals(month) ? its : ""));
            month = its;
        }
        return dates;
    }

    private static Date date(Session s, Facts facts, List<Session> open, String month) {
        SeatCount count = facts.counts().getOrDefault(s.id(), SeatCount.NONE);
        int free = Math.max(0, s.seats() - s.keptBack() - count.taken());
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
                left(free, count, s.offering().waitlistAllowed()),
                facts.offering().isSeries() || s.id() == chosen(facts, open),
                take(free, count),
                SeatStrip.ofCounts(s.seats(), s.keptBack(), count.taken(), count.waitingPeople(), 13));
    }

    private static String where(Session s) {
        return s.isOnline() ? "Online" : s.place().isEmpty() ? "to be announced" : s.place();
    }

    private static String take(int free, SeatCount count) {
        if (free == 0) {
            return "Join the waitlist";
        }
        return count.waitingParties() > 0 ? "Register or join the waitlist" : "Register";
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

    static String when(Session s, ZoneId visitor, Instant now) {
        LocalDate today = now.atZone(visitor).toLocalDate();
        return Times.range(s.start(), s.end(), visitor, today);
    }

    static String here(Session s, ZoneId visitor) {
        boolean same = visitor.getRules()
                .getOffset(s.start())
                .equals(s.zone().getRules().getOffset(s.start()));
        if (same) {
            return "";
        }
        boolean sameDay =
                s.start().atZone(visitor).toLocalDate().equals(s.zonedStart().toLocalDate());
        String hours = Times.hours(s.zonedStart(), s.end().atZone(s.zone()));
        return (sameDay ? hours : Times.day(s.zonedStart()) + ", " + hours) + " in " + Times.city(s.zone());
    }

    private static String left(int free, SeatCount count, boolean waitlist) {
        if (free > 0 && count.waitingParties() == 0) {
            return free + " left";
        }
        if (free > 0) {
            return free + " left, " + count.waitingPeople() + " waiting";
        }
        if (!waitlist) {
            return "full";
        }
        return count.waitingPeople() == 0 ? "full, waitlist open" : "full, " + count.waitingPeople() + " waiting";
    }
}
