package jollyroster.sheet;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow.Published;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.Part;
import jollyroster.seating.RegistrationCommands;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.beans.factory.annotation.Autowired;

/** Offering of an offering, as an organiser fills it in. */
@AppTest
class SheetOverHttpTest extends OnASheet {

    @Autowired
    RegistrationCommands roster;

    @BeforeEach
    void publish() {
        publish(seats(6).asking(
                        QuestionForm.of("CHOOSE_ONE", "Boat?", "", true, "Dinghy | 4\nGig"),
                        QuestionForm.of("AGREEMENT", "I can swim", "", true, "")));
    }

    private Offering offering() {
        return programme.offering(at.offering()).orElseThrow();
    }

    @ParameterizedTest
    @EnumSource(value = Part.class, mode = EnumSource.Mode.EXCLUDE, names = "HOURS")
    void a_section_sent_back_untouched_changes_nothing(Part part) {
        Offering before = offering();
        List<?> questions = programme.questions(at.offering());
        assertThat(keep(part.code(), filledIn(part.code())).location()).endsWith("#" + part.code());
        assertThat(offering())
                .usingRecursiveComparison()
                .ignoringFields("version")
                .isEqualTo(before);
        assertThat(programme.questions(at.offering())).isEqualTo(questions);
    }

    @Test
    void what_is_wrong_is_said_beside_it_by_name_and_nothing_is_kept() {
        int before = offering().seats();
        Map<String, String> fields = filledIn("seats");
        fields.put("seats", "-3");
        fields.put("minimum", "a few");
        Browserless.Page again = keep("seats", fields);
        assertThat(again.status()).isEqualTo(422);
        assertThat(again.document().select("[name=seats]").attr("value")).isEqualTo("-3");
        assertThat(again.document().select("#seats .field-problem").eachText())
                .containsExactly(
                        "Seats: a whole number from 0 to 100,000.",
                        "To run it needs: a whole number from 0 to 100,000.");
        assertThat(again.document().select(".warned").text()).contains("Please correct", "Seats:", "To run it needs:");
        assertThat(offering().seats()).isEqualTo(before);
    }

    @Test
    void of_two_who_change_one_section_the_second_is_asked_and_loses_nothing() {
        Map<String, String> mine = filledIn("words");
        Map<String, String> theirs = filledIn("words");
        theirs.put("title", "Theirs " + at.offering());
        assertThat(keep("words", theirs).status()).isEqualTo(302);
        mine.put("title", "Mine " + at.offering());
        Browserless.Page again = keep("words", mine);
        assertThat(again.status()).isEqualTo(409);
        assertThat(again.document().select("[name=title]").attr("value")).isEqualTo("Mine " + at.offering());
        assertThat(offering().title()).isEqualTo("Theirs " + at.offering());
        mine.put("seen", again.document().select("#words [name=seen]").attr("value"));
        assertThat(keep("words", mine).status())
                .as("pressed again without a look")
                .isEqualTo(409);
    }

    @Test
    void two_who_change_two_sections_do_not_hinder_each_other() {
        Map<String, String> mine = filledIn("price");
        Map<String, String> theirs = filledIn("words");
        theirs.put("title", "Theirs " + at.offering());
        mine.put("said", "CA$12 a head");
        assertThat(keep("words", theirs).status()).isEqualTo(302);
        assertThat(keep("price", mine).status()).isEqualTo(302);
        assertThat(offering().title()).isEqualTo("Theirs " + at.offering());
        assertThat(offering().front().price()).isEqualTo("CA$12 a head");
    }

    @Test
    void it_reads_as_sentences_and_opens_one_section_by_a_link() {
        Document closed = organiser.get(sheet).document();
        assertThat(closed.select("#seats .reads").text())
                .startsWith("6 seats a date; up to 3 people on one registration.")
                .endsWith("It always runs.");
        assertThat(closed.select("#asking .reads").text())
                .contains("Boat? (required, 2 options) and I can swim (required).");
        assertThat(closed.select(".part form")).as("nothing is open").hasSize(1);
        Document open =
                organiser.get(closed.select("#seats [data-open]").attr("href")).document();
        assertThat(open.select(".part.is-open")).hasSize(1);
        assertThat(open.select("#seats [name=seats]").attr("value")).isEqualTo("6");
        assertThat(organiser.get(sheet + "?open=nonsense").document().select(".part.is-open"))
                .isEmpty();
        assertThat(organiser.post(sheet, sheet + "/parts/nonsense", Map.of()).status())
                .isEqualTo(404);
    }

