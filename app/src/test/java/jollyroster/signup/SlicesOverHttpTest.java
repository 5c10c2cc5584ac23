package jollyroster.signup;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow.Published;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.sheet.SheetForms;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A stretch that was cut into slices is picked from like times of one's own, without scripts. */
@AppTest
class SlicesOverHttpTest extends AsVisitor {

    @Autowired
    ProgrammeQueries programme;

    private Browserless organiser;
    private Published at;
    private String page;
    private List<Session> slices;

    @BeforeEach
    void cut() {
        organiser = Browserless.organiser(port);
        at = saltmarrow.publish(seats(1).withoutWaitlist());
        page = "/p/" + at.slug();
        String desk = "/desk/offerings/" + at.offering();
        organiser.post(
                desk, desk + "/dates", Map.of("typed", "17 Mar 2027 10:00-11:00 every 10 min", "replaces", "false"));
        slices = programme.sessionsOf(at.offering()).stream()
                .filter(s -> s.id() != at.session())
                .toList();
        assertThat(slices).hasSize(6);
    }

    private String number(int slice) {
        return String.valueOf(slices.get(slice).id());
    }

    private Browserless.Page take(int slice, String email) {
        return visitor.post(page, page + "/register", form(slice, email));
    }

    private Map<String, String> form(int slice, String email) {
        return new LinkedHashMap<>(Map.of(
                "session",
                number(slice),
                "name",
                "Wren Skerry",
                "email",
                email,
                "party",
                "1",
                "zone",
                "America/Halifax"));
    }

    private static Document week(Browserless.Page page) {
        return page.document();
    }

    @Test
    void slices_stand_in_a_week_of_days_and_taken_ones_are_struck_through() {
        assertThat(take(1, "one@crew.example").document().select("h1").text()).startsWith("You are registered");
        Document week = week(visitor.get(page + "?from=2027-03-17"));
        assertThat(week.select(".tide-day").first().select("button").eachText())
                .containsExactly("10:00", "10:20", "10:30", "10:40", "10:50");
        assertThat(week.select(".tide-day").first().select("s").text()).isEqualTo("taken: 10:10");
        assertThat(week.select("[name=session]").eachAttr("value"))
                .contains(number(0))
                .doesNotContain(number(1));
        assertThat(week.select("#ask")).as("nothing is picked yet").isEmpty();
    }

    @Test
    void a_slice_that_is_picked_leads_to_the_form_and_one_that_is_gone_to_the_nearest() {
        Document form =
                visitor.post(page, page + "/pick", Map.of("session", number(2))).document();
        assertThat(form.select("#ask h2").text()).startsWith("Wed 17 Mar, 10:20–10:30");
        assertThat(form.select("button.take").attr("value")).isEqualTo(number(2));
        take(2, "two@crew.example");
        Browserless.Page late = take(2, "late@crew.example");
        assertThat(late.status()).isEqualTo(409);
        assertThat(late.document().select("#e-session button").eachText())
                .containsExactly("Wed 17 Mar 10:10", "Wed 17 Mar 10:30", "Wed 17 Mar 10:00");
        assertThat(late.document().select("#name").attr("value")).isEqualTo("Wren Skerry");
        Map<String, String> typed = form(3, "late@crew.example");
        typed.put("form", "11111111-aaaa-3333-4444-555555555555");
        Document again = visitor.post(page, page + "/pick", typed).document();
        assertThat(again.select("#ask h2").text()).startsWith("Wed 17 Mar, 10:30–10:40");
        assertThat(again.select("#email").attr("value")).isEqualTo("late@crew.example");
    }

    @Test
    void where_seats_are_not_shown_taken_slices_are_left_out() {
        String desk = "/desk/offerings/" + at.offering();
        take(1, "one@crew.example");
        Map<String, String> fields = SheetForms.filledIn(organiser, desk, "seats");
        fields.put("shown", "NEVER");
        assertThat(SheetForms.keep(organiser, desk, "seats", fields).location()).endsWith("#seats");
        Document week = week(visitor.get(page + "?from=2027-03-17"));
        assertThat(week.select(".tide-day").first().select("li").eachText())
                .containsExactly("10:00", "10:20", "10:30", "10:40", "10:50");
    }

    @Test
    void the_desk_says_who_took_which_and_the_form_is_tried() {
        take(1, "one@crew.example");
        String desk = "/desk/offerings/" + at.offering();
        assertThat(organiser.get(desk).document().select("a[href$=slices]").text())
                .isEqualTo("Who took which");
        Document days = organiser.get(desk + "/slices?from=2027-03-17").document();
        assertThat(days.select("h2").text()).startsWith("Wed 17 Mar 2027 1 of 6 taken");
        assertThat(days.select(".slices li").get(1).text()).contains("10:10–10:20", "Wren Skerry");
        assertThat(days.select(".slices li").get(0).text()).contains("free");
        assertThat(organiser.get(desk + "/slices?from=2027-03-17").link("a[rel=prev]"))
                .endsWith("/slices");
        Document tried = organiser.get(desk + "/try?session=" + number(4)).document();
        assertThat(tried.select("form#own-time").attr("action")).isEqualTo(desk + "/try");
        Document judged =
                organiser.post(desk, desk + "/try", form(4, "me@crew.example")).document();
        assertThat(judged.select(".preview-word").text()).contains("This would be taken.");
        assertThat(roster.roster(slices.get(4).id())).as("nothing was stored").isEmpty();
    }

    @Test
    void lists_show_the_slices_of_a_day_as_one() {
        take(1, "one@crew.example");
        for (String by : List.of("offering", "date")) {
            Document list = visitor.get("/?by=" + by + "&q=" + title()).document();
            assertThat(list.select("a[href='" + page + "#pick']").text())
                    .as(by)
                    .contains("Wed 17 Mar, 10:00–11:00")
                    .contains("5 times free");
            assertThat(list.select("a[href*='session=" + number(0) + "']")).isEmpty();
        }
    }

    private String title() {
        return java.net.URLEncoder.encode(
                programme.offering(at.offering()).orElseThrow().title(), java.nio.charset.StandardCharsets.UTF_8);
    }

    @Test
    void a_few_dates_stay_a_list() {
        Published few = saltmarrow.publish(seats(3).at("2027-03-16T19:00", "2027-03-23T19:00"));
        assertThat(visitor.get("/p/" + few.slug()).document().select(".tide-day"))
                .isEmpty();
        assertThat(visitor.post("/p/" + few.slug(), "/p/" + few.slug() + "/pick", Map.of("session", "1"))
                        .status())
                .isEqualTo(404);
    }
}
