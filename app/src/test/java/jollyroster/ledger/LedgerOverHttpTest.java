package jollyroster.ledger;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.schedule.Scope;
import jollyroster.seating.RegistrationCommands;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The programme as a ledger: what is asked for is shown, views are saved, and many are dealt with at once. */
@AppTest
class LedgerOverHttpTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    ScheduleCommands schedule;

    @Autowired
    RegistrationCommands roster;

    @LocalServerPort
    int port;

    private Published at;
    private Browserless organiser;

    @BeforeEach
    void publish() {
        at = saltmarrow.publish(seats(1));
        organiser = Browserless.organiser(port);
    }

    private String title(Published one) {
        return programme.offering(one.offering()).orElseThrow().title();
    }

    private List<String> shown(String query) {
        Browserless.Page page = organiser.get("/desk/programme?" + query);
        assertThat(page.status()).as(query).isEqualTo(200);
        return page.document().select(".programme .name a").eachText();
    }

    /** Whether a session of this offering is among what is asked for. */
    private boolean isShown(String query, Published one) {
        String title = URLEncoder.encode(title(one), StandardCharsets.UTF_8);
        return shown(query + "&q=" + title).contains(title(one));
    }

    @Test
    void a_session_is_found_by_what_it_is_called_where_it_is_who_leads_it_and_how_it_stands() {
        Published other = saltmarrow.publish(seats(3));
        String free = "free%20seats";
        assertThat(shown("q=" + title(at).replace(" ", "%20").toUpperCase(java.util.Locale.ROOT)))
                .contains(title(at));
        assertThat(isShown("state=" + free, at) && isShown("state=" + free, other))
                .isTrue();
        roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        assertThat(isShown("state=full", at)).isTrue();
        assertThat(isShown("state=full", other)).isFalse();
        assertThat(isShown("state=" + free, other)).isTrue();
        assertThat(isShown("state=" + free, at)).isFalse();
        roster.register(Saltmarrow.person(at.session(), "Teo Vance", 1), Saltmarrow.VISITOR);
        assertThat(isShown("state=waiting", at)).isTrue();
        assertThat(isShown("state=waiting", other)).isFalse();
        schedule.callOff(other.session(), Scope.THIS, "", Saltmarrow.ORGANISER);
        for (String word : List.of("cancelled", "called%20off")) {
            assertThat(isShown("state=" + word, other)).as(word).isTrue();
            assertThat(isShown("state=" + word, at)).as(word).isFalse();
        }
        assertThat(shown("q=nothing%20is%20called%20so")).isEmpty();
        assertThat(shown("when=past&q=knots")).doesNotContain(title(at));
    }

    @Test
    void nonsense_in_the_address_asks_for_everything() {
        for (String query : List.of("state=1%27%20OR%201=1", "host=x", "venue=99999999999999", "when=never", "q=%00")) {
            assertThat(organiser.get("/desk/programme?" + query).status())
                    .as(query)
                    .isEqualTo(200);
        }
        assertThat(isShown("state=%3Cscript%3E&month=2027-99&page=-4", at)).isTrue();
    }

    @Test
    void a_view_is_saved_found_again_and_forgotten() {
        String query = "/desk/programme?state=full&q=knots";
        Map<String, String> view = new LinkedHashMap<>(Map.of("when", "coming", "q", "knots", "state", "full"));
        view.put("name", "Full <b>benches</b>");
        organiser.post(query, "/desk/programme/views", view);
        var saved = organiser.get("/desk/programme").document();
        assertThat(saved.select("main b:contains(benches)")).isEmpty();
        assertThat(saved.select("a:contains(benches)").text()).contains("Full <b>benches</b>");
        assertThat(saved.select("a:contains(benches)").attr("href"))
                .contains("state=full")
                .contains("q=knots");
        String forget = saved.select("form[action*=/views/]").attr("action");
        organiser.post("/desk/programme", forget, Map.of());
        assertThat(organiser.get("/desk/programme").document().select("a:contains(benches)"))
                .isEmpty();
    }

    @Test
    void ticked_sessions_are_closed_and_published_again_together() {
        Map<String, String> ticked = new LinkedHashMap<>();
        ticked.put("session", String.valueOf(at.session()));
        ticked.put("act", "close");
        ticked.put("back", "");
        organiser.post("/desk/programme", "/desk/programme/together", ticked);
        assertThat(programme.offering(at.offering()).orElseThrow().status()).isEqualTo(OfferingStatus.CLOSED);
        ticked.put("act", "publish");
        organiser.post("/desk/programme", "/desk/programme/together", ticked);
        assertThat(programme.offering(at.offering()).orElseThrow().status()).isEqualTo(OfferingStatus.PUBLISHED);
        ticked.put("act", "sink");
        assertThat(organiser
                        .post("/desk/programme", "/desk/programme/together", ticked)
                        .status())
                .isLessThan(500);
    }

    @Test
    void a_long_programme_is_read_by_month_and_a_screenful_at_a_time() {
        String[] starts = IntStream.rangeClosed(1, 23)
                .mapToObj(day -> "2027-09-%02dT10:00".formatted(day))
                .toArray(String[]::new);
        Published many = saltmarrow.publish(seats(2).at(starts));
        saltmarrow.publish(seats(2).at("2027-10-01T10:00"));
        Document september = organiser.get("/desk/programme?month=2027-09").document();
        assertThat(september.select(".months a.is-lit").text()).isEqualTo("September 23");
        assertThat(september.select(".programme .name a")).hasSize(17);
        Document rest =
                organiser.get(september.select("a[rel=next]").attr("href")).document();
        assertThat(rest.select(".programme .name a")).hasSize(6);
        assertThat(rest.select(".programme .name a").eachText()).containsOnly(title(many));
        assertThat(rest.select("a[rel=next]")).isEmpty();
        assertThat(organiser
                        .get("/desk/programme?month=2027-09&page=9999")
                        .document()
                        .select(".programme .name a"))
                .as("beyond the last page is the last page")
                .hasSize(6);
    }

    @Test
    void offerings_are_a_list_with_what_is_to_do() {
        Published draft = saltmarrow.publish(seats(3));
        organiser.post("/desk/programme", "/desk/offerings/" + draft.offering() + "/turn", Map.of("to", "DRAFT"));
        String q = "/desk/offerings?q=" + URLEncoder.encode(title(draft), StandardCharsets.UTF_8);
        Document list = organiser.get(q).document();
        assertThat(list.select(".offerings tbody tr").text())
                .contains(title(draft), "draft", "Tue 16 Mar 19:00", "0 of 3");
        assertThat(organiser.get(q + "&status=published").document().select(".offerings .name a"))
                .isEmpty();
        assertThat(organiser.get("/desk/offerings?page=99999&status=%3Cb%3E").status())
                .isEqualTo(200);
    }
}
