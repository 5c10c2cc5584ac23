package jollyroster.sheet;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import jollyroster.chart.SeatStrip;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SeatCounts;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Puts the dates of a sheet together, for the section that is open. */
@Component
class DatesAssembler {

    private static final int MOST_SHOWN = 40;
    private static final int WEEKS_TO_PICK_FROM = 10;
    private final ProgrammeQueries queries;
    private final HostQueries hosts;
    private final SeatCounts counts;

    DatesAssembler(ProgrammeQueries queries, HostQueries hosts, SeatCounts counts) {
        this.queries = queries;
        this.hosts = hosts;
        this.counts = counts;
    }

    /** A date on the sheet. @param differs what it says otherwise than the offering; empty for nothing */
    record Date(
            long id,
            String when,
            boolean cancelled,
            String words,
            String differs,
            String outlook,
            SeatStrip strip,
            boolean removable) {}

    /** A week to pick days from. @param month the month's name where it begins, else empty */
    record Week(String month, List<Day> days) {}

    /** @param date ISO @param typed as it is typed into the dates @param words for people who do not see the week */
    record Day(String date, int number, String typed, String words, boolean past, boolean taken) {}

    /** @param more dates to come that are not shown @param past dates that have passed */
    record View(List<Date> dates, int more, int past, String zoneCity, List<Week> weeks, List<Offering> others) {}

    /** Adds {@code dates}, in a draft those that have passed too, to be removed, and nothing typed unless something is. */
    void add(Model model, Offering offering, Instant now) {
        List<Session> all = queries.sessionsOf(offering.id());
        List<Session> listed = all.stream()
                .filter(s -> s.end().isAfter(now) || offering.status() == OfferingStatus.DRAFT)
                .toList();
        List<Session> shown = listed.stream().limit(MOST_SHOWN).toList();
        Map<Long, SeatCount> taken = counts.of(shown.stream().map(Session::id).toList());
        Map<Long, List<Host>> leaders = hosts.of(shown);
        model.addAttribute(
                "dates",
                new View(
                        shown.stream()
                                .map(s -> date(s, taken.get(s.id()), leaders.get(s.id()), now))
                                .toList(),
                        listed.size() - shown.size(),
                        all.size() - listed.size(),
                        Times.city(offering.zone()),
                        weeks(offering, all, now),
                        others(offering)));
        if (!model.containsAttribute("typed")) {
            model.addAttribute("typed", TypedDatesView.NOTHING);
        }
    }

    private List<Offering> others(Offering offering) {
        return queries.offerings().stream().filter(o -> o.id() != offering.id()).toList();
    }

    private static String seats(Session s, SeatCount count) {
        return s.seats() == 0 ? "no seats yet" : count.taken() + " of " + s.seats();
    }

    private static Date date(Session s, SeatCount count, List<Host> hosts, Instant now) {
        SeatStrip strip = SeatStrip.ofCounts(s.seats(), s.keptBack(), count.taken(), count.waitingPeople(), 7);
        return new Date(
                s.id(),
                Times.range(s.start(), s.end(), s.zone(), now.atZone(s.zone()).toLocalDate()),
                s.cancelled(),
                (s.end().isAfter(now) ? seats(s, count) : "has passed")
                        + (count.waitingParties() > 0 ? ", " + count.waitingPeople() + " waiting" : ""),
                differs(s, hosts),
                OutlookWords.of(s, count.taken(), now),
                strip,
                count.equals(SeatCount.NONE));
    }

    private static String differs(Session s, List<Host> hosts) {
        String venue = s.own().venue().map(Venue::name).orElse("");
        String with = s.own().hosts() ? "with " + HostQueries.names(hosts, "") : "";
        return venue + (venue.isEmpty() || with.isEmpty() ? "" : ", ") + with;
    }

    private static List<Week> weeks(Offering offering, List<Session> sessions, Instant now) {
        var today = now.atZone(offering.zone()).toLocalDate();
        var monday = today.minusDays(today.getDayOfWeek().getValue() - 1L);
        var taken = sessions.stream()
                .filter(s -> !s.cancelled())
                .map(s -> s.start().atZone(offering.zone()).toLocalDate())
                .distinct()
                .toList();
        return IntStream.range(0, WEEKS_TO_PICK_FROM)
                .mapToObj(week -> IntStream.range(0, 7)
                        .mapToObj(day -> monday.plusDays(week * 7L + day))
                        .map(date -> new Day(
                                date.toString(),
                                date.getDayOfMonth(),
                                Times.dayAndYear(date),
                                Times.dayAndYear(date),
                                date.isBefore(today),
                                taken.contains(date)))
                        .toList())
                .map(days -> new Week(month(days), days))
                .toList();
    }

    /** The name of the month that begins in this week; empty when none does. */
    private static String month(List<Day> days) {
        return days.stream()
                .filter(day -> day.number() == 1)
                .findFirst()
                .map(day -> day.words().split(" ")[2])
                .orElse("");
    }
}
