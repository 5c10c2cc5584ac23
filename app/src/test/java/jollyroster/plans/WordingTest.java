package jollyroster.plans;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.answers.Answer;
import jollyroster.core.messages.Anchor;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxWorker;
import jollyroster.outbox.SentMail;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.seating.Application;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import jollyroster.sheet.QuestionForm;
import jollyroster.standin.TrayQueries;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** What messages say is changed for the house or one offering, read before, kept by version, and taken back. */
@AppTest
class WordingTest {

    private static final String PAGE = "/desk/wordings/registered";
    private static final String WORDS = "Ahoy {{first_name}}, come in: <{{{join_link}}}>";

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TrayQueries sent;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Published at;
    private Browserless organiser;

    @BeforeEach
    void publish() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(4));
        organiser = Browserless.organiser(port);
    }

    @AfterEach
    void asTheyShip() {
        organiser.post(PAGE, PAGE + "/back", Map.of());
    }

    private long register(Published where, String name) {
        return ((Registering.Done) roster.register(Saltmarrow.person(where.session(), name, 1), Saltmarrow.VISITOR))
                .link()
                .id();
    }

    private Document save(long offering, String subject, String preheader, String body) {
        String page = offering == 0 ? PAGE : PAGE + "?offering=" + offering;
        String base = organiser.get(page).document().select("[name=base]").attr("value");
        post(page, base, offering, subject, preheader, body);
        return organiser.get(page).document();
    }

    private void post(String page, String base, long offering, String subject, String preheader, String body) {
        Map<String, String> fields = new HashMap<>();
        fields.put("offering", "" + offering);
        fields.put("base", base);
        fields.put("subject", subject);
        fields.put("preheader", preheader);
        fields.put("body", body);
        organiser.post(page, PAGE, fields);
    }

    private static List<String> faults(Document page) {
        return page.select(".warned li").eachText();
    }

    private SentMail.Mail confirmation(Published where, long registration) {
        worker.sendDue();
        String key =
                outbox.list(List.of(MessageState.SENT), where.session(), Optional.of(Anchor.REGISTERED), 50).stream()
                        .filter(item -> item.registration() == registration)
                        .findFirst()
                        .orElseThrow()
                        .key();
        return sent.byKey(key).orElseThrow();
    }

    @Test
    void an_offerings_own_words_come_before_those_of_the_house() {
        Published other = saltmarrow.publish(seats(4));
        save(0, "House: {{title}}", "", "House words, {{{join_link}}}");
        assertThat(save(at.offering(), "Own: {{title}}, {{first_name}}", "for {{name}}", WORDS)
                        .select(".said")
                        .text())
                .isEqualTo("Saved. What has not gone yet is written with it.");
        SentMail.Mail own = confirmation(at, register(at, "Wren Skerry"));
        assertThat(own.subject()).startsWith("Own: ").endsWith(", Wren");
        assertThat(own.text()).startsWith("Ahoy Wren, come in: http");
        assertThat(own.html()).contains("display:none", "for Wren Skerry");
        assertThat(confirmation(other, register(other, "Teo Vance")).subject()).startsWith("House: ");
        organiser.post(PAGE, PAGE + "/back", Map.of("offering", "" + at.offering()));
        assertThat(confirmation(at, register(at, "Ola Marsh")).subject()).startsWith("House: ");
        organiser.post(PAGE, PAGE + "/back", Map.of());
        assertThat(confirmation(at, register(at, "Bo Fen")).subject()).startsWith("You are registered: ");
    }

    @Test
    void what_is_wrong_is_said_with_its_place_and_nothing_typed_is_lost() {
        Document wrong = save(0, "Hi {{frst_name}}", "", "Dear {{firstname}},\n{{#online}} come in: {{{join_link}}}");
        assertThat(faults(wrong))
                .containsExactly(
                        "Subject: Line 1, column 4: {{frst_name}} is not known. Did you mean {{first_name}}?",
                        "Line 1, column 6: {{firstname}} is not known. Did you mean {{first_name}}?",
                        "Line 2, column 1: {{#online}} is never closed; write {{/online}} where the part ends.");
        assertThat(wrong.select("#body").text()).contains("{{firstname}}");
        assertThat(wrong.select("#subject").attr("value")).isEqualTo("Hi {{frst_name}}");
        assertThat(wrong.select("table.ledger").text()).as("nothing is kept").doesNotContain("frst_name");
    }

    @Test
    void a_message_that_has_to_bring_the_way_in_cannot_lose_it() {
        assertThat(faults(save(0, "Hello", "", "{{#online}}{{{join_link}}}{{/online}} See you")))
                .containsExactly("The way in is missing: {{{join_link}}} has to stand in it, whatever holds.");
        assertThat(faults(save(0, "Hello", "", "{{^first_time}}{{{join_link}}}{{/first_time}} See you")))
                .as("who comes for the first time would be without")
                .hasSize(1);
        assertThat(faults(save(0, " ", "x".repeat(151), ""))).hasSize(3);
        assertThat(faults(save(0, "Hello", "", "x".repeat(1_000_000))).get(0))
                .contains("longer than 20,000 characters");
        assertThat(faults(save(0, "Hello", "", "{{> other}} {{{join_link}}}")).get(0))
                .contains("is not allowed");
    }

    @Test
    void the_preview_reads_as_a_real_person_would_and_encodes_what_they_typed() {
        long wren = register(at, "Wren <b>{{title}}</b> **Skerry**");
        Map<String, String> fields = new HashMap<>(
                Map.of("offering", "" + at.offering(), "subject", "Hi {{name}}", "body", WORDS, "reader", "" + wren));
        String preview = PAGE + "/body.html";
        Browserless.Page html = organiser.post(PAGE, preview, fields);
        assertThat(html.response().body())
                .contains("Ahoy Wren", "Hi Wren &lt;b&gt;{{title}}&lt;/b&gt;")
                .doesNotContain("<b>{{");
        assertThat(html.document().select("a[href^=http]")).isNotEmpty();
        fields.put("part", "text");
        assertThat(organiser
                        .post(PAGE, preview, fields)
                        .document()
                        .select("pre")
                        .text())
                .startsWith("Ahoy Wren, come in: http");
        fields.put("body", "{{zzzzzzzzz}}");
        assertThat(organiser.post(PAGE, preview, fields).document().body().text())
                .isEqualTo("Line 1, column 1: {{zzzzzzzzz}} is not known.");
        fields.put("body", WORDS);
        fields.put("reader", "999999");
        assertThat(organiser.post(PAGE, preview, fields).document().body().text())
                .startsWith("Nobody is registered");
    }

    @Test
    void two_who_word_the_same_message_hear_of_each_other() {
        String base = organiser.get(PAGE).document().select("[name=base]").attr("value");
        save(0, "First {{title}}", "", WORDS);
        post(PAGE, base, 0, "Second {{title}}", "", WORDS);
        Document late = organiser.get(PAGE).document();
        assertThat(faults(late)).hasSize(1).first().asString().startsWith("Meanwhile Demo Organiser saved other words");
        assertThat(late.select("#subject").attr("value")).isEqualTo("Second {{title}}");
        post(PAGE, late.select("[name=base]").attr("value"), 0, "Second {{title}}", "", WORDS);
        assertThat(organiser.get(PAGE).document().select("#subject").attr("value"))
                .isEqualTo("Second {{title}}");
    }

    @Test
    void a_copy_has_the_words_and_a_question_that_is_no_longer_asked_stops_no_message() {
        Published asking = saltmarrow.publish(seats(4).asking(QuestionForm.of("YES_NO", "Swims?", "", false, "")));
        save(asking.offering(), "Own {{title}}", "", "({{answer.swims}}) {{{join_link}}}");
        String sheet = "/desk/offerings/" + asking.offering();
        organiser.post(
                sheet,
                sheet + "/copy",
                Map.of("title", "Another bench " + asking.offering(), "as", "DRAFT_WITHOUT_DATES"));
        long copy = programme.offerings().stream()
                .filter(o -> o.title().equals("Another bench " + asking.offering()))
                .findFirst()
                .orElseThrow()
                .id();
        assertThat(organiser
                        .get(PAGE + "?offering=" + copy)
                        .document()
                        .select("#subject")
                        .attr("value"))
                .isEqualTo("Own {{title}}");
        offerings.save(asking.offering(), List.of(Section.Asking.of(List.of())), Saltmarrow.ORGANISER);
        assertThat(confirmation(asking, register(asking, "Wren Skerry")).text()).startsWith("() http");
    }

    @Test
    void every_version_is_kept_and_one_press_goes_back() {
        save(0, "First {{title}}", "", WORDS);
        Document second = save(0, "Second {{title}}", "", WORDS);
        assertThat(second.select("table.ledger tbody tr").eachText().get(0)).contains("Second", "counts now");
        String first = second.select("table.ledger tr:contains(First) [name=version]")
                .first()
                .attr("value");
        organiser.post(PAGE, PAGE + "/back", Map.of("version", first));
        Document back = organiser.get(PAGE).document();
        assertThat(back.select("#subject").attr("value")).isEqualTo("First {{title}}");
        assertThat(back.select(".said").text()).endsWith("count again.");
        String own = PAGE + "?offering=" + at.offering();
        organiser.post(own, PAGE + "/back", Map.of("offering", "" + at.offering(), "version", first));
        assertThat(organiser.get(own).document().select(".what p").text())
                .as("a version of the house is not one of the offering")
                .contains("the house’s");
    }

    @Test
    void named_texts_are_the_houses_or_those_of_who_leads_it_and_stay_while_they_are_used() {
        String texts = "/desk/wordings/texts";
        organiser.post(texts, texts, Map.of("name", "parking", "body", "On the quay {{title}} <b>"));
        organiser.post(texts, texts, Map.of("name", "Parking lot", "body", "x"));
        assertThat(organiser.warnedOn(texts)).hasSize(1).first().asString().contains("small letters");
        save(at.offering(), "Hi", "", "{{text.parking}} / {{host.parking}} / {{{join_link}}}");
        assertThat(confirmation(at, register(at, "Wren Skerry")).text())
                .as("a value is never a template")
                .startsWith("On the quay {{title}} <b> / On the quay {{title}} <b> / http");
        assertThat(faults(save(at.offering(), "Hi", "", "{{text.nowhere}} {{{join_link}}}"))
                        .get(0))
                .contains("{{text.nowhere}} is not known.");
        Document list = organiser.get(texts).document();
        assertThat(list.select("tbody tr:contains(parking) td").get(3).text()).endsWith("Confirmation");
        String remove =
                list.select("tbody tr:contains(parking) form[action$=remove]").attr("action");
        organiser.post(texts, remove, Map.of());
        assertThat(organiser.warnedOn(texts)).first().asString().startsWith("Not removed: it is used in");
        organiser.post(PAGE, PAGE + "/back", Map.of("offering", "" + at.offering()));
        organiser.post(texts, remove, Map.of());
        assertThat(organiser.get(texts).document().select("tbody tr:contains(parking)"))
                .isEmpty();
    }

    @Test
    void answers_can_be_named_where_their_questions_are_asked() {
        String words = "Swims: {{#answer.swims}}{{answer.swims}}{{/answer.swims}}. {{{join_link}}}";
        assertThat(faults(save(0, "Hi", "", words)).get(0)).contains("{{#answer.swims}}".replace("#", ""));
        Published asking = saltmarrow.publish(seats(4).asking(QuestionForm.of("YES_NO", "Swims?", "", false, "")));
        long question = programme.questions(asking.offering()).get(0).id();
        assertThat(faults(save(asking.offering(), "Hi", "", words))).isEmpty();
        Application plain = Saltmarrow.person(asking.session(), "Wren Skerry", 1);
        Application says = new Application(
                plain.session(),
                plain.name(),
                plain.email(),
                "",
                1,
                plain.zone(),
                List.of(),
                List.of(Answer.plain(question, "Swims?", "yes")),
                "");
        long swimmer = ((Registering.Done) roster.register(says, Saltmarrow.VISITOR))
                .link()
                .id();
        assertThat(confirmation(asking, swimmer).text()).startsWith("Swims: yes. http");
        assertThat(confirmation(asking, register(asking, "Teo Vance")).text()).startsWith("Swims: . http");
    }

    @Test
    void there_is_a_page_for_each_message_and_for_no_other() {
        List<String> pages =
                organiser.get("/desk/wordings").document().select("td.name a").eachAttr("href");
        assertThat(pages).hasSizeGreaterThan(20).contains("/desk/wordings/before-start", "/desk/wordings/absent");
        pages.forEach(page -> assertThat(organiser.get(page).status()).as(page).isEqualTo(200));
        assertThat(organiser.get("/desk/wordings/written").status()).isEqualTo(404);
        assertThat(organiser.get("/desk/wordings/nonsense").status()).isEqualTo(404);
        assertThat(organiser.get(PAGE + "?offering=999999").status()).isEqualTo(404);
    }
}
