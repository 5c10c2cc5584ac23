package jollyroster.roster;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.RegistrationState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.programme.PlanCommands;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registration;
import jollyroster.seating.RemarkCommands;
import jollyroster.sheet.QuestionForm;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The roster's pages as an organiser uses them. */
@AppTest
class RollsOverHttpTest extends AtTheRoster {

    @Autowired
    OutboxQueries outbox;

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    RemarkCommands remarks;

    @Autowired
    PlanCommands planned;

    private List<String> names(String address) {
        return organiser.get(address).document().select(".roll td.name > a").eachText();
    }

    private RegistrationState state(long id) {
        return queries.registration(id).orElseThrow().state();
    }

    @Test
    void a_long_roster_is_read_page_by_page_in_each_order() {
        Published at = saltmarrow.publish(seats(300));
        IntStream.range(0, 130).forEach(i -> register(at.session(), "Sailor " + letters(i), 1));
        for (String sort : List.of("NAME", "STATE", "LATEST")) {
            List<String> seen = new ArrayList<>();
            String next = rolls(at) + "?sort=" + sort;
            while (!next.isEmpty()) {
                Browserless.Page page = organiser.get(next);
                seen.addAll(page.document().select(".roll td.name > a").eachText());
                String more =
                        page.document().select("p.filters a:contains(More)").attr("href");
                next = more.isEmpty() ? "" : rolls(at) + more;
            }
            assertThat(seen).as(sort).hasSize(130).doesNotHaveDuplicates();
        }
        assertThat(names(rolls(at) + "?sort=NAME")).hasSize(20).isSorted();
    }

    @Test
    void a_page_shows_each_change_at_once_and_to_each_what_they_may_do() {
        Published at = saltmarrow.publish(seats(3));
        long one = register(at.session(), "Wren Skerry", 1);
        String address = rolls(at);
        assertThat(organiser.get(address).document().select(".note-cell").text())
                .isEqualTo("history");
        remarks.note(one, "brings a drum", Saltmarrow.ORGANISER);
        assertThat(organiser.get(address).document().select(".note-cell").text())
                .isEqualTo("history brings a drum");
        register(at.session(), "Teo Vance", 1);
        assertThat(names(address)).containsExactly("Wren Skerry", "Teo Vance");
        String session = "/desk/sessions/" + at.session();
        assertThat(organiser
                        .get(session)
                        .document()
                        .select("#roster td.name > a")
                        .eachText())
                .containsExactly("Wren Skerry", "Teo Vance");
        changes.cancel(one, "", Saltmarrow.self(one));
        assertThat(organiser
                        .get(session)
                        .document()
                        .select("#roster tr.gone td.name > a")
                        .text())
                .isEqualTo("Wren Skerry");
    }

    private static String letters(int i) {
        return "" + (char) ('a' + i / 26 % 26) + (char) ('a' + i % 26);
    }

    @Test
    void a_search_goes_on_where_it_was_although_the_last_row_shown_is_gone() {
        Published at = saltmarrow.publish(seats(60));
        List<Long> all = IntStream.range(0, 30)
                .mapToObj(i -> register(at.session(), "Sailor " + letters(i), 1))
                .toList();
        remarks.mark(all, true, Saltmarrow.ORGANISER);
        String more = organiser
                .get(rolls(at) + "?marked=on")
                .document()
                .select("p.filters a:contains(More)")
                .attr("href");
        assertThat(names(rolls(at) + more)).hasSize(10).first().isEqualTo("Sailor " + letters(20));
        remarks.mark(List.of(all.get(19)), false, Saltmarrow.ORGANISER);
        assertThat(names(rolls(at) + more)).hasSize(10).first().isEqualTo("Sailor " + letters(20));
        assertThat(organiser
                        .get(rolls(at) + more)
                        .document()
                        .select("[role=status]")
                        .text())
                .contains("29 found");
    }

