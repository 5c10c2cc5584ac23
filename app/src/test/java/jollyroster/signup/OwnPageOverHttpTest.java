package jollyroster.signup;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Mailbox;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.answers.GivenQueries;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.schedule.Scope;
import jollyroster.seating.Registration;
import jollyroster.sheet.QuestionForm;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A person's own page, with and without the right link, in the right order and not. */
@AppTest
class OwnPageOverHttpTest extends AsVisitor {

    @Autowired
    Mailbox mailbox;

    @Autowired
    GivenQueries given;

    @Autowired
    ScheduleCommands schedule;

    private String own(Published at, String name, String party) {
        String email = name.toLowerCase(java.util.Locale.ROOT).replace(' ', '.') + at.session() + "@crew.example";
        visitor.register(at, Map.of("name", name, "email", email, "party", party));
        return mailbox.ownPage(email);
    }

    private Registration only(Published at, String name) {
        return Saltmarrow.named(roster.roster(at.session()), name);
    }

    @Test
    void a_call_up_is_answered_on_the_own_page_and_a_replayed_answer_changes_nothing() {
        Published at = saltmarrow.publish(seats(1).callingUp());
        String first = own(at, "Marisol Achterberg", "1");
        String second = own(at, "Teo Quillfeather", "1");
        assertThat(visitor.get(second).state()).isEqualTo("waitlisted");
        visitor.post(first, first + "/cancel", Map.of("why", "a cold"));
        Browserless.Page called = visitor.get(second);
        assertThat(called.state()).isEqualTo("called-up");
        assertThat(called.document().select(".answer-now").text()).contains("A seat is held for you");
        assertThat(visitor.post(second, second + "/accept", Map.of()).location())
                .endsWith(second);
        Browserless.Page accepted = visitor.get(second);
        assertThat(accepted.state()).isEqualTo("registered");
        assertThat(accepted.document().select(".said").text()).contains("The seats are yours.");
        assertThat(visitor.get(second).document().select(".said"))
                .as("said once")
                .isEmpty();
        visitor.post(second, second + "/cancel", Map.of());
        visitor.post("/mine", second + "/accept", Map.of());
        Browserless.Page again = visitor.get(second + "?came=replied-seated");
        assertThat(again.document().select(".warned").text()).contains("Nothing is offered to you");
        assertThat(again.state()).isEqualTo("cancelled");
        assertThat(only(at, "Marisol Achterberg").remarks().why()).isEqualTo("a cold");
    }

