package jollyroster.signup;

import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import jollyroster.chart.Tide;
import jollyroster.core.openhours.HostChoice;
import jollyroster.owntime.OpenTime;
import jollyroster.owntime.TimesQueries;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.Venue;
import org.springframework.stereotype.Component;

/** Puts together what a visitor picks a time from: a week of days, on their clock. */
@Component
class PickPages {

    private static final int WEEK = 7;
    private static final int HORIZON = 62;
    private static final int NOON = 12;
    private static final int EVENING = 18;
    private static final DateTimeFormatter SENT = DateTimeFormatter.ISO_OFFSET_DATE_TIME;
    private final TimesQueries times;
    private final OwnTimeQueries ownTime;
    private final HostQueries hosts;

    PickPages(TimesQueries times, OwnTimeQueries ownTime, HostQueries hosts) {
        this.times = times;
        this.ownTime = ownTime;
        this.hosts = hosts;
    }

    /** What was asked for, as it came. @param from a day @param host a number @param start ISO 8601 with offset */
    record Asked(String from, String host, String start) {

        Optional<Instant> moment() {
            try {
                return Optional.of(OffsetDateTime.parse(start.replace(' ', '+')))
                        .filter(at -> isYear(at.getYear()))
                        .map(OffsetDateTime::toInstant);
            } catch (DateTimeParseException none) {
                return Optional.empty();
            }
        }

        /** What nobody means is not worked out. */
        private static boolean isYear(int year) {
            return year >= 2000 && year < 2200;
        }

        Optional<Long> hostNumber() {
            return host.matches("\\d{1,15}") ? Optional.of(Long.parseLong(host)) : Optional.empty();
        }

        Optional<LocalDate> day() {
            try {
                return Optional.of(LocalDate.parse(from)).filter(d -> isYear(d.getYear()));
            } catch (DateTimeParseException none) {
                return Optional.empty();
            }
        }
    }

    PickView of(Offering o, Asked asked, ZoneId visitor, Instant now) {
        OwnTime own = ownTime.of(o.id());
        boolean chooses = own.choice() == HostChoice.ATTENDEES_CHOICE;
        Optional<Long> only = chooses ? asked.hostNumber() : Optional.empty();
        LocalDate today = now.atZone(o.zone()).toLocalDate();
        LocalDate last = own.rules(o).lastDay(now, o.zone());
        LocalDate until = last.isAfter(today.plusDays(HORIZON)) ? today.plusDays(HORIZON) : last.plusDays(1);
        List<OpenTime> all = times.between(o, today, until, only, now);
        LocalDate firstFree = all.isEmpty()
                ? now.atZone(visitor).toLocalDate()
                : all.get(0).start().withZoneSameInstant(visitor).toLocalDate();
        LocalDate from = asked.moment()
                .map(at -> at.atZone(visitor).toLocalDate())
                .filter(day -> asked.day().isEmpty())
                .or(asked::day)
                .orElse(firstFree);
        List<PickView.Day> days = IntStream.range(0, WEEK)
                .mapToObj(i -> day(o, from.plusDays(i), all, asked, visitor))
                .toList();
        return new PickView(
                all.isEmpty() ? "" : Times.dayAndTime(all.get(0).start().toInstant(), visitor),
                tide(days, from, all, visitor).markup(sentence(days)),
                days,
                from.isAfter(firstFree) ? address(o, from.minusDays(WEEK), only) : "",
                all.stream().anyMatch(t -> !dayOf(t, visitor).isBefore(from.plusDays(WEEK)))
                        ? address(o, from.plusDays(WEEK), only)
                        : "",
                chooses ? choices(o, from, asked) : List.of(),
                chosen(o, own, all, asked, visitor).orElse(null));
    }

    /** A time that was picked, as the page that thanks for it says it: where it is held on that clock, else on the visitor's. */
    static ThanksController.WhenAndWhere whenAndWhere(Offering o, Instant start, ZoneId visitor) {
        boolean online = o.venue().map(Venue::isOnline).orElse(false);
        ZonedDateTime first = start.atZone(online ? visitor : o.zone());
        ZonedDateTime other = start.atZone(online ? o.zone() : visitor);
        String when = Times.day(first) + ", " + Times.hours(first, first.plusMinutes(o.minutes())) + " "
                + Times.city(first.getZone()) + " time";
        boolean same = first.getOffset().equals(other.getOffset());
        return new ThanksController.WhenAndWhere(
                when,
                same ? "" : Times.dayAndTime(start, other.getZone()) + " in " + Times.city(other.getZone()),
                List.of(),
                online ? "Online" : o.place(),
                o.venue().map(Venue::accessNote).orElse(""));
    }

    private static LocalDate dayOf(OpenTime time, ZoneId visitor) {
        return time.start().withZoneSameInstant(visitor).toLocalDate();
    }