    @Test
    void people_are_found_by_name_state_mark_and_answer() {
        Published at = saltmarrow.publish(
                seats(2).asking(QuestionForm.of("CHOOSE_SEVERAL", "Waters?", "", false, "Bay\nOffshore\nOff")));
        long question = programme.questions(at.offering()).get(0).id();
        new Browserless(port)
                .register(at, Map.of("name", "Wren Skerry", "email", "w@crew.example", "q.waters", "Offshore"));
        new Browserless(port).register(at, Map.of("name", "Teo Vance", "email", "t@crew.example", "q.waters", "Off"));
        long waiting = register(at.session(), "Ilse Merrow", 1);
        remarks.mark(List.of(waiting), true, Saltmarrow.ORGANISER);
        assertThat(names(rolls(at) + "?q=SKERRY")).containsExactly("Wren Skerry");
        assertThat(names(rolls(at) + "?q=t@crew")).containsExactly("Teo Vance");
        assertThat(names(rolls(at) + "?state=waitlisted")).containsExactly("Ilse Merrow");
        assertThat(names(rolls(at) + "?marked=on")).containsExactly("Ilse Merrow");
        assertThat(names(rolls(at) + "?question=" + question + "&is=Off")).containsExactly("Teo Vance");
        assertThat(names(rolls(at) + "?q=%25")).isEmpty();
    }

    /** The subjects of what the organiser wrote to somebody. */
    private List<String> written(long registration) {
        return outbox.ofRegistration(registration).stream()
                .filter(m -> m.anchor() == Anchor.WRITTEN)
                .map(OutboxQueries.Item::subject)
                .toList();
    }

    @Test
    void many_are_marked_moved_written_to_and_given_back_at_once() {
        Published at = saltmarrow.publish(seats(3).at("2027-03-16T19:00", "2027-03-23T19:00"));
        long one = register(at.session(), "Marisol Achterberg", 1);
        long two = register(at.session(), "Kofi Brannigan", 1);
        long elsewhere = register(at.dates().get(1), "Somebody Else", 1);

        post(at, "/write", Map.of("r", String.valueOf(one), "subject", "Tides", "body", "Hello {{nobody}}"));
        assertThat(organiser.get(rolls(at)).document().select("#body").text()).isNotEmpty();
        assertThat(written(one)).isEmpty();
        post(
                at,
                "/write",
                Map.of(
                        "all",
                        "true",
                        "sure",
                        "true",
                        "subject",
                        "Tides",
                        "body",
                        "Hello {{first_name}}, bring boots."));
        assertThat(written(one)).containsExactly("Tides");
        assertThat(written(elsewhere)).isEmpty();

        post(at, "/mark", Map.of("r", String.valueOf(elsewhere), "on", "true"));
        assertThat(queries.registration(elsewhere).orElseThrow().remarks().marked())
                .as("only people of this roster are touched")
                .isFalse();
        post(
                at,
                "/move",
                Map.of("r", String.valueOf(one), "to", String.valueOf(at.dates().get(1))));
        assertThat(queries.registration(one).orElseThrow().session())
                .isEqualTo(at.dates().get(1));
        post(at, "/cancel", Map.of("r", String.valueOf(two)));
        assertThat(state(two)).isEqualTo(RegistrationState.CANCELLED);
    }

    private Browserless.Page post(Published at, String deed, Map<String, String> fields) {
        return organiser.post(rolls(at), rolls(at) + deed, fields);
    }

    @Test
    void what_was_given_back_can_be_put_back_where_the_rule_allows() {
        Published at = saltmarrow.publish(seats(1));
        long one = register(at.session(), "Anneke Strand", 1);
        changes.cancel(one, "a cold", Saltmarrow.self(one));
        String why = "/desk/sessions/" + at.session() + "/why/" + one;
        assertThat(organiser.get(why).document().text()).contains("says: a cold");
        organiser.post(why, why + "/restore", Map.of());
        assertThat(state(one)).isEqualTo(RegistrationState.REGISTERED);
        changes.cancel(one, "", Saltmarrow.self(one));
        register(at.session(), "Bao Lindqvist", 1);
        organiser.post(why, why + "/restore", Map.of());
        assertThat(state(one)).isEqualTo(RegistrationState.CANCELLED);
    }