    @Test
    void an_address_is_changed_and_the_old_one_leads_on() {
        String old = at.slug();
        Map<String, String> fields = filledIn("sharing");
        fields.put("slug", "bench-of-" + at.offering());
        assertThat(keep("sharing", fields).status()).isEqualTo(302);
        Browserless visitor = new Browserless(port);
        assertThat(visitor.get("/p/bench-of-" + at.offering()).status()).isEqualTo(200);
        Browserless.Page led = visitor.get("/p/" + old + "?session=" + at.session());
        assertThat(led.status()).isEqualTo(308);
        assertThat(led.location()).endsWith("/p/bench-of-" + at.offering() + "?session=" + at.session());
        assertThat(visitor.get("/p/" + old + "/dates.ics").location())
                .endsWith("/p/bench-of-" + at.offering() + "/dates.ics");
        Published other = saltmarrow.publish(seats(2));
        sheet = "/desk/offerings/" + other.offering();
        for (String taken : List.of(old, "bench-of-" + at.offering(), "Not an address", "a--b", "")) {
            Map<String, String> wanted = filledIn("sharing");
            wanted.put("slug", taken);
            assertThat(keep("sharing", wanted).status()).as(taken).isIn(409, 422);
        }
        assertThat(visitor.get("/p/" + other.slug()).status()).isEqualTo(200);
    }

    @Test
    void a_short_link_is_named_and_the_old_one_leads_on() {
        Map<String, String> fields = filledIn("sharing");
        String old = fields.put("shortName", "bench-" + at.offering());
        assertThat(keep("sharing", fields).status()).isEqualTo(302);
        Browserless visitor = new Browserless(port);
        for (String name : List.of("bench-" + at.offering(), old)) {
            assertThat(visitor.get("/s/" + name).location()).as(name).isEqualTo("/p/" + at.slug());
        }
        sheet = "/desk/offerings/" + saltmarrow.publish(seats(2)).offering();
        for (String taken : List.of(old, "bench-" + at.offering(), "x", "not a name")) {
            Map<String, String> wanted = filledIn("sharing");
            wanted.put("slug", "half-changed-" + at.offering());
            wanted.put("shortName", taken);
            assertThat(keep("sharing", wanted).status()).as(taken).isIn(409, 422);
        }
        assertThat(visitor.get("/p/half-changed-" + at.offering()).status())
                .as("both or neither")
                .isEqualTo(404);
    }

    @Test
    void an_offering_is_not_begun_without_a_title_and_is_called_by_it() {
        Browserless.Page none = organiser.post("/desk/programme", "/desk/offerings", Map.of("title", " "));
        assertThat(none.location()).endsWith("/desk/offerings#new");
        assertThat(organiser.warnedOn("/desk/offerings")).anyMatch(said -> said.contains("give it a title first"));
        String begun = organiser
                .post("/desk/programme", "/desk/offerings", Map.of("title", "Élan & tide " + at.offering()))
                .location();
        long id = Long.parseLong(begun.replaceAll(".*/", ""));
        assertThat(programme.offering(id).orElseThrow().slug()).isEqualTo("elan-tide-" + at.offering());
    }

    @Test
    void a_date_that_has_passed_is_removed_from_a_draft() {
        String draft = organiser
                .post("/desk/offerings", "/desk/offerings", Map.of("title", "Dinghy polish"))
                .location()
                .replaceAll(".*(?=/desk/)", "");
        organiser.post(
                draft, draft + "/dates", Map.of("typed", "2 Jan 2020 9-10\n2 Jan 2040 9-10", "replaces", "false"));
        var dates = organiser.get(draft + "?open=dates").document().select("#dates");
        assertThat(dates.text()).contains("A date is in the past.", "has passed");
        Element remove = dates.selectFirst("form:has([aria-label^='Remove Thu 2 Jan 2020'])");
        organiser.post(draft, remove.attr("action"), Map.of());
        assertThat(organiser
                        .get(draft + "?open=dates")
                        .document()
                        .select("#dates")
                        .text())
                .doesNotContain("2020", "in the past");
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
        Map<String, String> fields = filledIn("asking");
        assertThat(fields).containsEntry("question[0].label", "Boat?");
        fields.keySet().removeIf(name -> name.startsWith("question[0]"));
        assertThat(keep("asking", fields).status()).isEqualTo(302);
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
                "question",
                "phone[0]")) {
            Map<String, String> fields = filledIn("asking");
            fields.put(field, "Absurd");
            assertThat(keep("asking", fields).status()).as(field).isLessThan(500);
        }
        assertThat(programme.questions(at.offering())).hasSize(2);
    }
}
