package jollyroster.owntime;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.Section;
import jollyroster.programme.Visibility;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A link gives one person one time; times in a letter hold nothing and lead straight to their form. */
@AppTest
class TimeLinkTest extends AtTheClinic {

    private static final Pattern TOKEN = Pattern.compile("once=([\\w.~-]+)");
    private Browserless organiser;

    @Autowired
    HostQueries hosts;

    @BeforeEach
    void signIn() {
        organiser = Browserless.organiser(port);
    }

    private Offering byInvitation(Long... hosts) {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11 from 17 Mar")), 1, 1, hosts);
        offerings.save(
                o.id(),
                List.of(Section.Access.OPEN.by(SignUpStyle.OWN_TIME).seen(Visibility.INVITED)),
                Saltmarrow.ORGANISER);
        return programme.offering(o.id()).orElseThrow();
    }

    private String link(Offering o, String... fields) {
        Map<String, String> all = new HashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            all.put(fields[i], fields[i + 1]);
        }
        String page = "/desk/offerings/" + o.id() + "/times/send";
        organiser.post(page, "/desk/offerings/" + o.id() + "/times/links", all);
        Document shown = organiser.get(page).document();
        Matcher token = TOKEN.matcher(shown.select("#once").html());
        assertThat(token.find()).as(shown.select("#once").text()).isTrue();
        return token.group(1);
    }

    private Browserless.Page register(Offering o, String once, String start, String name) {
        return new Browserless(port)
                .post(
                        "/mine",
                        "/p/" + o.slug() + "/register",
                        Map.of(
                                "once",
                                once,
                                "start",
                                start,
                                "name",
                                name,
                                "email",
                                name.replace(' ', '.') + o.id() + "@crew.example",
                                "party",
                                "1"));
    }

    @Test
    void a_link_is_good_for_one_time_of_one_offering_also_by_invitation() {
        Offering o = byInvitation(host());
        String page = "/p/" + o.slug();
        Document shut = new Browserless(port).get(page).document();
        assertThat(shut.select("main").text()).contains("Times are given by invitation here");
        assertThat(shut.select(".tide-day")).isEmpty();
        assertThat(register(o, "", "2027-03-17T10:00:00-03:00", "Teo Quill").status())
                .isEqualTo(409);
        String once = link(o, "label", "Wren");
        assertThat(new Browserless(port).get(page + "?once=" + once).document().select(".tide-day"))
                .hasSize(7);
        assertThat(register(
                                clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, host()),
                                once,
                                "2027-03-17T10:00:00-03:00",
                                "Eve Marsh")
                        .status())
                .as("a link of another offering")
                .isEqualTo(409);
        assertThat(register(o, once, "2027-03-17T10:00:00-03:00", "Wren Skerry").status())
                .isEqualTo(200);
        assertThat(programme.sessionsOf(o.id())).hasSize(1);
        assertThat(register(o, once, "2027-03-17T10:20:00-03:00", "Teo Quill").status())
                .as("used")
                .isEqualTo(409);
        assertThat(new Browserless(port)
                        .get(page + "?once=" + once)
                        .document()
                        .select("main")
                        .text())
                .contains("This link was for one time");
        assertThat(organiser
                        .get("/desk/offerings/" + o.id() + "/times/send")
                        .document()
                        .select("#once")
                        .text())
                .contains("used by Wren Skerry");
        assertThat(new Browserless(port).get(page + "?once=nonsense").document().select(".tide-day"))
                .isEmpty();
    }

    @Test
    void days_and_host_of_a_link_bind() {
        long one = host();
        long other = host();
        Offering o = clinic(
                OwnTime.in(hours("Wed, Thu 10-11 from 17 Mar")).ledBy(HostChoice.ATTENDEES_CHOICE), 1, 1, one, other);
        String once = link(o, "first", "2027-03-18", "last", "2027-03-18", "host", "" + other);
        Document page =
                new Browserless(port).get("/p/" + o.slug() + "?once=" + once).document();
        assertThat(page.select(".tide-day button").eachAttr("value")).allMatch(start -> start.startsWith("2027-03-18"));
        assertThat(page.select(".pick-head nav")).as("who leads it is settled").isEmpty();
        assertThat(register(o, once, "2027-03-17T10:00:00-03:00", "Wren Skerry").status())
                .isEqualTo(409);
        assertThat(register(o, once, "2027-03-18T10:00:00-03:00", "Wren Skerry").status())
                .isEqualTo(200);
        assertThat(organiser
                        .get("/desk/sessions/"
                                + programme.sessionsOf(o.id()).get(0).id())
                        .document()
                        .select("main")
                        .text())
                .contains("whom their link names");
    }

    @Test
    void a_link_may_leave_it_to_several_hosts() {
        long one = host();
        long other = host();
        Offering o = clinic(OwnTime.in(hours("Wed 10-11 from 17 Mar")), 1, 1, one, other, host());
        String page = "/desk/offerings/" + o.id() + "/times/send";
        organiser.post(page, "/desk/offerings/" + o.id() + "/times/links", Map.of("host", one + "," + other));
        Document shown = organiser.get(page).document();
        assertThat(shown.select("#once tbody td").get(1).text()).matches("with .+ or .+");
        Matcher token = TOKEN.matcher(shown.select("#once").html());
        assertThat(token.find()).isTrue();
        String first = token.group(1);
        String second = link(o, "host", one + "," + other);
        String third = link(o, "host", one + "," + other);
        String ten = "2027-03-17T10:00:00-03:00";
        assertThat(register(o, first, ten, "Wren Skerry").status()).isEqualTo(200);
        assertThat(register(o, second, ten, "Teo Quill").status()).isEqualTo(200);
        assertThat(programme.sessionsOf(o.id()))
                .extracting(s -> hosts.of(s).get(0).id())
                .containsExactlyInAnyOrder(one, other);
        assertThat(register(o, third, ten, "Ann Kestrel").status())
                .as("the third host is free, and not named by the link")
                .isEqualTo(409);
        Document left =
                new Browserless(port).get("/p/" + o.slug() + "?once=" + third).document();
        assertThat(left.select(".tide-day button").eachAttr("value"))
                .isNotEmpty()
                .doesNotContain(ten);
    }

    @Test
    void a_link_is_taken_back_and_wrong_days_make_none() {
        Offering o = byInvitation(host());
        String once = link(o);
        String page = "/desk/offerings/" + o.id() + "/times/send";
        String revoke = organiser.get(page).document().select("#once td form").attr("action");
        organiser.post(page, revoke, Map.of());
        assertThat(register(o, once, "2027-03-17T10:00:00-03:00", "Wren Skerry").status())
                .isEqualTo(409);
        organiser.post(
                page,
                "/desk/offerings/" + o.id() + "/times/links",
                Map.of("first", "2027-03-20", "last", "2027-03-01", "label", "<b>\"x\"</b>"));
        Document again = organiser.get(page).document();
        assertThat(again.select(".warned").text()).isEqualTo("No link was made: the first day is after the last.");
        assertThat(again.select("#once [name=label]").attr("value")).isEqualTo("<b>\"x\"</b>");
        assertThat(again.select("#once [name=first]").attr("value")).isEqualTo("2027-03-20");
        assertThat(again.select("#once tbody tr")).hasSize(1);
    }

    @Test
    void the_newest_links_are_in_sight_and_the_others_fold() {
        Offering o = byInvitation(host());
        for (int i = 0; i < 9; i++) {
            link(o, "label", "Nº " + i);
        }
        Document page =
                organiser.get("/desk/offerings/" + o.id() + "/times/send").document();
        assertThat(page.select("#once > table tbody tr")).hasSize(8);
        assertThat(page.select("#once details tbody td").first().text()).isEqualTo("Nº 0");
    }

    @Test
    void times_for_a_letter_are_text_and_html_and_lead_to_the_form() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11 from 17 Mar")), 1, 1, host());
        String page = "/desk/offerings/" + o.id() + "/times/send?from=2027-03-17";
        assertThat(organiser.get(page).document().select(".send-days [type=checkbox]"))
                .hasSize(3);
        assertThat(organiser
                        .get(page + "&t=2027-03-17T10:00:00-03:00")
                        .document()
                        .select("main")
                        .text())
                .contains("Choose two to five times");
        Document written = organiser
                .get(page + "&t=2027-03-17T10:00:00-03:00&t=2027-03-17T10:40:00-03:00&t=junk")
                .document();
        assertThat(written.select("#as-text").text())
                .contains("Wed 17 Mar, 10:00–10:20, Halifax time: http", "/p/" + o.slug() + "?start=2027-03-17T10:40");
        assertThat(written.select("#as-html").text()).startsWith("<ul>").contains("<li><a href=\"http");
        assertThat(Optional.of(programme.sessionsOf(o.id()))).contains(List.of());
    }

    @Test
    void a_link_may_bring_name_and_address_along() {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11 from 17 Mar")), 1, 1, host());
        Document page = new Browserless(port)
                .get("/p/" + o.slug()
                        + "?start=2027-03-17T10:00:00-03:00&name=Wren%20%3Cb%3E&email=wren@crew.example&day=2027-03-24")
                .document();
        assertThat(page.select("#name").attr("value")).isEqualTo("Wren <b>");
        assertThat(page.select("#email").attr("value")).isEqualTo("wren@crew.example");
        assertThat(page.select(".tide-day").get(0).text()).contains("24 Mar");
    }
}