    private static String address(Offering o, LocalDate from, Optional<Long> only) {
        return "/p/" + o.slug() + "?from=" + from
                + only.map(id -> "&host=" + id).orElse("");
    }

    private List<PickView.Choice> choices(Offering o, LocalDate from, Asked asked) {
        List<PickView.Choice> choices = new ArrayList<>();
        choices.add(new PickView.Choice(
                "anybody",
                address(o, from, Optional.empty()),
                asked.hostNumber().isEmpty()));
        for (Host host : hosts.ofOffering(o.id())) {
            choices.add(new PickView.Choice(
                    host.name(),
                    address(o, from, Optional.of(host.id())),
                    asked.hostNumber().filter(id -> id == host.id()).isPresent()));
        }
        return choices;
    }

    private static PickView.Day day(Offering o, LocalDate day, List<OpenTime> all, Asked asked, ZoneId visitor) {
        List<OpenTime> its =
                all.stream().filter(t -> dayOf(t, visitor).equals(day)).toList();
        return new PickView.Day(
                Times.weekdayAndDate(day).substring(0, 3),
                Times.dayAndMonth(day).substring(4),
                its.isEmpty() ? "none" : its.size() + " free",
                List.of(
                        part(o, its, 0, NOON, asked, visitor),
                        part(o, its, NOON, EVENING, asked, visitor),
                        part(o, its, EVENING, 24, asked, visitor)));
    }

    private static List<PickView.Time> part(
            Offering o, List<OpenTime> its, int fromHour, int untilHour, Asked asked, ZoneId visitor) {
        return its.stream()
                .filter(t -> hour(t, visitor) >= fromHour && hour(t, visitor) < untilHour)
                .map(t -> time(o, t, asked, visitor))
                .toList();
    }

    private static int hour(OpenTime time, ZoneId visitor) {
        return time.start().withZoneSameInstant(visitor).getHour();
    }

    private static PickView.Time time(Offering o, OpenTime t, Asked asked, ZoneId visitor) {
        ZonedDateTime there = t.start().withZoneSameInstant(visitor);
        boolean otherDay = !there.toLocalDate().equals(t.start().toLocalDate());
        return new PickView.Time(
                Times.time(there),
                otherDay ? Times.dayAndTime(t.start().toInstant(), o.zone()) : "",
                "/p/" + o.slug() + "?start=" + sent(t)
                        + asked.hostNumber().map(id -> "&host=" + id).orElse("") + "#ask",
                asked.moment().filter(t.start().toInstant()::equals).isPresent());
    }

    private static String sent(OpenTime t) {
        return SENT.format(t.start()).replace("+", "%2B");
    }

    private static Tide tide(List<PickView.Day> days, LocalDate from, List<OpenTime> all, ZoneId visitor) {
        return new Tide(IntStream.range(0, days.size())
                .mapToObj(i -> (int) all.stream()
                        .filter(t -> dayOf(t, visitor).equals(from.plusDays(i)))
                        .count())
                .map(free -> new Tide.Day(free, free == 0 ? "none" : free + " free"))
                .toList());
    }

    private static String sentence(List<PickView.Day> days) {
        return days.stream()
                .map(d -> d.weekday() + " " + d.date() + ": " + d.level())
                .collect(Collectors.joining(", "));
    }

    private static Optional<PickView.Chosen> chosen(
            Offering o, OwnTime own, List<OpenTime> all, Asked asked, ZoneId visitor) {
        return all.stream()
                .filter(t ->
                        asked.moment().filter(t.start().toInstant()::equals).isPresent())
                .findFirst()
                .map(t -> {
                    boolean chooses = own.choice() == HostChoice.ATTENDEES_CHOICE;
                    List<Host> with = chooses || own.choice() == HostChoice.ALL_TOGETHER ? t.hosts() : List.of();
                    Host first = t.hosts().get(0);
                    String names = chooses ? first.name() : HostQueries.names(with, "");
                    return new PickView.Chosen(
                            SENT.format(t.start()),
                            chooses ? String.valueOf(first.id()) : "",
                            when(t, visitor),
                            with(names, t, o, visitor),
                            "Register for " + Times.time(t.start().withZoneSameInstant(visitor)));
                });
    }

    private static String when(OpenTime t, ZoneId visitor) {
        ZonedDateTime start = t.start().withZoneSameInstant(visitor);
        return Times.day(start) + ", " + Times.hours(start, t.end().withZoneSameInstant(visitor));
    }

    private static String with(String names, OpenTime t, Offering o, ZoneId visitor) {
        String who = names.isEmpty() ? "" : "with " + names;
        boolean same = t.start()
                .withZoneSameInstant(visitor)
                .toLocalDateTime()
                .equals(t.start().toLocalDateTime());
        String there = same ? "" : Times.time(t.start()) + " in " + Times.city(o.zone());
        return who.isEmpty() || there.isEmpty() ? who + there : who + " · " + there;
    }
}
