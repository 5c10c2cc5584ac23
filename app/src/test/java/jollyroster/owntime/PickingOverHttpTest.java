package jollyroster.owntime;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLDecoder;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.core.openhours.HostChoice;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.seating.RegistrationQueries;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A visitor picks a time on the public page, without scripts. */
@AppTest
class PickingOverHttpTest extends AtTheClinic {

    @Autowired
    RegistrationQueries roster;

    private Browserless visitor;

    private Document page(Offering o, String query) {
        visitor = new Browserless(port);
        return visitor.get("/p/" + o.slug() + query).document();
    }

    private Browserless.Page register(Offering o, String start, String name, String... more) {
        visitor = new Browserless(port);
        Map<String, String> fields = new HashMap<>(Map.of(
                "start",
                start,
                "name",
                name,
                "email",
                name.replace(' ', '.') + o.id() + "@crew.example",
                "party",
                "1"));
        for (int i = 0; i < more.length; i += 2) {
            fields.put(more[i], more[i + 1]);
        }
        return visitor.post("/mine", "/p/" + o.slug() + "/register", fields);
    }

    @Test
    void the_page_opens_at_the_first_free_day_and_leads_to_the_form() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11, 19-20 from 17 Mar")), 1, 1, host());
        Document first = page(o, "");
        assertThat(first.select(".pick-head").text()).contains("first free: Wed 17 Mar 10:00");
        assertThat(first.select(".tide-day").get(0).text()).contains("Wed", "17 Mar", "6 free", "10:00", "19:40");
        assertThat(first.select("#ask")).isEmpty();
        String start = first.select(".tide-day button").first().attr("value");
        assertThat(start).isEqualTo("2027-03-17T10:00:00-03:00");
        Document chosen = visitor.get("/p/" + o.slug() + "?start=" + start).document();
        assertThat(chosen.select("#ask h2").text()).startsWith("Wed 17 Mar, 10:00–10:20");
        assertThat(chosen.select("button.take").text()).isEqualTo("Register for 10:00");
        assertThat(chosen.select(".is-picked").text()).isEqualTo("10:00");
        assertThat(page(o, "?from=2027-03-24").select(".tide-day").get(0).text())
                .contains("24 Mar");
        assertThat(page(o, "?from=junk&start=junk&host=junk").select(".tide-day"))
                .hasSize(7);
        for (String absurd : List.of(
                "%2B999999999-12-31T23:59:59-18:00", "-999999999-01-01T00:00:00%2B18:00", "2199-12-31T23:59:59Z")) {
            assertThat(page(o, "?zone=Pacific/Auckland&start=" + absurd).select(".tide-day"))
                    .as(absurd)
                    .hasSize(7);
            assertThat(register(o, URLDecoder.decode(absurd, UTF_8), "Ann Kestrel")
                            .status())
                    .as(absurd)
                    .isEqualTo(409);
        }
    }

    @Test
    void a_visitor_elsewhere_sees_their_own_clock_and_the_day_where_it_is_another() {
        Offering o = clinic(OwnTime.in(hours("Wed 21-22 from 17 Mar")), 1, 1, host());
        Document page = page(o, "?zone=Pacific/Auckland");
        assertThat(page.select(".tide-day").get(0).text()).contains("Thu", "18 Mar", "13:00", "Wed 17 Mar 21:00");
    }

    @Test
    void registering_takes_the_time_and_thanks_for_it() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11 from 17 Mar")), 1, 1, host());
        visitor = new Browserless(port);
        String page = "/p/" + o.slug() + "?start=2027-03-17T10:20:00-03:00";
        Browserless.Page sent = visitor.post(
                page,
                "/p/" + o.slug() + "/register",
                Map.of(
                        "start",
                        visitor.get(page).document().select("button.take").attr("value"),
                        "name",
                        "Wren Skerry",
                        "email",
                        "wren" + o.id() + "@crew.example",
                        "party",
                        "1"));
        assertThat(sent.document().select("main").text())
                .contains("You are registered, Wren", "Wed 17 Mar, 10:20–10:40 Halifax time");
        assertThat(programme.sessionsOf(o.id())).hasSize(1);
        assertThat(roster.roster(programme.sessionsOf(o.id()).get(0).id())).hasSize(1);
        Document list =
                new Browserless(port).get("/?q=" + o.title().replace(' ', '+')).document();
        assertThat(list.select("article").text())
                .contains(o.title(), "Pick a time")
                .doesNotContain("17 Mar");
        assertThat(new Browserless(port)
                        .get("/?by=date&q=" + o.title().replace(' ', '+'))
                        .document()
                        .select("main")
                        .text())
                .as("which times were picked is nobody's business")
                .doesNotContain(o.title());
        assertThat(new Browserless(port).get("/p/" + o.slug() + ".ics").status())
                .isEqualTo(404);
    }

    @Test
    void a_lost_time_offers_the_nearest_three_with_all_that_was_typed() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-12 from 17 Mar")), 1, 1, host());
        register(o, "2027-03-17T11:00:00-03:00", "Wren Skerry");
        Browserless.Page lost = register(o, "2027-03-17T11:00:00-03:00", "Teo Quill");
        assertThat(lost.status()).isEqualTo(409);
        assertThat(lost.document().select("[name=name]").attr("value")).isEqualTo("Teo Quill");
        assertThat(lost.document().select("#e-session button").eachText())
                .containsExactly("Wed 17 Mar 10:40", "Wed 17 Mar 11:20", "Wed 17 Mar 10:20");
        assertThat(register(o, "2027-03-17T11:05:00-03:00", "Ann Kestrel").status())
                .as("not on the grid")
                .isEqualTo(409);
        assertThat(register(o, "soon", "Ann Kestrel").status()).isEqualTo(409);
        assertThat(register(o, "2027-03-17T11:20:00-03:00", "").status()).isEqualTo(422);
    }

    @Test
    void people_choose_the_host_where_they_may() {
        long one = host();
        long other = host();
        Offering o = clinic(
                OwnTime.in(hours("Wed 10-10:20 from 17 Mar")).ledBy(HostChoice.ATTENDEES_CHOICE), 1, 1, one, other);
        Document page = page(o, "?host=" + other + "&start=2027-03-17T10:00:00-03:00");
        assertThat(page.select(".pick-head nav a")).hasSize(3);
        assertThat(page.select("#own-time [name=host]").attr("value")).isEqualTo(String.valueOf(other));
        assertThat(register(o, "2027-03-17T10:00:00-03:00", "Wren Skerry", "host", "" + other)
                        .status())
                .isEqualTo(200);
        assertThat(times(o)).isEqualTo(Optional.of(1));
    }

    private Optional<Integer> times(Offering o) {
        String body = new Browserless(port)
                .get("/p/" + o.slug() + "/times?from=2027-03-17&days=1")
                .response()
                .body();
        return Optional.of(body.split("\"start\"").length - 1);
    }
}
