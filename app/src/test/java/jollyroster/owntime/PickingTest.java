package jollyroster.owntime;

import static jollyroster.Saltmarrow.HALIFAX;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.core.dates.Interval;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.openhours.OpenHours;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.hosting.BusyCommands;
import jollyroster.owntime.PickCommands.Pick;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.Session;
import jollyroster.programme.Visibility;
import jollyroster.seating.Application;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationQueries;
import jollyroster.seating.SwapCommands;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** People pick times in open hours: what is offered, who is given it, and never twice. */
@AppTest
class PickingTest extends AtTheClinic {

    @Autowired
    OwnTimeQueries ownTime;

    @Autowired
    HostQueries hosts;

    @Autowired
    BusyCommands busy;

    @Autowired
    RegistrationQueries roster;

    @Autowired
    TimesQueries times;

    @Autowired
    PickCommands picks;

    @Autowired
    ChangeSeatCommands seats;

    @Autowired
    SwapCommands swaps;

    private List<OpenTime> open(Offering o, LocalDate day) {
        return times.between(o, day, day.plusDays(1), Optional.empty(), Viewer.anybody(clock.instant()));
    }

    private Registering pick(Offering o, Instant start, Optional<Long> host, String name) {
        return pick(o, start, host, name, UUID.randomUUID().toString());
    }

    private Registering pick(Offering o, Instant start, Optional<Long> host, String name, String submission) {
        String email = name.toLowerCase(java.util.Locale.ROOT).replace(' ', '.') + o.id() + "@crew.example";
        Application asked = new Application(0, name, email, "", 1, HALIFAX, List.of(), List.of(), submission);
        return picks.pick(new Pick(o, start, host, ""), asked, Optional.empty(), Saltmarrow.VISITOR);
    }

    private List<Session> sessions(Offering o) {
        return programme.sessionsOf(o.id());
    }

    private static void assertGone(Registering came) {
        assertThat(came).isEqualTo(new Registering.Refused(Registering.Reason.TIME_GONE));
    }

    @Test
    void hours_are_kept_and_read_back() {
        OpenHours typed = hours("Mon–Fri 14:00-16:30, 19-21; Wed 10-14 from 5 Apr; 24 to 26 Dec closed")
                .between(LocalDate.of(2027, 3, 1), LocalDate.of(2027, 12, 31));
        OwnTime own = new OwnTime(
                typed,
                OptionalInt.of(15),
                OptionalInt.of(3),
                OptionalInt.empty(),
                HostChoice.ATTENDEES_CHOICE,
                true,
                2,
                Set.of(),
                true);
        Offering o = clinic(own, 1, 1, host());
        assertThat(ownTime.of(o.id())).isEqualTo(own);
    }

    @Test
    void a_picked_time_becomes_a_session_led_by_the_host_and_is_offered_no_more() {
        long host = host();
        Offering o = clinic(OwnTime.in(hours("Wed 10-12")), 1, 1, host);
        assertThat(open(o, WEDNESDAY)).hasSize(6).allMatch(t -> t.free() == 1);
        Registering came = pick(o, at(WEDNESDAY, "10:20"), Optional.empty(), "Wren Skerry");
        assertThat(came).isInstanceOf(Registering.Done.class);
        assertThat(((Registering.Done) came).state()).isEqualTo(RegistrationState.REGISTERED);
        assertThat(sessions(o)).singleElement().satisfies(s -> {
            assertThat(s.start()).isEqualTo(at(WEDNESDAY, "10:20"));
            assertThat(s.end()).isEqualTo(at(WEDNESDAY, "10:40"));
            assertThat(hosts.of(s)).extracting(HostQueries.Host::id).containsExactly(host);
        });
        assertThat(open(o, WEDNESDAY))
                .extracting(t -> t.start().toLocalTime().toString())
                .containsExactly("10:00", "10:40", "11:00", "11:20", "11:40");
        assertGone(pick(o, at(WEDNESDAY, "10:20"), Optional.empty(), "Teo Quill"));
        assertGone(pick(o, at(WEDNESDAY, "10:05"), Optional.empty(), "Teo Quill"));
        assertGone(pick(o, at(WEDNESDAY, "13:00"), Optional.empty(), "Teo Quill"));
        assertThat(sessions(o)).hasSize(1);
    }

