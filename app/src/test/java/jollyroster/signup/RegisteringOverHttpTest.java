package jollyroster.signup;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Mailbox;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.seating.RegistrationQueries;
import jollyroster.sheet.QuestionForm;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

@AppTest
class RegisteringOverHttpTest {

    @LocalServerPort
    int port;

    @Autowired
    Mailbox mailbox;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationQueries roster;

    @Autowired
    OfferingCommands programme;

    @Autowired
    TestClock clock;

    Browserless visitor;
    Published at;

    @BeforeEach
    void open() {
        clock.set(TestClock.START);
        visitor = new Browserless(port);
        at = saltmarrow.publish(seats(8));
    }

    @Test
    void a_registration_is_confirmed_and_its_link_goes_by_mail() {
        Browserless.Page page = visitor.register(at, Map.of());
        assertThat(page.status()).isEqualTo(200);
        assertThat(page.state()).isEqualTo("registered");
        assertThat(page.document().select("a[href*=/my/], a[href*=/join/]")).isEmpty();
        Browserless.Page own = visitor.get(mailbox.ownPage("kofi@crew.example"));
        assertThat(own.state()).isEqualTo("registered");
        assertThat(own.document().text()).contains("Kofi Brannigan");
    }

    @Test
    void the_own_page_gives_the_seat_back() {
        visitor.register(at, Map.of());
        String own = mailbox.ownPage("kofi@crew.example");
        assertThat(visitor.post(own, own + "/cancel", Map.of()).status()).isEqualTo(302);
        assertThat(visitor.get(own).state()).isEqualTo("cancelled");
    }

