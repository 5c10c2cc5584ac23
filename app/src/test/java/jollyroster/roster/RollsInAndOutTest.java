package jollyroster.roster;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import ezvcard.Ezvcard;
import ezvcard.VCardVersion;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow.Published;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.LongWork;
import jollyroster.seating.Registration;
import jollyroster.sheet.QuestionForm;
import org.junit.jupiter.api.Test;

/** Rosters and answers taken in and taken away. */
@AppTest
class RollsInAndOutTest extends AtTheRoster {

    private static String letters(int i) {
        return "" + (char) ('a' + i / 26 % 26) + (char) ('a' + i % 26);
    }

    @Test
    void a_long_roster_leaves_whole_as_a_table() {
        Published at = saltmarrow.publish(seats(700));
        IntStream.range(0, 620).forEach(i -> register(at.session(), "Sailor " + letters(i / 26) + letters(i), 1));
        String csv = organiser.get(rolls(at) + ".csv").response().body();
        List<String> lines = csv.lines().toList();
        assertThat(lines).hasSize(621).doesNotHaveDuplicates();
        assertThat(lines.get(620)).startsWith("registered,Sailor ");
    }

    @Test
    void a_table_is_judged_first_and_then_all_are_added_or_nobody() {
        Published at = saltmarrow.publish(seats(2).asking(QuestionForm.of("YES_NO", "Swims?", "", false, "")));
        String page = "/desk/sessions/" + at.session() + "/import";
        String wrong =
                "Full name;E-mail;Swims?\nWren Skerry;wren@crew.example;yes\nTeo;teo;no\nWren;wren@crew.example;\n";
        Browserless.Page checked = organiser.post(page, page + "/check", Map.of("text", wrong));
        assertThat(checked.document().select(".mapping select option[selected]").eachText())
                .containsExactly("name", "e-mail", "Swims?");
        assertThat(checked.document().select(".row-problems li").eachText())
                .containsExactly("Row 3 “teo” is not an e-mail address", "Row 4 this address comes a second time");
        assertThat(organiser.post(page, page, Map.of("text", wrong)).status()).isEqualTo(422);
        assertThat(queries.roster(at.session())).isEmpty();

        String good =
                "first name,last name,email,people\nWren,Skerry,wren@crew.example,1\nTeo,Vance,teo@crew.example,2\n";
        assertThat(organiser.post(page, page, Map.of("text", good)).status()).isEqualTo(302);
        assertThat(queries.roster(at.session()))
                .extracting(Registration::name, Registration::state)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("Wren Skerry", RegistrationState.REGISTERED),
                        org.assertj.core.groups.Tuple.tuple("Teo Vance", RegistrationState.WAITLISTED));
    }

    @Test
    void an_import_that_does_not_fit_adds_nobody() {
        Published at = saltmarrow.publish(seats(1).withoutWaitlist());
        String page = "/desk/sessions/" + at.session() + "/import";
        Browserless.Page refused = organiser.post(
                page, page, Map.of("text", "name,email\nWren Skerry,w@crew.example\nTeo Vance,t@crew.example\n"));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.document().select(".warned").text()).contains("Nobody was added");
        assertThat(queries.roster(at.session())).isEmpty();
    }

    private static String table(int people) {
        StringBuilder table = new StringBuilder("name,email\n");
        for (int i = 0; i < people; i++) {
            table.append("Sailor ").append(i).append(",many").append(i).append("@crew.example\n");
        }
        return table.toString();
    }

    @Test
    void many_are_added_group_by_group_while_others_register_and_one_can_see_how_far_it_is() {
        Published at = saltmarrow.publish(seats(450));
        String page = "/desk/sessions/" + at.session() + "/import";
        String progress = organiser
                .post(page, page, Map.of("text", table(LongWork.GROUP * 2 + 1)))
                .location();
        assertThat(progress).contains("/desk/work/");
        String path = java.net.URI.create(progress).getPath();
        assertThat(organiser.get(path).document().select("progress").attr("max"))
                .isEqualTo(String.valueOf(LongWork.GROUP * 2 + 1));
        register(at.session(), "Wren Skerry", 1);
        await().atMost(Duration.ofMinutes(1))
                .until(() -> organiser.get(path).document().text().contains("401 of 401 done"));
        assertThat(organiser.get(path).document().select(".said").text()).isEqualTo("401 seated.");
        assertThat(queries.roster(at.session())).hasSize(402);
        assertThat(new Browserless(port).get(path).location()).contains("/sign-in");
    }

    @Test
    void many_for_whom_there_is_no_room_are_refused_before_the_first_is_added() {
        Published at = saltmarrow.publish(seats(300).withoutWaitlist());
        String page = "/desk/sessions/" + at.session() + "/import";
        Browserless.Page refused = organiser.post(page, page, Map.of("text", table(301)));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.document().select(".warned").text()).contains("Nobody was added");
        assertThat(queries.roster(at.session())).isEmpty();
    }

    @Test
    void a_table_with_a_hundred_thousand_rows_is_refused_in_words() {
        Published at = saltmarrow.publish(seats(1));
        String page = "/desk/sessions/" + at.session() + "/import";
        Browserless.Page refused =
                organiser.post(page, page + "/check", Map.of("text", "a,b\n" + "x,y\n".repeat(100_000)));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.document().select(".warned").text()).contains("20,000 rows");
    }

    @Test
    void the_roster_is_taken_away_as_cards_addresses_and_paper() {
        Published at = saltmarrow.publish(seats(5));
        register(at.session(), "Sunniva Eldjarn", 2);
        var cards = Ezvcard.parse(organiser
                        .get("/desk/sessions/" + at.session() + "/roster.vcf")
                        .response()
                        .body())
                .all();
        assertThat(cards).hasSize(1);
        assertThat(cards.get(0).getVersion()).isEqualTo(VCardVersion.V4_0);
        assertThat(cards.get(0).getFormattedName().getValue()).isEqualTo("Sunniva Eldjarn");
        assertThat(organiser
                        .get(rolls(at) + "/addresses")
                        .document()
                        .select("#addresses")
                        .text())
                .isEqualTo("sunniva.eldjarn@crew.example");
        for (String paper : List.of("roster.pdf", "sign-in.pdf", "badges.pdf")) {
            Browserless.Page pdf = organiser.get("/desk/sessions/" + at.session() + "/" + paper);
            assertThat(pdf.status()).isEqualTo(200);
            assertThat(pdf.response().body()).as(paper).startsWith("%PDF-");
        }
    }

    @Test
    void answers_are_tallied_listed_and_written_out() {
        Published at = saltmarrow.publish(seats(9).asking(
                        QuestionForm.of("CHOOSE_ONE", "Boat?", "", true, "Dinghy | 2\nGig"),
                        QuestionForm.of("NUMBER", "Age?", "", false, ""),
                        QuestionForm.of("SHORT_TEXT", "Wish?", "", false, "")));
        Browserless visitor = new Browserless(port);
        visitor.register(
                at,
                Map.of(
                        "name",
                        "Wren Skerry",
                        "email",
                        "w@crew.example",
                        "q.boat",
                        "Dinghy",
                        "q.age",
                        "31",
                        "q.wish",
                        "=HYPERLINK(1)"));
        visitor.register(at, Map.of("name", "Teo Vance", "email", "t@crew.example", "q.boat", "Dinghy", "q.age", "40"));
        visitor.register(at, Map.of("name", "Ilse Merrow", "email", "i@crew.example", "q.boat", "Gig"));
        assertThat(visitor.register(at, Map.of("name", "Late Comer", "email", "l@crew.example", "q.boat", "Dinghy"))
                        .document()
                        .select("#e-q\\.boat .field-problem")
                        .text())
                .contains("has just run out");
        String answers = "/desk/offerings/" + at.offering() + "/answers";
        var page = organiser.get(answers).document();
        assertThat(page.select(".tally-bars li").get(0).text())
                .contains("Dinghy")
                .contains("2 67 %")
                .contains("0 of 2 left");
        assertThat(page.select(".spread b").eachText()).containsExactly("31", "35.5", "40");
        assertThat(page.select(".tally-texts li").text()).contains("Wren Skerry");
        long boat = programme.questions(at.offering()).get(0).id();
        assertThat(organiser
                        .get(answers + "?question=" + boat + "&is=Gig")
                        .document()
                        .select("#who td.name")
                        .eachText())
                .containsExactly("Ilse Merrow");
        assertThat(organiser.get(answers + ".csv").response().body())
                .contains("'=HYPERLINK(1)")
                .contains("Dinghy,31,");
    }
}
