package jollyroster.owntime;

import static jollyroster.Saltmarrow.HALIFAX;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.owntime.PickCommands.Pick;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.Session;
import jollyroster.seating.Application;
import jollyroster.seating.ChangeSeatCommands.Moved;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationQueries;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Somebody who has a time picks another one: both or neither, and the one they leave is free again. */
@AppTest
class MovingTimeTest extends AtTheClinic {

    @Autowired
    RegistrationQueries roster;

    @Autowired
    PersonalLinks links;

    private Link register(Offering o, String time, String name) {
        Application asked = new Application(
                0,
                name,
                name.replace(' ', '.') + o.id() + "@crew.example",
                "",
                1,
                HALIFAX,
                List.of(),
                List.of(),
                UUID.randomUUID().toString());
        Pick pick = new Pick(o, at(WEDNESDAY, time), Optional.empty(), "");
        return ((Registering.Done) picks.pick(pick, asked, Optional.empty(), Saltmarrow.VISITOR)).link();
    }

    private Moved move(Offering o, Link whose, Instant to) {
        return picks.move(new Pick(o, to, Optional.empty(), ""), whose.id(), new Actor.Person("a person", whose.id()));
    }

    private List<String> open(Offering o) {
        return times.between(o, WEDNESDAY, WEDNESDAY.plusDays(1), Set.of(), Viewer.anybody(clock.instant())).stream()
                .map(t -> t.start().toLocalTime().toString())
                .toList();
    }

    @Test
    void moving_takes_the_other_time_and_frees_the_first_in_one_write() {
        Offering o =
                clinic(OwnTime.in(hours("Wed 10-11")).atMost(OptionalInt.of(1), OptionalInt.empty()), 1, 1, host());
        Link wren = register(o, "10:00", "Wren Skerry");
        assertThat(open(o)).as("one a day").isEmpty();
        assertThat(move(o, wren, at(WEDNESDAY, "10:20"))).isEqualTo(Moved.DONE);
        assertThat(programme.sessionsOf(o.id())).extracting(Session::start).containsExactly(at(WEDNESDAY, "10:20"));
        assertThat(roster.registration(wren.id()).orElseThrow().session())
                .isEqualTo(programme.sessionsOf(o.id()).get(0).id());
    }

    @Test
    void a_time_that_somebody_else_has_is_not_given_and_nothing_is_lost() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, host());
        Link wren = register(o, "10:00", "Wren Skerry");
        register(o, "10:20", "Teo Quill");
        assertThat(move(o, wren, at(WEDNESDAY, "10:20"))).isEqualTo(Moved.TIME_GONE);
        assertThat(move(o, wren, at(WEDNESDAY, "10:30"))).as("off the grid").isEqualTo(Moved.TIME_GONE);
        assertThat(move(o, wren, at(WEDNESDAY, "10:00"))).as("the same").isEqualTo(Moved.NOT_POSSIBLE);
        assertThat(programme.sessionsOf(o.id())).hasSize(2);
        assertThat(open(o)).containsExactly("10:40");
    }

    @Test
    void a_shared_time_stays_for_those_who_stay() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11")), 2, 1, host());
        Link wren = register(o, "10:00", "Wren Skerry");
        register(o, "10:00", "Teo Quill");
        assertThat(move(o, wren, at(WEDNESDAY, "10:20"))).isEqualTo(Moved.DONE);
        assertThat(programme.sessionsOf(o.id())).hasSize(2);
        assertThat(open(o)).containsExactly("10:00", "10:20", "10:40");
    }

    @Test
    void the_own_page_leads_to_the_times_and_moves() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11 from 17 Mar")), 1, 1, host());
        String own = links.ownPage(register(o, "10:00", "Wren Skerry"));
        String path = own.substring(own.indexOf("/my/"));
        Browserless visitor = new Browserless(port);
        assertThat(visitor.get(path).document().select("a[href$=/times]").attr("href"))
                .isEqualTo(own + "/times");
        var chosen =
                visitor.get(path + "/times?start=2027-03-17T10:20:00-03:00").document();
        assertThat(chosen.select("#ask").text()).contains("Wed 17 Mar, 10:20–10:40", "Instead of Wed 17 Mar, 10:00");
        visitor.post(
                path + "/times?start=2027-03-17T10:20:00-03:00",
                path + "/times",
                Map.of("start", chosen.select("button.take").attr("value")));
        assertThat(visitor.get(path).document().select("main").text())
                .contains("Your date is changed", "Wed 17 Mar, 10:20–10:40");
        clock.set(at(WEDNESDAY, "10:30"));
        assertThat(visitor.get(path).document().select("a[href$=/times]")).isEmpty();
        assertThat(visitor.get("/my/nobody/times").status()).isEqualTo(404);
    }
}