    @Test
    void the_same_form_sent_twice_and_a_second_wish_of_the_same_person_take_no_second_time() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-12")), 1, 1, host());
        Registering first = pick(o, at(WEDNESDAY, "10:00"), Optional.empty(), "Kofi Merrow", "form-" + o.id());
        Registering again = pick(o, at(WEDNESDAY, "10:00"), Optional.empty(), "Kofi Merrow", "form-" + o.id());
        assertThat(((Registering.Done) again).link()).isEqualTo(((Registering.Done) first).link());
        assertThat(((Registering.Done) again).again()).isTrue();
        assertThat(pick(o, at(WEDNESDAY, "11:00"), Optional.empty(), "Kofi Merrow"))
                .isInstanceOf(Registering.Already.class);
        assertThat(sessions(o)).hasSize(1);
        assertThat(open(o, WEDNESDAY)).hasSize(5);
    }

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
                List.of(new Interval(at(WEDNESDAY, "11:00"), at(WEDNESDAY, "12:00"))),
                "",
                Saltmarrow.ORGANISER);
        pick(o, at(WEDNESDAY, "11:00"), Optional.empty(), "Dov Lind");
        assertThat(hosts.of(sessions(o).get(3)).get(0).id()).isEqualTo(one);
        assertGone(pick(o, at(WEDNESDAY, "11:00"), Optional.empty(), "Eve Marsh"));
    }

    @Test
    void a_person_holds_as_many_times_to_come_as_the_offering_says() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11")).forEach(2), 1, 1, host());
        pick(o, at(WEDNESDAY, "10:00"), Optional.empty(), "Wren Skerry");
        pick(o, at(WEDNESDAY, "10:20"), Optional.empty(), "Wren Skerry");
        assertThat(pick(o, at(WEDNESDAY, "10:40"), Optional.empty(), "Wren Skerry"))
                .isInstanceOf(Registering.Already.class);
        assertThat(sessions(o)).hasSize(2);
    }

    @Test
    void a_calendar_that_does_not_count_here_is_in_nobodys_way() {
        long host = host();
        long calendar = busy.add(
                host,
                "Choir",
                "",
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
        long calendar =
                busy.add(host, "Choir", "https://calendar.example/choir.ics", List.of(), "", Saltmarrow.ORGANISER);
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
                .contains("Choir The calendar could not be read");
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
                        choice, WEDNESDAY, WEDNESDAY.plusDays(1), Optional.of(other), Viewer.anybody(clock.instant())))
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
    void a_time_with_several_seats_is_shared_until_it_is_full() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-10:20")), 2, 1, host());
        pick(o, at(WEDNESDAY, "10:00"), Optional.empty(), "Ann Kestrel");
        assertThat(open(o, WEDNESDAY)).singleElement().matches(t -> t.free() == 1);
        pick(o, at(WEDNESDAY, "10:00"), Optional.empty(), "Bo Lind");
        assertThat(open(o, WEDNESDAY)).isEmpty();
        assertThat(sessions(o)).hasSize(1);
        assertGone(pick(o, at(WEDNESDAY, "10:00"), Optional.empty(), "Cass Dory"));
    }

    @Test
    void a_time_that_is_given_back_can_be_picked_again_and_its_host_is_free() {
        long host = host();
        Offering o = clinic(OwnTime.in(hours("Wed 10-10:20")), 1, 1, host);
        Offering other = clinic(OwnTime.in(hours("Wed 10-10:20")), 1, 1, host);
        Registering.Done came = (Registering.Done) pick(o, at(WEDNESDAY, "10:00"), Optional.empty(), "Ann Kestrel");
        assertThat(open(other, WEDNESDAY)).isEmpty();
        long registration = came.link().id();
        seats.cancel(registration, "", Saltmarrow.self(registration));
        assertThat(open(o, WEDNESDAY)).hasSize(1);
        assertThat(open(other, WEDNESDAY)).hasSize(1);
        assertThat(pick(other, at(WEDNESDAY, "10:00"), Optional.empty(), "Bo Lind"))
                .isInstanceOf(Registering.Done.class);
        assertGone(pick(o, at(WEDNESDAY, "10:00"), Optional.empty(), "Cass Dory"));
    }

    @Test
    void nobody_moves_or_swaps_into_the_time_of_somebody_else() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-12")), 2, 1, host());
        long one = ((Registering.Done) pick(o, at(WEDNESDAY, "10:00"), Optional.empty(), "Ann Kestrel"))
                .link()
                .id();
        pick(o, at(WEDNESDAY, "11:00"), Optional.empty(), "Bo Lind");
        long others = sessions(o).get(1).id();
        assertThat(seats.move(one, others, Saltmarrow.self(one))).isEqualTo(ChangeSeatCommands.Moved.NOT_POSSIBLE);
        assertThat(swaps.offer(one, others, "", Saltmarrow.self(one))).isEqualTo(SwapCommands.Swapped.NOT_POSSIBLE);
    }

    @Test
    void limits_hold_and_a_time_that_comes_twice_is_the_one_that_was_picked() {
        Offering o = clinic(
                OwnTime.in(hours("Sun 00:00-03:00")).atMost(OptionalInt.of(2), OptionalInt.empty()), 1, 1, host());
        LocalDate autumn = LocalDate.of(2027, 11, 7);
        Instant second = LocalDateTime.parse("2027-11-07T01:00").toInstant(ZoneOffset.ofHours(-4));
        pick(o, second, Optional.empty(), "Ann Kestrel");
        assertThat(sessions(o).get(0).start()).isEqualTo(second);
        assertThat(open(o, autumn)).hasSize(11);
        pick(o, at(autumn, "00:00"), Optional.empty(), "Bo Lind");
        assertThat(open(o, autumn)).as("two a day").isEmpty();
    }

    @Test
    void programs_are_told_the_times_and_what_was_asked_wrongly() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11")).ledBy(HostChoice.ATTENDEES_CHOICE), 1, 1, host(), host());
        Browserless visitor = new Browserless(port);
        String at = "/p/" + o.slug() + "/times";
        assertThat(visitor.get(at + "?from=2027-03-17&days=1").response().body())
                .startsWith("{\"zone\":\"America/Halifax\",\"times\":[{\"start\":\"2027-03-17T10:00:00-03:00\","
                        + "\"end\":\"2027-03-17T10:20:00-03:00\",\"hosts\":[{\"id\":")
                .contains("\"free\":1")
                .hasLineCount(1);
        assertThat(visitor.get(at).response().body()).contains("2027-03-10T10:00:00-04:00", "2027-03-10T10:40");
        assertThat(visitor.get(at + "?from=2027-03-18&days=6").response().body())
                .contains("\"times\":[]");
        assertThat(visitor.get(at + "?from=2027-03-17&host=999").response().body())
                .contains("\"times\":[]");
        for (String wrong : List.of(
                "?days=100000",
                "?days=0",
                "?days=-1",
                "?days=x",
                "?from=1901-01-01",
                "?from=9999-12-31",
                "?from=x",
                "?host=x")) {
            assertThat(visitor.get(at + wrong).status()).as(wrong).isEqualTo(400);
        }
        assertThat(visitor.get("/p/" + saltmarrow.publish(seats(2)).slug() + "/times")
                        .status())
                .as("an offering with dates")
                .isEqualTo(404);
        offerings.save(
                o.id(),
                List.of(Section.Access.OPEN.by(SignUpStyle.OWN_TIME).seen(Visibility.INVITED)),
                Saltmarrow.ORGANISER);
        assertThat(visitor.get(at).status()).as("for invited people").isEqualTo(404);
    }

    /** Two hundred people race for twelve times; exactly twelve have one, and no two the same. */
    @Test
    void two_hundred_people_race_for_twelve_times() throws Exception {
        Offering o = clinic(OwnTime.in(hours("Wed 10-14")), 1, 1, host());
        List<Instant> starts =
                open(o, WEDNESDAY).stream().map(t -> t.start().toInstant()).toList();
        assertThat(starts).hasSize(12);
        List<Callable<Registering>> crowd = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            String name = "Racer " + i;
            Instant wanted = starts.get(i % starts.size());
            crowd.add(() -> pick(o, wanted, Optional.empty(), name));
        }
        assertThat(race(crowd)).isEqualTo(12);
        assertThat(sessions(o)).hasSize(12).extracting(Session::start).doesNotHaveDuplicates();
        assertThat(open(o, WEDNESDAY)).isEmpty();
    }

    /** The same host in two offerings: what one gives, the other cannot. */
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

    /** @return how many were given what they asked for */
    private static int race(List<Callable<Registering>> crowd) throws Exception {
        ExecutorService pool = Executors.newFixedThreadPool(16);
        try {
            int done = 0;
            for (Future<Registering> came : pool.invokeAll(crowd)) {
                done += came.get() instanceof Registering.Done ? 1 : 0;
            }
            return done;
        } finally {
            pool.shutdownNow();
        }
    }
}