    @Test
    void a_wrong_address_is_said_beside_its_field_and_nothing_typed_is_lost() {
        String own = own(saltmarrow.publish(seats(4)), "Teo Quillfeather", "1");
        Browserless.Page wrong =
                visitor.post(own, own + "/contact", Map.of("name", "Teo Quill", "email", "teo at crew"));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.document().select("details[open] .field-problem").text())
                .isEqualTo("This is not an e-mail address.");
        assertThat(wrong.document().select("#own-name, #own-email").eachAttr("value"))
                .containsExactly("Teo Quill", "teo at crew");
        assertThat(visitor.get(own).document().select("#own-name").attr("value"))
                .as("nothing was changed")
                .isEqualTo("Teo Quillfeather");
    }

    @Test
    void a_token_of_another_person_or_purpose_opens_nothing() {
        Published at = saltmarrow.publish(seats(4));
        String mine = own(at, "Wren Skerry", "1");
        String theirs = own(at, "Kofi Brannigan", "1");
        String mixed = mine.substring(0, mine.lastIndexOf('.') + 1) + theirs.substring(theirs.lastIndexOf('.') + 1);
        assertThat(visitor.get(mixed).status()).isEqualTo(404);
        String token = mine.substring("/my/".length());
        for (String other : List.of("/confirm/", "/mine/", "/invited/", "/join/")) {
            assertThat(visitor.get(other + token).status()).as(other).isEqualTo(404);
        }
        assertThat(visitor.get("/feeds/mine/" + token + ".ics").status()).isEqualTo(404);
        assertThat(visitor.post(mine, mixed + "/cancel", Map.of()).status()).isEqualTo(404);
    }

    @Test
    void a_form_sent_again_after_giving_back_does_not_register_again() {
        Published at = saltmarrow.publish(seats(4));
        Map<String, String> form =
                Map.of("form", "11111111-2222-3333-4444-555555555555", "email", "again@crew.example");
        visitor.register(at, form);
        String own = mailbox.ownPage("again@crew.example");
        visitor.post(own, own + "/cancel", Map.of());
        assertThat(visitor.register(at, form).state()).isEqualTo("cancelled");
        assertThat(roster.roster(at.session())).hasSize(1);
    }

    @Test
    void companions_answers_clock_and_reminders_are_changed() {
        Published at = saltmarrow.publish(seats(4).asking(
                        QuestionForm.of("SHORT_TEXT", "Diet?", "", true, "").forEachPerson()));
        visitor.register(at, Map.of("party", "1", "q.diet", "none"));
        String own = mailbox.ownPage("kofi@crew.example");
        Browserless.Page missing = visitor.post(own, own + "/amend", Map.of("party", "2", "q.diet", "none"));
        assertThat(missing.status()).isEqualTo(422);
        assertThat(missing.document().select("#e-q1\\.diet .field-problem").text())
                .contains("Please answer");
        Map<String, String> good =
                Map.of("party", "2", "q.diet", "none", "q1.diet", "no fish", "companion1", "Ilse Merrow");
        assertThat(visitor.post(own, own + "/amend", good).location()).endsWith(own);
        assertThat(visitor.get(own).document().select(".said").text()).contains("Saved.");
        assertThat(visitor.get(own).document().text())
                .contains("2 seats")
                .contains("with Ilse Merrow")
                .contains("no fish");
        visitor.post(own, own + "/amend", Map.of("party", "1", "q.diet", "vegan"));
        assertThat(visitor.get(own).document().text()).contains("vegan").doesNotContain("no fish");
        visitor.post(own, own + "/wishes", Map.of("zone", "Asia/Singapore"));
        Registration r = roster.roster(at.session()).get(0);
        assertThat(r.zone().getId()).isEqualTo("Asia/Singapore");
        assertThat(r.remarks().reminded()).isFalse();
        visitor.post(own, own + "/wishes", Map.of("zone", "Nowhere/At-All", "reminded", "true"));
        assertThat(roster.roster(at.session()).get(0).zone().getId()).isEqualTo("Asia/Singapore");
    }

    @Test
    void more_companions_than_there_are_seats_are_refused_in_words_and_nothing_is_lost() {
        Published at = saltmarrow.publish(seats(2));
        String own = own(at, "Anneke Strand", "1");
        own(at, "Bao Lindqvist", "1");
        Browserless.Page refused =
                visitor.post(own, own + "/amend", Map.of("party", "2", "companion1", "Ünal Ödegård"));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.document().select(".field-problem").text()).contains("too few free seats");
        assertThat(refused.document().select("#companion1").attr("value")).isEqualTo("Ünal Ödegård");
    }

    @Test
    void two_people_swap_by_their_own_pages() {
        Published at = saltmarrow.publish(seats(1).by(SignUpStyle.ONE_DATE).at("2027-03-16T19:00", "2027-03-23T19:00"));
        String one = own(at, "Oriel Saltonby", "1");
        String second = String.valueOf(at.dates().get(1));
        visitor.register(at, Map.of("name", "Pascoe Merrow", "email", "swap@crew.example", "session", second));
        String other = mailbox.ownPage("swap@crew.example");
        Map<String, String> wish = Map.of("wanted", second, "with", "swap@crew.example");
        visitor.post(one, one + "/swap", wish);
        String declined =
                visitor.get(other).document().select("input[name=offer]").attr("value");
        visitor.post(other, other + "/swap/decline", Map.of("offer", declined));
        assertThat(visitor.get(other).document().select(".said").text()).contains("Declined.");
        assertThat(visitor.get(other).document().select("input[name=offer]")).isEmpty();
        visitor.post(one, one + "/swap", wish);
        Browserless.Page asked = visitor.get(other);
        assertThat(asked.document().select(".answer-now").text()).contains("Oriel Saltonby would like to swap");
        String offer = asked.document().select("input[name=offer]").attr("value");
        visitor.post(one, one + "/swap/agree", Map.of("offer", offer));
        assertThat(visitor.get(one).document().select(".warned").text()).contains("no longer possible");
        visitor.post(other, other + "/swap/agree", Map.of("offer", offer));
        assertThat(visitor.get(other).document().select(".said").text()).contains("You have swapped dates.");
        assertThat(visitor.get(one).document().select(".ticket").text()).contains("Tue 23 Mar");
    }

    @Test
    void a_date_that_was_cancelled_looks_cancelled_and_cannot_be_pushed_on_somebody() {
        Published at = saltmarrow.publish(seats(1).by(SignUpStyle.ONE_DATE).at("2027-03-16T19:00", "2027-03-23T19:00"));
        String one = own(at, "Oriel Saltonby", "1");
        String second = String.valueOf(at.dates().get(1));
        visitor.register(at, Map.of("name", "Pascoe Merrow", "email", "pushed@crew.example", "session", second));
        String other = mailbox.ownPage("pushed@crew.example");
        schedule.callOff(at.session(), Scope.THIS, "", Saltmarrow.ORGANISER);
        Browserless.Page page = visitor.get(one);
        assertThat(page.document().select(".ticket p.state").text()).isEqualTo("session cancelled");
        assertThat(page.document().select(".stub .big, form[action$=swap], a[href$=ics]"))
                .isEmpty();
        visitor.post(one, one + "/swap", Map.of("wanted", second, "with", "pushed@crew.example"));
        assertThat(visitor.get(other).document().select("input[name=offer]")).isEmpty();
    }

    @Test
    void everything_of_a_person_stands_in_one_place_and_the_feed_follows() {
        Published at = saltmarrow.publish(seats(4));
        Published other = saltmarrow.publish(seats(4));
        Map<String, String> me = Map.of("name", "Greta Pennycot", "email", "greta@crew.example");
        visitor.register(at, me);
        visitor.register(other, me);
        String own = mailbox.ownPage("greta@crew.example");
        assertThat(visitor.post("/mine", "/mine", Map.of("email", "nobody@crew.example"))
                        .document()
                        .text())
                .contains("If nobody@crew.example is known here");
        assertThat(visitor.post("/mine", "/mine", Map.of("email", "nonsense")).status())
                .isEqualTo(422);
        visitor.post("/mine", "/mine", Map.of("email", "greta@crew.example"));
        worker.sendDue();
        String mine = linkIn("greta@crew.example", "/mine/");
        assertThat(visitor.get(mine).document().select(".mine-list a b")).hasSize(2);

        String feed =
                visitor.get(own).document().select("a[href*=/feeds/mine/]").attr("href");
        String path = java.net.URI.create(feed).getPath();
        assertThat(visitor.get(path).response().body()).contains("STATUS:CONFIRMED");
        visitor.post(own, own + "/cancel", Map.of());
        assertThat(visitor.get(path).response().body()).contains("STATUS:CANCELLED");
    }

    private String linkIn(String recipient, String path) {
        String text = tray.latestTo(recipient).orElseThrow().text();
        Matcher m = Pattern.compile("https?://[^/\\s]+(" + path + "\\S+)").matcher(text);
        assertThat(m.find()).as(text).isTrue();
        return m.group(1);
    }

    @Test
    void who_wishes_it_is_remembered_on_this_device_and_forgotten_again() {
        Published at = saltmarrow.publish(seats(4));
        visitor.register(at, Map.of("name", "Ünal Ödegård", "email", "uo@crew.example", "remember", "true"));
        assertThat(visitor.get("/p/" + at.slug()).document().select("#name").attr("value"))
                .isEqualTo("Ünal Ödegård");
        assertThat(new Browserless(port)
                        .get("/p/" + at.slug())
                        .document()
                        .select("#name")
                        .attr("value"))
                .isEmpty();
        visitor.register(at, Map.of("name", "Wren Skerry", "email", "ws@crew.example"));
        assertThat(visitor.get("/p/" + at.slug()).document().select("#name").attr("value"))
                .isEmpty();
    }

    @Test
    void after_registering_one_is_taken_to_where_the_organiser_says() {
        Published at = saltmarrow.publish(seats(4).callingUp().saidAfter("", "https://quay.example/map?to=loft"));
        Browserless.Page page = visitor.register(at, Map.of());
        assertThat(page.response().headers().firstValue("Refresh")).contains("6; url=https://quay.example/map?to=loft");
        assertThat(visitor.get(mailbox.ownPage("kofi@crew.example"))
                        .response()
                        .headers()
                        .firstValue("Refresh"))
                .isEmpty();
    }

    @Test
    void the_team_tries_the_form_and_nothing_is_stored() {
        Published at = saltmarrow.publish(seats(4).asking(QuestionForm.of("AGREEMENT", "I can swim", "", true, "")));
        Browserless organiser = Browserless.organiser(port);
        String trying = "/desk/offerings/" + at.offering() + "/try";
        Map<String, String> form = new HashMap<>(
                Map.of("session", String.valueOf(at.session()), "name", "Try Out", "email", "try@crew.example"));
        assertThat(organiser.post(trying, trying, form).status()).isEqualTo(422);
        form.put("q.i_can_swim", "yes");
        assertThat(organiser.post(trying, trying, form).document().text()).contains("This would be taken.");
        assertThat(roster.roster(at.session())).isEmpty();
        assertThat(new Browserless(port).get(trying).location()).contains("/sign-in");
    }

    @Test
    void questions_of_all_kinds_are_asked_only_where_they_apply() {
        Published at = saltmarrow.publish(seats(4).asking(
                        QuestionForm.of("YES_NO", "Own boat?", "", true, "").named("boat"),
                        QuestionForm.of("SHORT_TEXT", "Its name?", "", true, "").onlyIf("boat", "yes"),
                        QuestionForm.of("CHOOSE_SEVERAL", "Waters?", "", true, "Bay\nOffshore")
                                .within("1", "1"),
                        QuestionForm.of("DATE", "Certificate runs out", "", false, "")
                                .within("2027-01-01", ""),
                        QuestionForm.of("AGREEMENT", "I can swim 50 m", "", true, "")));
        Map<String, String> answers = new HashMap<>(Map.of("q.own_boat", "no", "q.waters", "Bay"));
        Browserless.Page page = visitor.register(at, answers);
        assertThat(page.document().select(".summary-of-problems li").eachText())
                .containsExactly("Please tick: I can swim 50 m");
        answers.put("q.i_can_swim_50_m", "yes");
        answers.put("q.own_boat", "yes");
        answers.put("q.certificate_runs_out", "2026-12-31");
        assertThat(visitor.register(at, answers)
                        .document()
                        .select(".summary-of-problems li")
                        .eachText())
                .containsExactly("Please answer: Its name?", "Certificate runs out: not before Fri 1 Jan 2027");
        answers.put("q.its_name", "Curlew");
        answers.remove("q.certificate_runs_out");
        assertThat(visitor.register(at, answers).state()).isEqualTo("registered");
        long id = roster.roster(at.session()).get(0).id();
        assertThat(given.answersOf(id)).containsEntry("Its name?", "Curlew").containsEntry("I can swim 50 m", "yes");
    }
}
