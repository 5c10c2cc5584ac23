package jollyroster.core.readiness;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import jollyroster.core.dates.Interval;
import jollyroster.core.intake.Question;
import jollyroster.core.openhours.Claim;
import jollyroster.core.openhours.Conflict;
import jollyroster.core.openhours.Conflicts;
import jollyroster.core.readiness.Finding.Kind;
import jollyroster.core.readiness.Readiness.Clash;
import jollyroster.core.readiness.Readiness.Date;
import jollyroster.core.readiness.Readiness.Meets;
import jollyroster.core.readiness.Readiness.Sheet;
import jollyroster.core.seats.SignUpStyle;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ReadinessTest {

    private static final Instant NOW = Instant.parse("2027-03-10T13:40:00Z");
    private static final ZoneId HALIFAX = ZoneId.of("America/Halifax");
    private static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");
    private static final ZoneId SINGAPORE = ZoneId.of("Asia/Singapore");

    @Test
    void a_complete_sheet_has_no_findings() {
        assertThat(kinds(a().with(date(1, "2027-03-11T23:00:00Z")))).isEmpty();
    }

    @Test
    void an_empty_sheet_names_everything_that_is_missing_the_gravest_first() {
        assertThat(kinds(a().saying("", " ")))
                .containsExactly(Kind.NO_DATE, Kind.NO_VENUE, Kind.NO_SUMMARY, Kind.NO_DESCRIPTION);
    }

    @ParameterizedTest
    @CsvSource({
        "NOWHERE_YET, NO_VENUE",
        "ONLINE_WITHOUT_LINK, NO_LINK",
        "ONLINE_WITHOUT_PROVIDER, NO_PROVIDER",
        "ONLINE_LINK_FAILED, LINK_FAILED",
        "ONLINE_LINK_PENDING, LINK_PENDING"
    })
    void a_session_needs_a_place(Meets meets, Kind found) {
        assertThat(kinds(a().with(date(1, "2027-03-11T23:00:00Z").meeting(meets))))
                .containsExactly(found);
    }

    @Test
    void phone_lines_and_places_need_no_link() {
        assertThat(kinds(a().with(date(1, "2027-03-11T23:00:00Z").meeting(Meets.BY_PHONE))))
                .isEmpty();
    }

    @Test
    void seats_are_held_against_the_room_what_is_kept_back_and_the_minimum() {
        DateBuilder evening = date(1, "2027-03-11T23:00:00Z");
        assertThat(kinds(a().with(evening.seats(0, 0, 0)))).containsExactly(Kind.NO_SEATS);
        assertThat(kinds(a().with(evening.seats(31, 0, 0)))).containsExactly(Kind.ROOM_TOO_SMALL);
        assertThat(kinds(a().with(evening.seats(31, 0, 0).meeting(Meets.ONLINE_WITH_LINK))))
                .containsExactly(Kind.ROOM_LIMIT_LOW);
        assertThat(kinds(a().with(evening.seats(8, 8, 0)))).containsExactly(Kind.ALL_KEPT_BACK);
        assertThat(kinds(a().with(evening.seats(8, 0, 9)))).containsExactly(Kind.MINIMUM_ABOVE_SEATS);
    }

    @Test
    void a_session_needs_a_host_who_is_not_elsewhere() {
        assertThat(kinds(a().with(date(1, "2027-03-11T23:00:00Z").hosts(0)))).containsExactly(Kind.NO_HOST);
        Interval span = date(1, "2027-03-11T23:00:00Z").build().span();
        Claim.Owner ottoline = Claim.Owner.host(1);
        Conflict conflict = Conflicts.among(List.of(
                        Claim.session(ottoline, 1, span, Duration.ZERO, Duration.ZERO), Claim.busy(ottoline, 2, span)))
                .get(0);
        Sheet clashing = a().with(date(1, "2027-03-11T23:00:00Z"))
                .clashing(new Clash(1, "Ottoline Marsh", conflict))
                .build();
        assertThat(Readiness.check(clashing, NOW))
                .containsExactly(new Finding(Kind.HOST_DOUBLE_BOOKED, 1L, span.start(), 120, "Ottoline Marsh"));
        Sheet often = a().with(date(1, "2027-03-11T23:00:00Z"))
                .clashing(
                        new Clash(1, "Ottoline Marsh", conflict),
                        new Clash(2, "Ottoline Marsh", conflict),
                        new Clash(3, "Sable Renwick", conflict))
                .build();
        assertThat(Readiness.check(often, NOW))
                .as("one line for each host, however many dates")
                .containsExactly(
                        new Finding(Kind.HOST_DOUBLE_BOOKED, 1L, span.start(), 120, "Ottoline Marsh", 2),
                        new Finding(Kind.HOST_DOUBLE_BOOKED, 3L, span.start(), 120, "Sable Renwick"));
    }

    @Test
    void a_past_date_is_a_mistake_in_a_draft_only() {
        DateBuilder past = date(2, "2027-03-01T23:00:00Z");
        DateBuilder tomorrow = date(1, "2027-03-11T23:00:00Z");
        assertThat(kinds(a().with(past, tomorrow))).containsExactly(Kind.START_IN_PAST);
        assertThat(kinds(a().with(past))).containsExactly(Kind.START_IN_PAST);
        assertThat(kinds(a().published().with(past, tomorrow))).isEmpty();
        assertThat(kinds(a().published().with(past))).containsExactly(Kind.NO_DATE);
    }

    @Test
    void a_clock_change_between_now_and_the_last_date_is_remarked() {
        Sheet sheet = a().with(date(1, "2027-03-11T23:00:00Z"), date(2, "2027-03-16T22:00:00Z"))
                .build();
        assertThat(Readiness.check(sheet, NOW))
                .containsExactly(new Finding(Kind.CLOCK_CHANGE, null, Instant.parse("2027-03-14T06:00:00Z"), 60, ""));
    }

    /** Tue 9 Mar 19:00 in Halifax is 23:00 in Lisbon, Tue 16 Mar 22:00, Tue 30 Mar 23:00 again (IANA zones). */
    @Test
    void the_first_date_at_another_hour_for_registered_people_is_remarked() {
        DateBuilder ninth = date(1, "2027-03-11T23:00:00Z").registered(Map.of(LISBON, 3, HALIFAX, 5));
        DateBuilder sixteenth = date(2, "2027-03-16T22:00:00Z").registered(Map.of(LISBON, 3, HALIFAX, 5));
        assertThat(Readiness.check(a().with(ninth, sixteenth).build(), NOW))
                .contains(new Finding(Kind.CLOCK_SHIFT, 2L, Instant.parse("2027-03-16T22:00:00Z"), 3, ""));
    }

    /** 19:00 in Halifax is 06:00 next day in Singapore, 23:00 the evening before is 03:00. */
    @Test
    void a_date_at_which_most_of_those_who_came_before_sleep_is_odd() {
        SheetBuilder night = a().with(date(1, "2027-03-11T19:00:00Z"));
        assertThat(kinds(night.cameBefore(Map.of(SINGAPORE, 6, HALIFAX, 5)))).containsExactly(Kind.ASLEEP);
        assertThat(kinds(night.cameBefore(Map.of(SINGAPORE, 5, HALIFAX, 5)))).isEmpty();
    }

    @Test
    void two_dates_at_the_same_time_are_odd() {
        assertThat(kinds(a().with(date(1, "2027-03-11T23:00:00Z"), date(2, "2027-03-12T00:00:00Z"))))
                .containsExactly(Kind.SAME_TIME_TWICE);
    }

    @Test
    void a_series_whose_evenings_changed_places_is_odd() {
        SheetBuilder swapped = a().with(date(1, "2027-03-12T23:00:00Z"), date(2, "2027-03-11T23:00:00Z"));
        assertThat(kinds(swapped)).isEmpty();
        assertThat(kinds(swapped.style(SignUpStyle.WHOLE_SERIES))).containsExactly(Kind.OUT_OF_ORDER);
    }

    @Test
    void registration_that_closes_before_it_opens_stops() {
        SheetBuilder sheet = a().with(date(1, "2027-03-11T23:00:00Z"));
        assertThat(kinds(sheet.registration(Duration.ofDays(3), Optional.of(Duration.ofDays(3)))))
                .containsExactly(Kind.CUT_OFF_BEFORE_OPENING);
        assertThat(kinds(sheet.registration(Duration.ofDays(3), Optional.of(Duration.ofDays(4)))))
                .isEmpty();
    }

    @Test
    void a_choice_of_one_and_a_link_that_no_reminder_carries_are_odd() {
        SheetBuilder sheet = a().with(date(1, "2027-03-11T23:00:00Z").meeting(Meets.ONLINE_WITH_LINK));
        Question only = Question.plain("x", Question.Kind.CHOOSE_ONE, "Which?", "", true, List.of("This"));
        assertThat(kinds(sheet.asking(only))).containsExactly(Kind.ONE_OPTION);
        assertThat(kinds(sheet.asking().withoutReminder())).containsExactly(Kind.NO_LINK_REMINDER);
        assertThat(kinds(a().with(date(1, "2027-03-11T23:00:00Z")).askingUnpaid()))
                .containsExactly(Kind.PRICE_NOT_ASKED);
    }

    @Test
    void where_people_pick_a_time_there_must_be_hours_and_hosts_but_no_dates() {
        assertThat(kinds(a().pickedFrom(false, 0)))
                .contains(Kind.NO_HOURS, Kind.NOBODY_LEADS)
                .doesNotContain(Kind.NO_DATE);
        assertThat(kinds(a().pickedFrom(true, 2)))
                .doesNotContain(Kind.NO_HOURS, Kind.NOBODY_LEADS, Kind.NO_DATE, Kind.NO_SEATS, Kind.ALL_KEPT_BACK);
        assertThat(kinds(a().pickedFrom(true, 2, 0, 0))).contains(Kind.NO_SEATS);
        assertThat(kinds(a().pickedFrom(true, 2, 2, 2))).contains(Kind.ALL_KEPT_BACK);
    }

    private static List<Kind> kinds(SheetBuilder sheet) {
        return Readiness.check(sheet.build(), NOW).stream().map(Finding::kind).toList();
    }

    private static SheetBuilder a() {
        return new SheetBuilder();
    }

    private static DateBuilder date(long id, String start) {
        return new DateBuilder(id, Instant.parse(start), 16, 0, 0, Meets.IN_PERSON, 1, Map.of());
    }

    private record DateBuilder(
            long id,
            Instant start,
            int seats,
            int kept,
            int minimum,
            Meets meets,
            int hosts,
            Map<ZoneId, Integer> registered) {
        DateBuilder seats(int n, int keptBack, int least) {
            return new DateBuilder(id, start, n, keptBack, least, meets, hosts, registered);
        }

        DateBuilder meeting(Meets where) {
            return new DateBuilder(id, start, seats, kept, minimum, where, hosts, registered);
        }

        DateBuilder hosts(int n) {
            return new DateBuilder(id, start, seats, kept, minimum, meets, n, registered);
        }

        DateBuilder registered(Map<ZoneId, Integer> who) {
            return new DateBuilder(id, start, seats, kept, minimum, meets, hosts, who);
        }

        Date build() {
            Interval span = new Interval(start, start.plus(Duration.ofHours(2)));
            return new Date(id, span, seats, kept, minimum, meets, OptionalInt.of(30), hosts, registered);
        }
    }

    private static final class SheetBuilder {
        private boolean published;
        private String summary = "Six knots";
        private String description = "At the bench.";
        private SignUpStyle style = SignUpStyle.ANY_DATE;
        private List<Date> dates = List.of();
        private Duration cutOff = Duration.ZERO;
        private Optional<Duration> ahead = Optional.empty();
        private List<Question> questions = List.of();
        private boolean reminds = true;
        private boolean unpaid;
        private Map<ZoneId, Integer> before = Map.of();
        private List<Clash> clashes = List.of();
        private Optional<Readiness.OwnTime> ownTime = Optional.empty();

        SheetBuilder published() {
            published = true;
            return this;
        }

        SheetBuilder saying(String inShort, String atLength) {
            summary = inShort;
            description = atLength;
            return this;
        }

        SheetBuilder style(SignUpStyle wanted) {
            style = wanted;
            return this;
        }

        SheetBuilder with(DateBuilder... wanted) {
            dates = List.of(wanted).stream().map(DateBuilder::build).toList();
            return this;
        }

        SheetBuilder registration(Duration closes, Optional<Duration> opens) {
            cutOff = closes;
            ahead = opens;
            return this;
        }

        SheetBuilder asking(Question... asked) {
            questions = List.of(asked);
            return this;
        }

        SheetBuilder withoutReminder() {
            reminds = false;
            return this;
        }

        SheetBuilder askingUnpaid() {
            unpaid = true;
            return this;
        }

        SheetBuilder cameBefore(Map<ZoneId, Integer> who) {
            before = who;
            return this;
        }

        SheetBuilder pickedFrom(boolean hours, int hosts) {
            return pickedFrom(hours, hosts, 2, 1);
        }

        SheetBuilder pickedFrom(boolean hours, int hosts, int seats, int keptBack) {
            ownTime = Optional.of(new Readiness.OwnTime(hours, hosts, seats, keptBack));
            return this;
        }

        SheetBuilder clashing(Clash... all) {
            clashes = List.of(all);
            return this;
        }

        Sheet build() {
            return new Sheet(
                    published,
                    summary,
                    description,
                    style,
                    HALIFAX,
                    Meets.NOWHERE_YET,
                    dates,
                    cutOff,
                    ahead,
                    questions,
                    reminds,
                    unpaid,
                    before,
                    clashes,
                    ownTime);
        }
    }
}
