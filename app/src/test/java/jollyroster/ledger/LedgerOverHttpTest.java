package jollyroster.ledger;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.schedule.Scope;
import jollyroster.seating.RegistrationCommands;
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

    @Test
    void a_session_is_found_by_what_it_is_called_where_it_is_who_leads_it_and_how_it_stands() {
        Published other = saltmarrow.publish(seats(3));
        String free = "free%20seats";
        assertThat(shown("q=" + title(at).replace(" ", "%20").toUpperCase(java.util.Locale.ROOT)))
                .contains(title(at));
        assertThat(shown("state=" + free)).contains(title(at), title(other));
        roster.register(Saltmarrow.person(at.session(), "Wren Skerry", 1), Saltmarrow.VISITOR);
        assertThat(shown("state=full")).contains(title(at)).doesNotContain(title(other));
        assertThat(shown("state=" + free)).contains(title(other)).doesNotContain(title(at));
        roster.register(Saltmarrow.person(at.session(), "Teo Vance", 1), Saltmarrow.VISITOR);
        assertThat(shown("state=waiting")).contains(title(at)).doesNotContain(title(other));
        schedule.callOff(other.session(), Scope.THIS, Saltmarrow.ORGANISER);
        assertThat(shown("state=called%20off")).contains(title(other)).doesNotContain(title(at));
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
        assertThat(shown("state=%3Cscript%3E")).contains(title(at));
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
}
