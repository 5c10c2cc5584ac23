package jollyroster.programme;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.seating.RegistrationCommands;
import jollyroster.sheet.QuestionForm;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Dates typed, replaced, imported and refused, as an organiser's browser sends them. */
@AppTest
class DatesOverHttpTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    RegistrationCommands roster;

    @LocalServerPort
    int port;

    private static Browserless signedIn;

    /** Signed in once for all tests here; signing in is throttled. */
    private Browserless organiser() {
        if (signedIn == null) {
            saltmarrow.setUp();
            signedIn = Browserless.organiser(port);
        }
        return signedIn;
    }

    private List<String> starts(long offering) {
        return programme.sessionsOf(offering).stream()
                .map(s -> s.zonedStart().toLocalDateTime().toString())
                .toList();
    }

    private Browserless.Page send(Published at, String path, Map<String, String> fields) {
        String sheet = "/desk/offerings/" + at.offering();
        return organiser().post(sheet, sheet + path, fields);
    }

    @Test
    void a_line_sets_seats_venue_and_the_week_series() {
        Published at = saltmarrow.publish(seats(8));
        String venue = programme
                .session(at.session())
                .orElseThrow()
                .venue()
                .orElseThrow()
                .name();
        String typed = "every Tue from 6 Apr until 20 Apr 2027 18:00-19:00 @ \"" + venue + "\", 5 seats";
        assertThat(send(at, "/dates", Map.of("typed", typed)).status()).isEqualTo(302);
        assertThat(starts(at.offering()))
                .containsExactly("2027-03-16T19:00", "2027-04-06T18:00", "2027-04-13T18:00", "2027-04-20T18:00");
        assertThat(programme.sessionsOf(at.offering()).get(1).seats()).isEqualTo(5);
        assertThat(programme.sessionsOf(at.offering()).get(1).own().venue()).isPresent();
    }

    @Test
    void an_unknown_venue_or_host_is_named_where_it_stands() {
        Published at = saltmarrow.publish(seats(8));
        Browserless.Page page =
                send(at, "/dates", Map.of("typed", "6 Apr 2027 @ Nowhere 10-11\n7 Apr 2027 10-11 with Nobody"));
        assertThat(page.status()).isEqualTo(422);
        assertThat(page.document().select("#readings .wrong").eachText())
                .containsExactly(
                        "1 There is no venue “Nowhere”; add it under Setup column 14",
                        "2 Nobody on the team is called “Nobody” column 23");
        assertThat(starts(at.offering())).hasSize(1);
    }

    @Test
    void all_dates_are_edited_as_text_but_nobody_is_put_off_a_date() {
        Published at = saltmarrow.publish(seats(8).at("2027-03-16T19:00", "2027-03-23T19:00", "2027-03-30T19:00"));
        roster.register(Saltmarrow.person(at.dates().get(1), "Kofi Brannigan", 1), Saltmarrow.VISITOR);
        Browserless.Page text = send(at, "/dates/as-text", Map.of());
        assertThat(text.document().select("#typed").text()).isEqualTo("Tue 16 Mar 2027 19:00-21:00 x3");
        Browserless.Page refused =
                send(at, "/dates", Map.of("typed", "Tue 16 Mar 2027 19:00-21:00", "replaces", "true"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.document().select(".warned").text()).contains("people are on Tue 23 Mar 19:00");
        assertThat(starts(at.offering())).hasSize(3);
        send(at, "/dates", Map.of("typed", "Tue 23 Mar 2027 19:00-21:00\nWed 24 Mar 2027 9-10", "replaces", "true"));
        assertThat(starts(at.offering())).containsExactly("2027-03-23T19:00", "2027-03-24T09:00");
        assertThat(programme.sessionsOf(at.offering()).get(0).id())
                .as("what stays keeps its number")
                .isEqualTo(at.dates().get(1));
    }

    @Test
    void another_offering_s_dates_come_shifted_to_be_looked_at_first() {
        Published from = saltmarrow.publish(seats(8).at("2027-03-16T19:00", "2027-03-23T19:00"));
        Published to = saltmarrow.publish(seats(8).at("2027-04-01T10:00"));
        Browserless.Page page =
                send(to, "/dates/copied", Map.of("from", String.valueOf(from.offering()), "weeks", "4"));
        assertThat(page.document().select("#typed").text())
                .isEqualTo("Tue 13 Apr 2027 19:00-21:00\nTue 20 Apr 2027 19:00-21:00");
        assertThat(starts(to.offering())).hasSize(1);
    }

    @Test
    void a_megabyte_of_text_and_an_endless_series_are_answered_clearly() {
        Published at = saltmarrow.publish(seats(8));
        Browserless.Page huge = send(at, "/dates", Map.of("typed", "6 Apr 2027 10-11\n".repeat(60_000)));
        assertThat(huge.status()).isEqualTo(422);
        assertThat(huge.document().select(".warned").text()).contains("longer than 200,000 characters");
        Browserless.Page endless = send(at, "/dates/read", Map.of("typed", "every day 10-11"));
        assertThat(endless.document().text()).contains("No end was given: 52 dates are taken.");
        assertThat(starts(at.offering())).hasSize(1);
    }

    @Test
    void publishing_with_open_findings_asks_once_and_names_them() {
        Published at = saltmarrow.publish(seats(8));
        Browserless organiser = organiser();
        String sheet = "/desk/offerings/" + at.offering();
        organiser.post(sheet, sheet + "/turn", Map.of("to", "DRAFT"));
        Map<String, String> words = Map.of("seen", "2", "title", "Bench", "summary", "", "language", "en");
        assertThat(organiser.post(sheet, sheet + "/parts/words", words).status())
                .isEqualTo(302);
        organiser.post(sheet, sheet + "/turn", Map.of("to", "PUBLISHED"));
        Browserless.Page asked = organiser.get(sheet);
        assertThat(asked.document().select(".ask-once").text()).contains("No summary.");
        assertThat(asked.document().select(".status-word").text()).isEqualTo("draft");
        organiser.post(sheet, sheet + "/turn", Map.of("to", "PUBLISHED", "anyway", "true"));
        assertThat(organiser.get(sheet).document().select(".status-word").text())
                .isEqualTo("published");
    }

    @Test
    void a_view_of_the_programme_is_saved_and_found_again() {
        Published at = saltmarrow.publish(seats(8));
        Browserless organiser = organiser();
        organiser.post(
                "/desk/programme?state=full", "/desk/programme/views", Map.of("name", "Full ones", "state", "full"));
        assertThat(organiser
                        .get("/desk/programme")
                        .document()
                        .select(".views a")
                        .attr("href"))
                .isEqualTo("/desk/programme?when=coming&state=full");
        assertThat(organiser
                        .get("/desk/programme?when=coming&state=full")
                        .document()
                        .select(".programme .name a")
                        .eachAttr("href"))
                .doesNotContain("/desk/sessions/" + at.session());
        assertThat(organiser
                        .get("/desk/programme?q=bench%20"
                                + programme
                                        .offering(at.offering())
                                        .orElseThrow()
                                        .title()
                                        .replaceAll("\\D", ""))
                        .document()
                        .select(".programme .name a")
                        .eachAttr("href"))
                .contains("/desk/sessions/" + at.session());
    }

    @Test
    void a_copy_brings_questions_and_dates_and_a_pattern_starts_others() {
        Published at = saltmarrow.publish(seats(8).asking(QuestionForm.of("SHORT_TEXT", "Boat?", "", false, "")));
        Browserless.Page copied = send(at, "/copy", Map.of("title", "Bench again", "as", "DRAFT_WITH_DATES"));
        long copy = Long.parseLong(copied.location().replaceAll(".*/", ""));
        assertThat(starts(copy)).containsExactly("2027-03-16T19:00");
        assertThat(programme.questions(copy)).hasSize(1);
        assertThat(programme.offering(copy).orElseThrow().status()).isEqualTo(OfferingStatus.DRAFT);
        send(at, "/copy", Map.of("title", "Saturday bench", "as", "PATTERN"));
        long pattern = programme.patterns().get(0).id();
        Browserless.Page begun = organiser()
                .post(
                        "/desk/programme",
                        "/desk/offerings",
                        Map.of("title", "May bench", "pattern", String.valueOf(pattern)));
        long begunId = Long.parseLong(begun.location().replaceAll(".*/", ""));
        assertThat(programme.offering(begunId).orElseThrow().summary()).isEqualTo("Six knots that hold.");
        assertThat(programme.offering(begunId).orElseThrow().rules().pattern()).isFalse();
    }
}
