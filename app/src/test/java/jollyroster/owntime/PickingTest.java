package jollyroster.owntime;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.Callable;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.openhours.OpenHours;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.Session;
import jollyroster.programme.Visibility;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registering;
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
    ChangeSeatCommands seats;

    @Autowired
    SwapCommands swaps;

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
    void a_person_holds_as_many_times_to_come_as_the_offering_says() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11")).forEach(2), 1, 1, host());
        pick(o, at(WEDNESDAY, "10:00"), Optional.empty(), "Wren Skerry");
        pick(o, at(WEDNESDAY, "10:20"), Optional.empty(), "Wren Skerry");
        assertThat(pick(o, at(WEDNESDAY, "10:40"), Optional.empty(), "Wren Skerry"))
                .isInstanceOf(Registering.Already.class);
        assertThat(sessions(o)).hasSize(2);
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
}
