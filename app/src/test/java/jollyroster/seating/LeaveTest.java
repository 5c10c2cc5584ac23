package jollyroster.seating;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.seats.Leave;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Actor;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Moving and cancelling by oneself are two switches, each with an end of its own; neither binds the team. */
@AppTest
class LeaveTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands registering;

    @Autowired
    RegistrationQueries roster;

    @Autowired
    ChangeSeatCommands seats;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    PersonalLinks links;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    @AfterEach
    void back() {
        clock.set(TestClock.START);
    }

    private Published published(Leave moves, Leave cancels) {
        return saltmarrow.publish(seats(1).at("2027-03-20T10:00", "2027-03-27T10:00")
                .with(Section.Access.OPEN.by(SignUpStyle.ONE_DATE).leaving(moves, cancels)));
    }

    private Link register(Published at, String name) {
        return ((Registering.Done) registering.register(Saltmarrow.person(at.session(), name, 1), Saltmarrow.VISITOR))
                .link();
    }

    private static Actor self(Link link) {
        return new Actor.Person("a person", link.id());
    }

    @Test
    void cancelling_ends_before_the_start_and_the_page_says_so() {
        Published at = published(Leave.ALWAYS, Leave.untilHours(24));
        Link wren = register(at, "Wren Skerry");
        Link waiting = register(at, "Teo Quill");
        Instant start = programme.session(at.session()).orElseThrow().start();
        String page = "/my/" + links.issue(jollyroster.core.door.LinkTokens.Purpose.OWN_PAGE, wren);
        Browserless visitor = new Browserless(port);
        assertThat(new Browserless(port)
                        .get("/p/" + at.slug())
                        .document()
                        .select(".small-print")
                        .text())
                .contains("You can cancel your registration on your own page until 24 h before the start");
        assertThat(visitor.get(page).document().select("summary").eachText()).contains("Cancel registration");
        clock.set(start.minusSeconds(24 * 3600));
        assertThat(visitor.get(page).document().select("main").text())
                .contains("please tell the organiser")
                .doesNotContain("Cancel registration");
        visitor.post(page, page + "/cancel", Map.of("why", "ill"));
        assertThat(visitor.get(page).document().select(".warned").text()).contains("can no longer be cancelled here");
        assertThat(roster.registration(wren.id()).orElseThrow().state()).isEqualTo(RegistrationState.REGISTERED);
        assertThat(seats.cancel(waiting.id(), "", self(waiting)))
                .as("who waits may leave")
                .isTrue();
        assertThat(seats.cancel(wren.id(), "", Saltmarrow.ORGANISER)).isTrue();
    }

    @Test
    void moving_can_be_kept_to_the_team_while_cancelling_is_not() {
        Published at = published(Leave.NEVER, Leave.ALWAYS);
        Link wren = register(at, "Wren Skerry");
        long other = at.dates().get(1);
        assertThat(seats.move(wren.id(), other, self(wren))).isEqualTo(ChangeSeatCommands.Moved.TOO_LATE);
        assertThat(seats.move(wren.id(), other, Saltmarrow.ORGANISER)).isEqualTo(ChangeSeatCommands.Moved.DONE);
        assertThat(seats.cancel(wren.id(), "", self(wren))).isTrue();
    }

    @Test
    void whoever_may_never_cancel_asks_the_organiser() {
        Published at = published(Leave.ALWAYS, Leave.NEVER);
        Link wren = register(at, "Wren Skerry");
        assertThat(new Browserless(port)
                        .get("/p/" + at.slug())
                        .document()
                        .select(".small-print")
                        .text())
                .contains("To cancel later, ask the organiser.");
        assertThat(seats.cancel(wren.id(), "", self(wren))).isFalse();
    }
}
