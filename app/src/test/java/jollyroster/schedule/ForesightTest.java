package jollyroster.schedule;

import static jollyroster.Saltmarrow.Wanted.seats;
import static jollyroster.Saltmarrow.person;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.outbox.OutboxWorker;
import jollyroster.programme.PlanCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.seating.RegistrationCommands;
import jollyroster.standin.TrayQueries;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** What a change to several sessions would do is shown before it is done; and people hear of it in the organiser's words. */
@AppTest
class ForesightTest {

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    PlanCommands planned;

    @Autowired
    VenueCommands venues;

    @Autowired
    ScheduleCommands schedule;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TrayQueries tray;

    @Autowired
    TestClock clock;

    private Browserless organiser;

    @BeforeEach
    void signIn() {
        clock.set(TestClock.START);
        saltmarrow.setUp();
        organiser = Browserless.organiser(port);
    }

    @AfterEach
    void back() {
        worker.sendDue();
        clock.set(TestClock.START);
    }

    private Map<String, String> form(Published at, String when, String scope) {
        Map<String, String> form = new HashMap<>();
        form.putAll(Map.of("when", when, "seats", "8", "keptBack", "0", "scope", scope));
        form.put("words", "The tide table was wrong.");
        return form;
    }

    private String page(Published at) {
        return "/desk/schedule/" + at.session();
    }

    @Test
    void several_sessions_are_shown_before_they_move_and_move_only_after_that() {
        Published at = saltmarrow.publish(seats(8).at("2027-03-16T19:00", "2027-03-23T19:00", "2027-03-30T19:00"));
        roster.register(person(at.dates().get(1), "Kofi Brannigan", 1), Saltmarrow.VISITOR);
        Map<String, String> form = form(at, "Wed 17 Mar 2027 18:00-20:00", "LATER");
        Document shown = organiser.post(page(at), page(at), form).document();
        assertThat(shown.select("h1").text()).isEqualTo("This is what changes");
        assertThat(shown.text()).contains("3 sessions change; one person is told. Nothing has been changed yet.");
        assertThat(shown.select("tbody tr").eachText())
                .element(1)
                .asString()
                .contains("Tue 23 Mar, 19:00–21:00", "Wed 24 Mar, 18:00–20:00", "one person");
        assertThat(shown.select("svg.shift path.before")).hasSize(3);
        assertThat(start(at)).as("nothing yet").isEqualTo("2027-03-16T22:00:00Z");

        Map<String, String> again = new HashMap<>(form);
        again.put("again", "true");
        assertThat(organiser
                        .post(page(at), page(at), again)
                        .document()
                        .select("[name=when]")
                        .attr("value"))
                .as("back to the form with what was typed")
                .isEqualTo("Wed 17 Mar 2027 18:00-20:00");

        form.put("sure", "true");
        assertThat(organiser.post(page(at), page(at), form).status()).isEqualTo(302);
        assertThat(start(at)).isEqualTo("2027-03-17T21:00:00Z");
    }

    private String start(Published at) {
        return programme.session(at.session()).orElseThrow().start().toString();
    }

    @Test
    void dates_that_would_pile_up_are_named_even_if_only_one_moves() {
        Published at = saltmarrow.publish(seats(8).at("2027-03-16T19:00", "2027-03-23T19:00"));
        Document shown = organiser
                .post(page(at), page(at), form(at, "Tue 23 Mar 2027 20:00-22:00", "THIS"))
                .document();
        assertThat(shown.text()).contains("One of them would be double-booked.");
        assertThat(shown.select("tbody .trouble").text()).contains("at the same time as Tue 23 Mar, 19:00–21:00");
        assertThat(shown.select("svg.shift path.collides")).hasSize(1);
    }

    @Test
    void one_session_that_collides_with_nothing_is_changed_at_once() {
        Published at = saltmarrow.publish(seats(8).at("2027-03-16T19:00", "2027-03-23T19:00"));
        assertThat(organiser
                        .post(page(at), page(at), form(at, "Wed 17 Mar 2027 20:00-22:00", "THIS"))
                        .status())
                .isEqualTo(302);
    }

