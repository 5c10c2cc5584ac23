package jollyroster.sharing;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.Temporal;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.QrReader;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.core.seats.SeatsShown;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.QrCode;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.programme.Session;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.schedule.Scope;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Links, codes, feeds and what other sites may show. */
@AppTest
class SharingTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    ScheduleCommands schedule;

    @LocalServerPort
    int port;

    private Browserless visitor() {
        return new Browserless(port);
    }

    @Test
    void a_short_link_leads_to_the_page() {
        Published at = saltmarrow.publish(seats(3));
        String code = programme.offering(at.offering()).orElseThrow().front().shortCode();
        assertThat(visitor().get("/s/" + code).location()).isEqualTo("/p/" + at.slug());
        assertThat(visitor().get("/s/nothing").status()).isEqualTo(404);
    }

    /** Source: ISO/IEC 18004 as the decoder of ZXing reads it. */
    @Test
    void a_decoder_reads_the_address_back() throws Exception {
        String address = "https://sessions.example.org/s/abcdefg?from=poster&x=1";
        assertThat(QrReader.text(QrCode.of(address).png(4))).isEqualTo(address);
        assertThat(QrCode.of(address).svg()).startsWith("<svg").contains("shape-rendering=\"crispEdges\"");
    }

    @Test
    void the_feed_of_an_offering_shows_its_dates_and_nobody_else_s() throws Exception {
        Published one = saltmarrow.publish(
                seats(3).at("2027-03-16T19:00", "2027-03-23T19:00").by(SignUpStyle.WHOLE_SERIES));
        Published other = saltmarrow.publish(seats(3).at("2027-03-18T19:00"));
        schedule.callOff(one.dates().get(1), Scope.THIS, "", Saltmarrow.ORGANISER);
        Calendar feed =
                read(visitor().get("/p/" + one.slug() + ".ics").response().body());
        List<VEvent> events = feed.getComponents("VEVENT");
        assertThat(events.stream()
                        .collect(Collectors.toMap(
                                e -> instant(e), e -> e.getStatus().getValue())))
                .isEqualTo(programme.sessionsOf(one.offering()).stream()
                        .collect(Collectors.toMap(Session::start, s -> s.cancelled() ? "CANCELLED" : "CONFIRMED")));
        assertThat(events.stream().map(e -> e.getSequence().getSequenceNo())).containsExactlyInAnyOrder(0, 1);
        assertThat(visitor()
                        .get("/p/" + one.slug() + "/dates.ics")
                        .response()
                        .headers()
                        .firstValue("content-disposition"))
                .hasValueSatisfying(v -> assertThat(v).contains("attachment"));
        assertThat(visitor().get("/p/" + other.slug() + ".ics").response().body())
                .doesNotContain(one.slug());
    }

    private static Instant instant(VEvent event) {
        return Instant.from((Temporal) event.getDateTimeStart().getDate());
    }

    private static Calendar read(String text) throws Exception {
        return new CalendarBuilder().build(new StringReader(text));
    }

    @Test
    void only_named_sites_may_frame_it() {
        Published at = saltmarrow.publish(seats(3));
        Browserless organiser = Browserless.organiser(port);
        String share = "/desk/offerings/" + at.offering() + "/share";
        Browserless.Page unnamed = visitor().get("/embed/" + at.slug());
        assertThat(unnamed.document().select("body a").attr("href"))
                .as("only a link")
                .endsWith("/p/" + at.slug());
        assertThat(unnamed.document().select("main *")).hasSize(2);
        assertThat(visitor().get("/embed/unknown").status()).isEqualTo(404);
        for (String wrong :
                List.of("javascript:alert(1)", "http://club.example", "https://*", "'self'", "https://a.example/x y")) {
            organiser.post(share, "/desk/offerings/" + at.offering() + "/origins", Map.of("origins", wrong));
            assertThat(organiser.get(share).document().select(".warned").text())
                    .as(wrong)
                    .contains("is not a site");
        }
        organiser.post(
                share,
                "/desk/offerings/" + at.offering() + "/origins",
                Map.of("origins", "https://club.example\nclub2.example"));
        assertThat(organiser.get(share).document().select("#origins").first().wholeText())
                .as("what was typed stays")
                .contains("https://club.example", "club2.example");
        organiser.post(
                share, "/desk/offerings/" + at.offering() + "/origins", Map.of("origins", "https://club.example/\n"));
        Browserless.Page block = visitor().get("/embed/" + at.slug());
        assertThat(block.status()).isEqualTo(200);
        assertThat(block.response().headers().firstValue("content-security-policy"))
                .hasValueSatisfying(v -> assertThat(v).endsWith("frame-ancestors https://club.example"));
        assertThat(visitor().get("/p/" + at.slug()).response().headers().firstValue("content-security-policy"))
                .hasValueSatisfying(v -> assertThat(v).contains("frame-ancestors 'none'"));
    }

    @Test
    void a_site_that_was_not_named_shows_a_link_instead_of_a_broken_frame() {
        Published at = saltmarrow.publish(seats(3));
        Browserless organiser = Browserless.organiser(port);
        String share = "/desk/offerings/" + at.offering() + "/share";
        organiser.post(
                share, "/desk/offerings/" + at.offering() + "/origins", Map.of("origins", "https://club.example"));
        String embed = "/embed/" + at.slug();
        Browserless.Page stranger =
                visitor().get(embed, Map.of("Sec-Fetch-Dest", "iframe", "Referer", "https://elsewhere.example/page"));
        assertThat(stranger.document().select("main a").attr("href")).endsWith("/p/" + at.slug());
        assertThat(stranger.document().select(".dates-offered")).isEmpty();
        assertThat(stranger.response().headers().firstValue("content-security-policy"))
                .hasValueSatisfying(v -> assertThat(v).endsWith("frame-ancestors *"));
        Browserless.Page named =
                visitor().get(embed, Map.of("Sec-Fetch-Dest", "iframe", "Referer", "https://club.example/page"));
        assertThat(named.document().select(".dates-offered li")).hasSize(1);
    }

    @Test
    void seats_left_are_told_as_the_offering_says_on_its_page_in_the_list_and_where_it_is_embedded() {
        Published few = saltmarrow.publish(
                seats(3).with(Section.Seats.of(3, 1).showing(new SeatsShown(SeatsShown.When.FEW, 2))));
        Published never = saltmarrow.publish(
                seats(3).with(Section.Seats.of(3, 1).showing(new SeatsShown(SeatsShown.When.NEVER, 2))));
        assertThat(left(few)).containsExactly("seats left", "seats left");
        assertThat(visitor().get("/p/" + few.slug()).document().select(".facts svg"))
                .isEmpty();
        visitor().register(few, Map.of("email", "few@crew.example"));
        assertThat(left(few)).containsExactly("few left", "few left");
        visitor().register(never, Map.of("email", "never@crew.example"));
        assertThat(left(never)).containsExactly("seats left", "seats left");
    }

    /** On the page and in the list. */
    private List<String> left(Published at) {
        return List.of(
                visitor()
                        .get("/p/" + at.slug())
                        .document()
                        .select(".choice label small")
                        .first()
                        .text(),
                visitor()
                        .get("/?by=date&q=" + at.slug().replaceAll(".*-", ""))
                        .document()
                        .select(".dates-offered a[href*=" + at.slug() + "] .left")
                        .first()
                        .text());
    }

    @Test
    void the_list_is_narrowed_by_words_label_and_place_and_kept_to_a_page() {
        Published at = saltmarrow.publish(seats(3));
        Browserless.Page found = visitor().get("/?q=NOTHING%20like%20it");
        assertThat(found.document().text()).contains("Nothing fits.");
        String title = programme.offering(at.offering()).orElseThrow().title();
        String place = programme.offering(at.offering()).orElseThrow().place();
        Browserless.Page one = visitor().get("/?place=" + URLEncoder.encode(place, StandardCharsets.UTF_8));
        assertThat(one.document().select("article h2").eachText()).containsExactly(title);
        assertThat(visitor()
                        .get("/?label=%22%3E%3Cscript%3E&by=date&page=99999999")
                        .status())
                .isEqualTo(200);
        assertThat(visitor().get("/?page=x").status()).isEqualTo(400);
    }

    @Test
    void the_share_page_has_all_of_it() {
        Published at = saltmarrow.publish(seats(3));
        Browserless organiser = Browserless.organiser(port);
        Browserless.Page share = organiser.get("/desk/offerings/" + at.offering() + "/share");
        assertThat(share.document().select("#page-link").attr("value")).endsWith("/p/" + at.slug());
        assertThat(share.document().select("#as-block").text()).contains("data-as=\"block\"");
        assertThat(share.document().select("#as-button").text()).contains("data-as=\"button\" data-label=\"Register\"");
        assertThat(visitor().get("/p/" + at.slug() + "/qr.svg").status()).isEqualTo(200);
        assertThat(visitor().get("/embed.js").response().body()).contains("iframe");
    }
}