    @Test
    void somebody_who_is_added_with_a_double_press_is_added_once() {
        Published at = saltmarrow.publish(seats(1));
        String add = "/desk/sessions/" + at.session() + "/add";
        organiser.pressTwice(add, add, Map.of("name", "Pascoe Merrow", "email", "", "party", "1"));
        assertThat(queries.roster(at.session())).hasSize(1);
    }

    @Test
    void a_walk_up_takes_a_kept_back_seat() {
        Published at = saltmarrow.publish(seats(2));
        planned.setKeptBack(at.session(), 1, Saltmarrow.ORGANISER);
        register(at.session(), "Oriel Saltonby", 1);
        String add = "/desk/sessions/" + at.session() + "/add";
        Map<String, String> walkUp = Map.of("name", "Pascoe Merrow", "email", "p@crew.example", "party", "1");
        Map<String, String> kept = new LinkedHashMap<>(walkUp);
        kept.put("walkUp", "true");
        assertThat(organiser.post(add, add, kept).status()).isEqualTo(302);
        assertThat(queries.roster(at.session()))
                .extracting(Registration::state)
                .containsOnly(RegistrationState.REGISTERED);
        assertThat(programme.session(at.session()).orElseThrow().keptBack()).isZero();
        assertThat(organiser
                        .post(add, add, kept)
                        .document()
                        .select(".field-problem")
                        .text())
                .contains("already");
        Map<String, String> nobody = Map.of("name", "", "email", "x", "party", "0");
        assertThat(organiser.post(add, add, nobody).document().select(".field-problem"))
                .hasSize(3);
    }

    @Test
    void people_who_are_one_are_found_and_merged_unless_both_are_on_one_session() {
        Published at = saltmarrow.publish(seats(5));
        Published other = saltmarrow.publish(seats(5));
        Browserless visitor = new Browserless(port);
        visitor.register(at, Map.of("name", "Tomé Ødegård", "email", "tome@one.example"));
        visitor.register(other, Map.of("name", "TOME ØDEGÅRD", "email", "tome@two.example"));
        List<Registration> both = List.of(
                queries.roster(at.session()).get(0),
                queries.roster(other.session()).get(0));
        assertThat(organiser.get("/desk/people/same?q=deg%C3%A5rd").document().text())
                .contains("tome@one.example", "tome@two.example");
        Map<String, String> merge = Map.of(
                "from",
                String.valueOf(both.get(1).person()),
                "into",
                String.valueOf(both.get(0).person()));
        organiser.post("/desk/programme", "/desk/people/same", merge);
        assertThat(queries.registration(both.get(1).id()).orElseThrow().email()).isEqualTo("tome@one.example");
        assertThat(organiser
                        .get("/desk/people/" + both.get(0).person() + ".vcf")
                        .response()
                        .body())
                .contains("EMAIL:tome@one.example");

        visitor.register(at, Map.of("name", "Tomé Ødegård", "email", "tome@three.example"));
        Registration third = queries.roster(at.session()).get(1);
        organiser.post(
                "/desk/programme",
                "/desk/people/same",
                Map.of(
                        "from",
                        String.valueOf(third.person()),
                        "into",
                        String.valueOf(both.get(0).person())));
        assertThat(queries.registration(third.id()).orElseThrow().email()).isEqualTo("tome@three.example");
    }

    @Test
    void strangers_and_other_sessions_reach_nothing() {
        Published at = saltmarrow.publish(seats(5));
        long one = register(at.session(), "Linnea Tidewater", 1);
        Published other = saltmarrow.publish(seats(5));
        assertThat(organiser
                        .get("/desk/sessions/" + other.session() + "/why/" + one)
                        .status())
                .isEqualTo(404);
        Browserless stranger = new Browserless(port);
        for (String closed : List.of("/roster", "/roster.vcf", "/roster.pdf", "/add", "/import", "/why/" + one)) {
            assertThat(stranger.get("/desk/sessions/" + at.session() + closed).location())
                    .as(closed)
                    .contains("/sign-in");
        }
    }
}