    @Test
    void when_it_is_full_the_waitlist_takes_over() {
        visitor.register(at, Map.of("party", "3"));
        visitor.register(at, Map.of("party", "3", "email", "b@crew.example"));
        Browserless.Page third = visitor.register(at, Map.of("party", "3", "email", "c@crew.example"));
        assertThat(third.state()).isEqualTo("waitlisted");
        assertThat(visitor.get(mailbox.ownPage("c@crew.example")).document().text())
                .contains("Place 1");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "name    | ''                      | Please give a name.",
                "name    | ' '                     | Please give a name.",
                "name    | 1234                    | Please give a name.",
                "name    | Wren at sea.example     | Please give a name without a web or e-mail address in it.",
                "email   | kofi                    | This is not an e-mail address.",
                "email   | ''                      | Please give an e-mail address; your link goes there.",
                "phone   | call me                 | This is not a phone number. Leave it empty if you like.",
                "party   | 0                       | Say how many people are coming, yourself included.",
                "party   | -1                      | Say how many people are coming, yourself included.",
                "party   | 99                      | At most 3 people can come on one registration.",
                "party   | two                     | Say how many people are coming, yourself included.",
                "session | ''                      | Choose a date.",
                "session | knots                   | Choose a date.",
            })
    void what_is_wrong_is_said_beside_the_field_and_nothing_typed_is_lost(
            String field, String entered, String problem) {
        Map<String, String> fields = new java.util.HashMap<>(Map.of("name", "Ünal Ödegård"));
        fields.put(field, entered);
        Browserless.Page page = visitor.register(at, fields);
        assertThat(page.status()).isEqualTo(422);
        String id = field.equals("session") ? "e-session" : "e-" + field;
        assertThat(page.document().select("#" + id + " .field-problem").text()).isEqualTo(problem);
        if (!field.equals("name")) {
            assertThat(page.document().select("#name").attr("value")).isEqualTo("Ünal Ödegård");
        }
        assertThat(roster.roster(at.session())).isEmpty();
    }

    @Test
    void a_name_of_ten_thousand_characters_is_refused_and_a_line_break_in_an_address_too() {
        assertThat(visitor.register(at, Map.of("name", "x".repeat(10_000))).status())
                .isEqualTo(422);
        assertThat(visitor.register(at, Map.of("email", "a@crew.example\r\nBcc: b@crew.example"))
                        .status())
                .isEqualTo(422);
        assertThat(roster.roster(at.session())).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<script>alert(1)</script>",
                "Robert'); DROP TABLE session;--",
                "مريم العلي",
                "⛵ Wren 🌊 Skerry",
                "${7*7} #{x} *{y}",
                "Ade\nSecond Line"
            })
    void names_of_all_sorts_are_kept_and_shown_as_text(String name) {
        Browserless.Page page = visitor.register(at, Map.of("name", name));
        assertThat(page.state()).isEqualTo("registered");
        assertThat(page.document().select("main script")).isEmpty();
        String kept = name.replace("\n", " ");
        assertThat(roster.roster(at.session()).get(0).name()).isEqualTo(kept);
        assertThat(page.document().text()).contains(kept);
    }

    @Test
    void unknown_foreign_closed_and_past_sessions_are_refused() {
        Published other = saltmarrow.publish(seats(8));
        assertThat(visitor.register(at, Map.of("session", "999999")).status()).isEqualTo(409);
        assertThat(visitor.register(at, Map.of("session", String.valueOf(other.session())))
                        .status())
                .isEqualTo(409);
        clock.set(Instant.parse("2027-03-16T22:00:00Z"));
        assertThat(postWithToken(at).status()).isEqualTo(409);
        clock.set(TestClock.START);
        programme.turn(at.offering(), OfferingStatus.CLOSED, Saltmarrow.ORGANISER);
        Browserless.Page closed = postWithToken(at);
        assertThat(closed.status()).isEqualTo(409);
        assertThat(closed.document().select("#e-session .field-problem").text())
                .isEqualTo("Registration for this date is closed.");
        assertThat(closed.document().select("#name").attr("value")).isEqualTo("Late Comer");
        programme.turn(at.offering(), OfferingStatus.DRAFT, Saltmarrow.ORGANISER);
        assertThat(visitor.get("/p/" + at.slug()).status()).isEqualTo(404);
        assertThat(roster.roster(at.session())).isEmpty();
    }

    /** The form of a page that was loaded while registration was still open. */
    private Browserless.Page postWithToken(Published where) {
        String csrf = visitor.get("/sign-in").csrf();
        return visitor.postAsIs(
                "/p/" + where.slug() + "/register",
                Map.of(
                        "session",
                        String.valueOf(where.session()),
                        "name",
                        "Late Comer",
                        "email",
                        "late@crew.example",
                        "party",
                        "1",
                        "_csrf",
                        csrf));
    }

    @Test
    void the_same_form_twice_is_one_registration() {
        Browserless.Page form = visitor.get("/p/" + at.slug());
        Map<String, String> fields = Map.of(
                "session",
                String.valueOf(at.session()),
                "name",
                "Ilse Merrow",
                "email",
                "ilse@crew.example",
                "party",
                "2",
                "form",
                form.document().select("input[name=form]").attr("value"),
                "_csrf",
                form.csrf());
        Browserless.Page first = visitor.postAsIs("/p/" + at.slug() + "/register", fields);
        Browserless.Page second = visitor.postAsIs("/p/" + at.slug() + "/register", fields);
        assertThat(second.state()).isEqualTo("registered");
        assertThat(second.document().text()).isEqualTo(first.document().text());
        assertThat(roster.roster(at.session())).hasSize(1);
    }

    @Test
    void the_page_says_the_same_for_an_address_that_is_known_and_one_that_is_not() {
        visitor.register(at, Map.of("name", "Secret Person"));
        Browserless.Page known = new Browserless(port).register(at, Map.of("name", "Somebody Else"));
        Browserless.Page unknown =
                new Browserless(port).register(at, Map.of("name", "Somebody Else", "email", "nobody@crew.example"));
        assertThat(known.status()).isEqualTo(unknown.status());
        assertThat(known.state()).isEqualTo(unknown.state()).isEqualTo("registered");
        assertThat(known.document().select("main").outerHtml())
                .isEqualTo(unknown.document()
                        .select("main")
                        .outerHtml()
                        .replace("nobody@crew.example", "kofi@crew.example"));
        assertThat(roster.roster(at.session()))
                .extracting(r -> r.name())
                .containsExactly("Secret Person", "Somebody Else");
    }

    @Test
    void where_it_is_full_a_known_address_hears_what_a_newcomer_hears() {
        Published small = saltmarrow.publish(seats(1).callingUp());
        visitor.register(small, Map.of());
        assertThat(new Browserless(port).register(small, Map.of()).state())
                .isEqualTo(new Browserless(port)
                        .register(small, Map.of("email", "late@crew.example"))
                        .state())
                .isEqualTo("waitlisted");
    }

    @Test
    void the_page_after_the_form_is_nobody_elses() {
        visitor.register(at, Map.of());
        String thanks = "/p/" + at.slug() + "/thanks";
        assertThat(visitor.get(thanks).document().text()).contains("kofi@crew.example");
        assertThat(new Browserless(port).get(thanks).document().text())
                .contains("Knots and splicing bench")
                .doesNotContain("kofi@crew.example");
    }

    @Test
    void intake_answers_are_checked_and_kept_under_their_wording() {
        Published asking = saltmarrow.publish(seats(8).asking(
                        QuestionForm.of("CHOOSE_ONE", "Left-handed?", "", true, "Yes\nNo"),
                        QuestionForm.of("AGREEMENT", "I can swim fifty metres", "", true, "")));
        Browserless.Page missing = visitor.register(asking, Map.of());
        assertThat(missing.status()).isEqualTo(422);
        assertThat(missing.document().select(".field-problem")).hasSize(2);
        assertThat(visitor.register(asking, Map.of("q.left_handed", "Perhaps", "q.i_can_swim_fifty_metres", "yes"))
                        .status())
                .isEqualTo(422);
        Browserless.Page done =
                visitor.register(asking, Map.of("q.left_handed", "Yes", "q.i_can_swim_fifty_metres", "yes"));
        assertThat(done.state()).isEqualTo("registered");
        assertThat(visitor.get(mailbox.ownPage("kofi@crew.example")).document().text())
                .contains("Left-handed?")
                .contains("I can swim fifty metres");
    }

    @Test
    void times_in_person_are_shown_where_it_is_held_with_the_visitors_under_it() {
        Browserless.Page page = visitor.get("/p/" + at.slug() + "?zone=Europe/Lisbon");
        assertThat(page.document().select(".facts dd").get(0).text())
                .contains("19:00–21:00")
                .contains("22:00–00:00 in Lisbon");
        assertThat(visitor.get("/p/" + at.slug() + "?zone=Nowhere/Land").status())
                .isEqualTo(200);
    }

    @Test
    void a_post_without_the_token_of_a_form_is_refused() {
        assertThat(visitor.postAsIs("/p/" + at.slug() + "/register", Map.of("session", String.valueOf(at.session())))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void public_pages_keep_no_session_and_pages_are_safe() {
        Browserless.Page page = visitor.get("/p/" + at.slug());
        assertThat(page.response().headers().allValues("set-cookie")).noneMatch(c -> c.startsWith("desk="));
        assertThat(page.response()
                        .headers()
                        .firstValue("content-security-policy")
                        .orElseThrow())
                .contains("script-src 'self'")
                .doesNotContain("unsafe-inline");
        assertThat(page.response().headers().firstValue("referrer-policy")).contains("no-referrer");
        assertThat(page.document().select("script:not([src]), [style], [onclick]"))
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"/my/", "/join/"})
    void bad_tokens_learn_nothing(String path) {
        for (String token :
                new String[] {"1.1.AAAAAAAAAAAAAAAAAAAAAA", "x", "1.1." + "A".repeat(5000), "%3Cscript%3E", "..%2f.."
                }) {
            Browserless.Page page = visitor.get(path + token);
            assertThat(page.status()).isIn(400, 404, 414);
        }
        assertThat(visitor.get(path + "1.1.AAAAAAAAAAAAAAAAAAAAAA").document().text())
                .contains("This link is not valid");
    }

    @Test
    void the_feeds_show_what_is_published_and_no_people() {
        visitor.register(at, Map.of());
        Published other = saltmarrow.publish(seats(8));
        assertThat(visitor.get("/feeds/programme.ics").response().body())
                .contains("session-" + at.session() + "@")
                .doesNotContain("Kofi");
        assertThat(visitor.get("/p/" + at.slug() + ".ics").response().body())
                .contains("session-" + at.session() + "@")
                .doesNotContain("session-" + other.session() + "@");
    }

    @Test
    void one_click_stops_the_reminders_and_keeps_the_seat() {
        visitor.register(at, Map.of());
        String own = mailbox.ownPage("kofi@crew.example");
        assertThat(visitor.postAsIs(own + "/no-reminders", Map.of("List-Unsubscribe", "One-Click"))
                        .status())
                .isEqualTo(204);
        assertThat(visitor.get(own).state()).isEqualTo("registered");
    }
}
