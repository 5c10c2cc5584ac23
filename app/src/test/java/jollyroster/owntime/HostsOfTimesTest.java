package jollyroster.owntime;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.core.dates.Interval;
import jollyroster.core.openhours.HostChoice;
import jollyroster.hosting.BusyCommands;
import jollyroster.hosting.CalendarSettings;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registering;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Who leads a time that is picked, and what keeps a host from it. */
@AppTest
class HostsOfTimesTest extends AtTheClinic {

    @Autowired
    OwnTimeQueries ownTime;

    @Autowired
    HostQueries hosts;

    @Autowired
    BusyCommands busy;

    @Autowired
    ChangeSeatCommands seats;

    @Test
    void whoever_has_led_least_is_given_the_time_and_a_busy_calendar_counts() {
        long one = host();
        long other = host();
        Offering o = clinic(OwnTime.in(hours("Wed 10-12")), 1, 1, one, other);
        pick(o, at(WEDNESDAY, "10:00"), Optional.empty(), "Ade Strand");
        pick(o, at(WEDNESDAY, "10:20"), Optional.empty(), "Bao Holm");
        pick(o, at(WEDNESDAY, "10:40"), Optional.empty(), "Cass Dory");
        assertThat(sessions(o)).extracting(s -> hosts.of(s).get(0).id()).containsExactly(one, other, one);
        busy.add(
                other,
                "Away",
                "",
                CalendarSettings.USUAL,
                List.of(new Interval(at(WEDNESDAY, "11:00"), at(WEDNESDAY, "12:00"))),
                "",
                Saltmarrow.ORGANISER);
        pick(o, at(WEDNESDAY, "11:00"), Optional.empty(), "Dov Lind");
        assertThat(hosts.of(sessions(o).get(3)).get(0).id()).isEqualTo(one);
        assertGone(pick(o, at(WEDNESDAY, "11:00"), Optional.empty(), "Eve Marsh"));
    }

    @Test
    void a_calendar_that_does_not_count_here_is_in_nobodys_way() {
        long host = host();
        long calendar = busy.add(
                host,
                "Choir",
                "",
                CalendarSettings.USUAL,
                List.of(new Interval(at(WEDNESDAY, "10:00"), at(WEDNESDAY, "11:00"))),
                "",
                Saltmarrow.ORGANISER);
        Offering strict = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, host);
        Offering lenient = clinic(OwnTime.in(hours("Wed 10-11")).ignoring(Set.of(calendar, 999_999L)), 1, 1, host);
        assertThat(open(strict, WEDNESDAY)).isEmpty();
        assertThat(open(lenient, WEDNESDAY)).hasSize(3);
        assertThat(ownTime.of(lenient.id()).ignored())
                .as("what is no calendar is not kept")
                .containsExactly(calendar);
        assertThat(pick(lenient, at(WEDNESDAY, "10:00"), Optional.empty(), "Wren Skerry"))
                .isInstanceOf(Registering.Done.class);
    }

    @Test
    void a_calendar_that_cannot_be_read_stops_times_only_where_the_offering_says_so() {
        long host = host();
        long calendar = busy.add(
                host,
                "Choir",
                "https://calendar.example/choir.ics",
                CalendarSettings.USUAL,
                List.of(),
                "",
                Saltmarrow.ORGANISER);
        Offering goesOn = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, host);
        Offering stops = clinic(OwnTime.in(hours("Wed 10-11")).stoppingUnread(), 1, 1, host);
        assertThat(open(stops, WEDNESDAY)).hasSize(3);
        clock.set(clock.instant().plusSeconds(3700));
        busy.notRead(calendar, "Nothing answered.", Saltmarrow.ORGANISER);
        assertThat(open(goesOn, WEDNESDAY)).hasSize(3);
        assertThat(open(stops, WEDNESDAY)).isEmpty();
        assertGone(pick(stops, at(WEDNESDAY, "10:00"), Optional.empty(), "Wren Skerry"));
        Browserless organiser = Browserless.organiser(port);
        assertThat(organiser.get("/desk").document().select("main").text())
                .containsPattern("Choir of Instructor \\d+ The calendar could not be read");
        assertThat(organiser
                        .get("/desk/offerings/" + stops.id() + "/times?day=" + WEDNESDAY)
                        .document()
                        .select("main")
                        .text())
                .contains("“Choir” could not be read for an hour");
        busy.readAgain(calendar, List.of(), "", Saltmarrow.ORGANISER);
        assertThat(open(stops, WEDNESDAY)).hasSize(3);
        busy.forget(calendar, Saltmarrow.ORGANISER);
    }

    @Test
    void people_choose_the_host_or_all_lead_together() {
        long one = host();
        long other = host();
        Offering choice = clinic(OwnTime.in(hours("Wed 10-11")).ledBy(HostChoice.ATTENDEES_CHOICE), 1, 1, one, other);
        assertThat(open(choice, WEDNESDAY)).allMatch(t -> t.hosts().size() == 2);
        assertGone(pick(choice, at(WEDNESDAY, "10:00"), Optional.of(999L), "Ann Kestrel"));
        pick(choice, at(WEDNESDAY, "10:20"), Optional.empty(), "Bo Fenwright");
        pick(choice, at(WEDNESDAY, "10:20"), Optional.empty(), "Cass Fenwright");
        assertThat(sessions(choice))
                .as("who leaves it open is given whoever is free")
                .extracting(s -> hosts.of(s).get(0).id())
                .containsExactlyInAnyOrder(one, other);
        pick(choice, at(WEDNESDAY, "10:00"), Optional.of(other), "Ann Kestrel");
        assertThat(hosts.of(sessions(choice).get(0)).get(0).id()).isEqualTo(other);
        assertThat(times.between(
                        choice, WEDNESDAY, WEDNESDAY.plusDays(1), Set.of(other), Viewer.anybody(clock.instant())))
                .hasSize(1);
        Offering together = clinic(OwnTime.in(hours("Wed 10-11")).ledBy(HostChoice.ALL_TOGETHER), 1, 1, one, other);
        assertThat(open(together, WEDNESDAY))
                .as("one of them is in the other offering at ten, both at twenty past")
                .extracting(t -> t.start().toLocalTime().toString())
                .containsExactly("10:40");
        pick(together, at(WEDNESDAY, "10:40"), Optional.empty(), "Bo Lind");
        assertThat(hosts.of(sessions(together).get(0))).hasSize(2);
    }

    @Test
    void one_host_in_two_offerings_is_given_once_at_a_time() throws Exception {
        long host = host();
        List<Offering> both = List.of(
                clinic(OwnTime.in(hours("Wed 10-14")), 1, 1, host), clinic(OwnTime.in(hours("Wed 10-14")), 1, 1, host));
        List<Callable<Registering>> crowd = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            Offering one = both.get(i % 2);
            Instant wanted = at(WEDNESDAY, "10:00").plusSeconds(1200L * (i / 2 % 12));
            String name = "Racer " + i;
            crowd.add(() -> pick(one, wanted, Optional.empty(), name));
        }
        assertThat(race(crowd)).isEqualTo(12);
        Set<Instant> given = new HashSet<>();
        both.forEach(o ->
                sessions(o).forEach(s -> assertThat(given.add(s.start())).isTrue()));
        assertThat(given).hasSize(12);
    }
}