    @Test
    void of_two_who_change_a_session_the_second_is_told_how_it_is_and_loses_nothing() {
        Published at = saltmarrow.publish(seats(8).at("2027-03-16T19:00", "2027-03-23T19:00"));
        Map<String, String> second = new LinkedHashMap<>(form(at, "Wed 17 Mar 2027 18:00-20:00", "THIS"));
        second.put(
                "seen", organiser.get(page(at)).document().select("[name=seen]").val());
        Map<String, String> first = new LinkedHashMap<>(form(at, "Wed 17 Mar 2027 20:00-22:00", "THIS"));
        first.put("seen", second.get("seen"));
        assertThat(organiser.post(page(at), page(at), first).status()).isEqualTo(302);
        Browserless.Page told = organiser.post(page(at), page(at), second);
        assertThat(told.status()).isEqualTo(409);
        assertThat(told.document().text()).contains("it is now Wed 17 Mar 20:00");
        assertThat(told.document().select("[name=when]").val()).isEqualTo("Wed 17 Mar 2027 18:00-20:00");
        second.put("seen", told.document().select("[name=seen]").val());
        assertThat(organiser.post(page(at), page(at), second).status()).isEqualTo(302);
        var is = planned.plan(at.session()).orElseThrow();
        assertThat(schedule.change(
                        at.session(),
                        OptionalInt.of(0),
                        Scope.THIS,
                        is.at(is.end(), is.end()),
                        "",
                        Saltmarrow.ORGANISER))
                .as("checked within the write too")
                .isEqualTo(new Outcome.Refused(Outcome.Reason.OVERTAKEN, ""));
    }

    @Test
    void people_read_what_changed_from_what_to_what_and_the_organisers_own_words() {
        Published at = saltmarrow.publish(seats(8).at("2027-03-16T19:00", "2027-03-23T19:00"));
        roster.register(person(at.session(), "Teo Quillfeather", 1), Saltmarrow.VISITOR);
        String before = programme.session(at.session()).orElseThrow().place();
        long loft = venues.add(
                        VenueCommands.Form.of(Venue.Kind.PLACE, "Net loft " + at.session(), "Net loft 3, Saltmarrow"),
                        Saltmarrow.ORGANISER)
                .orElseThrow();
        var plan = planned.plan(at.session()).orElseThrow().meeting(loft);
        schedule.change(
                at.session(),
                OptionalInt.empty(),
                Scope.THIS,
                plan,
                "The loft has *more* light.",
                Saltmarrow.ORGANISER);
        assertThat(new Browserless(port)
                        .get("/p/" + at.slug())
                        .document()
                        .select(".choice label")
                        .eachText())
                .as("dates at several places say each their own")
                .satisfiesExactly(
                        one -> assertThat(one).contains("Net loft 3"),
                        other -> assertThat(other).contains(before));
        clock.windOn(Duration.ofMinutes(10));
        worker.sendDue();
        var letter = tray.latestTo(person(at.session(), "Teo Quillfeather", 1).email())
                .orElseThrow();
        assertThat(letter.text())
                .contains("Net loft 3, Saltmarrow", "instead of " + before, "The loft has *more* light.");
        assertThat(letter.text()).doesNotContain("19:00–21:00 Halifax time, instead of");
        assertThat(letter.html()).contains("The loft has *more* light.");
    }

    @Test
    void whoever_cancels_a_session_may_say_why() {
        Published at = saltmarrow.publish(seats(8));
        roster.register(person(at.session(), "Ilse Merrow", 1), Saltmarrow.VISITOR);
        organiser.post(page(at), page(at) + "/call-off", Map.of("scope", "THIS", "words", "The slip is under repair."));
        clock.windOn(Duration.ofMinutes(10));
        worker.sendDue();
        assertThat(tray.latestTo(person(at.session(), "Ilse Merrow", 1).email())
                        .orElseThrow()
                        .text())
                .contains("does not take place", "The slip is under repair.");
    }

    @Test
    void times_in_person_are_told_on_the_clock_where_it_is_held() {
        Published here = saltmarrow.publish(seats(8));
        Published onAir = saltmarrow.publish(seats(8).onAir("2027-03-16T19:00"));
        Browserless lisbon = new Browserless(port);
        lisbon.post("/zone", "/zone", Map.of("zone", "Europe/Lisbon"));
        assertThat(List.of(
                        lisbon.get("/p/" + here.slug())
                                .document()
                                .select(".choice label")
                                .text(),
                        lisbon.get("/p/" + onAir.slug())
                                .document()
                                .select(".choice label")
                                .text()))
                .satisfiesExactly(
                        text -> assertThat(text)
                                .contains("Tue 16 Mar, 19:00–21:00")
                                .contains("22:00–00:00 in Lisbon"),
                        text -> assertThat(text)
                                .contains("Tue 16 Mar, 22:00–00:00")
                                .contains("19:00–21:00 in Halifax"));
    }
}
