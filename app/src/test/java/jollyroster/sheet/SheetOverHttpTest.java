package jollyroster.sheet;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.seating.RegistrationCommands;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The sheet of an offering, as an organiser fills it in. */
@AppTest
class SheetOverHttpTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    RegistrationCommands roster;

    @LocalServerPort
    int port;

    private Published at;
    private String sheet;
    private Browserless organiser;

    @BeforeEach
    void publish() {
        at = saltmarrow.publish(seats(6).asking(
                        QuestionForm.of("CHOOSE_ONE", "Boat?", "", true, "Dinghy | 4\nGig"),
                        QuestionForm.of("AGREEMENT", "I can swim", "", true, "")));
        sheet = "/desk/offerings/" + at.offering();
        organiser = Browserless.organiser(port);
    }

    private Offering offering() {
        return programme.offering(at.offering()).orElseThrow();
    }

    /** The sheet's own form as a browser would send it back untouched. */
    private Map<String, String> filledIn() {
        Map<String, String> fields = new LinkedHashMap<>();
        Element form = organiser
                .get(sheet)
                .document()
                .selectFirst("form[data-unsaved], form#sheet-form, main form:has([name=version])");
        form.select("input[name], textarea[name], select[name]").forEach(field -> {
            boolean tick = field.attr("type").matches("checkbox|radio");
            if (!tick || field.hasAttr("checked")) {
                String chosen =
                        field.is("select") ? field.select("option[selected]").attr("value") : field.val();
                fields.put(field.attr("name"), chosen);
            }
        });
        fields.remove("_csrf");
        return fields;
    }

    private Browserless.Page keep(Map<String, String> fields) {
        return organiser.post(sheet, sheet, fields);
    }

    @Test
    void sent_back_untouched_it_changes_nothing() {
        Offering before = offering();
        List<?> questions = programme.questions(at.offering());
        assertThat(keep(filledIn()).status()).isEqualTo(302);
        assertThat(offering().title()).isEqualTo(before.title());
        assertThat(offering().signUp()).isEqualTo(before.signUp());
        assertThat(programme.questions(at.offering())).isEqualTo(questions);
    }

    @Test
    void what_is_wrong_is_said_beside_it_and_nothing_is_kept() {
        String before = offering().title();
        Map<String, String> fields = filledIn();
        fields.put("words.title", "Another title");
        fields.put("seats.seats", "-3");
        fields.put("seats.length", "a while");
        Browserless.Page again = keep(fields);
        assertThat(again.status()).isEqualTo(422);
        assertThat(again.document().select("[name=seats.seats]").attr("value")).isEqualTo("-3");
        assertThat(again.document().select(".field-problem, .problem").size()).isGreaterThanOrEqualTo(1);
        assertThat(offering().title()).isEqualTo(before);
    }

    @Test
    void of_two_who_write_at_once_the_second_is_asked_and_loses_nothing() {
        Map<String, String> mine = filledIn();
        Map<String, String> theirs = filledIn();
        theirs.put("words.title", "Theirs " + at.offering());
        assertThat(keep(theirs).status()).isEqualTo(302);
        mine.put("words.title", "Mine " + at.offering());
        Browserless.Page again = keep(mine);
        assertThat(again.status()).isEqualTo(409);
        assertThat(again.document().select("[name=words.title]").attr("value")).isEqualTo("Mine " + at.offering());
        assertThat(offering().title()).isEqualTo("Theirs " + at.offering());
    }

    @Test
    void how_people_register_is_held_once_somebody_has() {
        Map<String, String> fields = filledIn();
        roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        fields.put("signup.style", "WHOLE_SERIES");
        assertThat(keep(fields).status()).isEqualTo(409);
        assertThat(organiser.post(sheet, sheet + "/discard", Map.of()).location())
                .endsWith(sheet);
        assertThat(programme.offering(at.offering())).as("people are on it").isPresent();
    }

    @Test
    void a_copy_takes_words_and_questions_and_is_a_draft_nobody_sees() {
        String copy = organiser
                .post(sheet, sheet + "/copy", Map.of("title", "Bench again", "as", "DRAFT_WITHOUT_DATES"))
                .location()
                .replaceAll("^https?://[^/]+", "");
        long id = Long.parseLong(copy.replaceAll("\\D", ""));
        Offering drafted = programme.offering(id).orElseThrow();
        assertThat(drafted.status()).isEqualTo(OfferingStatus.DRAFT);
        assertThat(drafted.title()).isEqualTo("Bench again");
        assertThat(programme.questions(id))
                .extracting(q -> q.question().label())
                .containsExactly("Boat?", "I can swim");
        assertThat(programme.sessionsOf(id)).isEmpty();
        assertThat(new Browserless(port).get("/p/" + drafted.slug()).status()).isEqualTo(404);
        assertThat(organiser
                        .post(copy, copy + "/turn", Map.of("to", "PUBLISHED"))
                        .status())
                .isEqualTo(302);
        assertThat(organiser.get(copy).document().select(".warned").text()).contains("Not published yet");
        organiser.post(copy, copy + "/discard", Map.of());
        assertThat(programme.offering(id)).isEmpty();
    }

    @Test
    void questions_of_another_sheet_come_to_the_end_of_this_one() {
        Published other = saltmarrow.publish(seats(2).asking(QuestionForm.of("NUMBER", "Age?", "", false, "")));
        organiser.post(sheet, sheet + "/questions", Map.of("from", String.valueOf(other.offering())));
        assertThat(programme.questions(at.offering()))
                .extracting(q -> q.question().label())
                .containsExactly("Boat?", "I can swim", "Age?");
        assertThat(programme.questions(other.offering())).hasSize(1);
        assertThat(organiser
                        .post(sheet, sheet + "/questions", Map.of("from", "999999"))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void a_question_that_is_dropped_is_neither_asked_nor_taken_and_what_was_answered_stays() {
        Map<String, String> swim = Map.of("q.boat", "Gig", "q.i_can_swim", "yes");
        assertThat(new Browserless(port).register(at, swim).state()).isEqualTo("registered");
        Map<String, String> fields = filledIn();
        assertThat(fields).containsEntry("question[0].label", "Boat?");
        fields.keySet().removeIf(name -> name.startsWith("question[0]"));
        assertThat(keep(fields).status()).isEqualTo(302);
        assertThat(new Browserless(port).get("/p/" + at.slug()).document().select("[name=q.boat]"))
                .isEmpty();
        Map<String, String> late = new LinkedHashMap<>(swim);
        late.putAll(Map.of("q.boat", "Dinghy", "email", "late@crew.example", "name", "Late Comer"));
        assertThat(new Browserless(port).register(at, late).state()).isEqualTo("registered");
        String answers =
                organiser.get(sheet + "/answers").document().select("main").text();
        assertThat(answers).contains("Boat?").doesNotContain("2 answers Dinghy");
        assertThat(organiser.get(sheet + "/answers.csv").response().body())
                .contains("Boat?", "Gig")
                .doesNotContain("Dinghy");
    }

    @Test
    void a_form_with_absurd_fields_is_refused_and_breaks_nothing() {
        for (String field : List.of(
                "question[100000].label",
                "question[-1].label",
                "question[x].label",
                "question[0].options[7]",
                "words",
                "seats[0]")) {
            Map<String, String> fields = filledIn();
            fields.put(field, "Absurd");
            assertThat(keep(fields).status()).as(field).isLessThan(500);
        }
        assertThat(programme.questions(at.offering())).hasSize(2);
    }
}
