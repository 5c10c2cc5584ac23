package jollyroster.plans;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.WritingHours;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** A dry run of the messages of an offering: the real plan and the real words, for people made up; nothing is kept or sent. */
@AppTest
class RehearsalOverHttpTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    ReminderCommands plans;

    @Autowired
    WritingHoursCommands hours;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Published at;
    private String page;
    private Browserless organiser;

    @BeforeEach
    void publish() {
        clock.set(TestClock.START);
        hours.setHouse(WritingHours.DEFAULT, List.of(), Saltmarrow.ORGANISER);
        at = saltmarrow.publish(seats(4).at("2027-03-22T19:00"));
        page = "/desk/offerings/" + at.offering() + "/rehearsal";
        organiser = Browserless.organiser(port);
    }

    private Document shown(String query) {
        return organiser.get(page + query).document();
    }

    private static List<String> lane(Document page, String who) {
        return page.select(".lanes-in-words > div:contains(" + who + ") li").eachText();
    }

    @Test
    void six_people_on_six_clocks_get_what_the_plan_gives_them() {
        plans.add(at.offering(), "1 day after", Saltmarrow.ORGANISER);
        Document run = shown("");
        assertThat(run.select(".score .who").eachText()).hasSize(6).contains("Wren Skerry", "Prem Kestrel");
        assertThat(lane(run, "Wren Skerry"))
                .containsExactly(
                        "Mon 8 Mar 18:00 Confirmation",
                        "Sun 21 Mar 19:00 Reminder, 1 day before",
                        "Mon 22 Mar 18:45 Reminder, 15 minutes before",
                        "Wed 24 Mar 08:00 Follow-up, 1 day after moved from Tue 23 Mar 21:00, when nobody is written to there");
        assertThat(lane(run, "Prem Kestrel")).hasSize(1).first().asString().endsWith("Waitlist notice");
        assertThat(lane(run, "Mei Harrow")).last().asString().contains("Follow-up to the absent");
        assertThat(run.select(".margin .note").text()).contains("is woken at");
    }

    @Test
    void a_message_opens_with_the_words_that_count_and_links_back_into_the_rehearsal() {
        organiser.post(
                "/desk/wordings/before-start",
                "/desk/wordings/before-start",
                Map.of(
                        "offering",
                        "" + at.offering(),
                        "subject",
                        "Soon: {{title}}",
                        "body",
                        "Ahoy {{first_name}}, {{starts}}: <{{{join_link}}}>"));
        Document run = shown("?open=1-1");
        assertThat(run.select("#message-title").text()).contains("Reminder, 1 day before to Teo Vance", "Lisbon time");
        String frame = run.select("iframe").attr("src");
        Document mail = organiser.get(frame).document();
        assertThat(mail.body().text()).contains("Soon: ", "Ahoy Teo", "22:00–00:00 in Lisbon");
        assertThat(mail.select("a").attr("href")).contains(page);
    }

    @Test
    void somebody_of_ones_own_joins_the_cast_and_nothing_is_kept_or_sent() {
        int before = outbox.list(List.of(MessageState.values()), 0, Optional.empty(), 100_000)
                .size();
        Document run = shown("?name=%3Cb%3E%22Ola%22&zone=Asia/Kolkata&hours=1");
        assertThat(lane(run, "Ola")).first().asString().isEqualTo("Tue 23 Mar 02:30 Confirmation");
        assertThat(run.select(".score .who").eachText()).contains("<b>\"Ola\"");
        assertThat(run.select(".margin .note").text()).contains("<b>\"Ola\" gets no reminder.");
        assertThat(lane(shown("?name=Ola&zone=Asia/Kolkata&hours=90&does=WAITS"), "Ola"))
                .as("whoever waits is told so, and reminded of nothing")
                .singleElement()
                .asString()
                .endsWith("Waitlist notice");
        assertThat(shown("?name=Ola&zone=Asia/Kolkata&does=ABSENT&play=CANCELS")
                        .select("select[name=does] option[selected]")
                        .text())
                .isEqualTo("does not come");
        assertThat(shown("?zone=Nowhere/Else&hours=-5&open=99-99").select(".score .who"))
                .hasSize(6);
        assertThat(organiser.get(page + "/body.html?open=99-99").status()).isEqualTo(404);
        assertThat(organiser.get("/desk/offerings/999999/rehearsal").status()).isEqualTo(404);
        assertThat(outbox.list(List.of(MessageState.values()), 0, Optional.empty(), 100_000))
                .hasSize(before);
    }

    @Test
    void what_is_played_in_shows_in_what_is_withdrawn_planned_anew_and_sent() {
        organiser.get(page + "/more?play=CANCELS&who=0&ahead=12");
        String played = organiser
                .get(page + "/more?play=MOVES&ahead=36&days=1&event=CANCELS:1:30:0")
                .location();
        Document run = organiser.get(played.substring(played.indexOf("/desk"))).document();
        assertThat(run.select(".played li").eachText())
                .anyMatch(said -> said.startsWith("Teo Vance cancels"))
                .anyMatch(said -> said.startsWith("The session moves by 1 day"));
        assertThat(lane(run, "Wren Skerry"))
                .containsExactly(
                        "Mon 8 Mar 18:00 Confirmation",
                        "Sun 21 Mar 07:00 Change notice",
                        "Sun 21 Mar 19:00 Reminder, 1 day before withdrawn: the session moved, it was planned anew",
                        "Mon 22 Mar 18:45 Reminder, 15 minutes before withdrawn: the session moved, it was planned anew",
                        "Mon 22 Mar 19:00 Reminder, 1 day before",
                        "Tue 23 Mar 18:45 Reminder, 15 minutes before");
        assertThat(lane(run, "Teo Vance")).anyMatch(line -> line.contains("withdrawn: they cancelled before"));
        assertThat(run.select(".score .event")).hasSize(2);
        String without = run.select(".played li a").first().attr("href");
        assertThat(organiser.get(without).document().select(".played li")).hasSize(1);
    }

    @Test
    void the_playhead_stands_where_it_is_put_and_says_what_is_true_then() {
        Document start = shown("?x=700");
        assertThat(start.select(".margin .calm").text())
                .contains("The door is open.", "Their calendars say Mon 22 Mar 19:00.");
        Document early = shown("?x=200");
        assertThat(early.select(".margin .calm").text()).contains("The door is shut", "Next: ");
        assertThat(shown("?x=-99999").select(".score")).hasSize(1);
        assertThat(organiser.get(page + "?x=nonsense").status()).isEqualTo(400);
        assertThat(shown("?event=NONSENSE:1:1:1&event=MOVES:99:9999:99&event=%3Cb%3E")
                        .select(".played li"))
                .hasSize(1);
    }

    @Test
    void all_of_it_is_sent_to_whoever_plays_it_marked() {
        organiser.post(page, page + "/send", Map.of("lane", "1", "event", "MOVES:0:36:1"));
        List<OutboxQueries.Item> sent = outbox.list(List.of(MessageState.PLANNED), 0, Optional.of(Anchor.LETTER), 500);
        List<OutboxQueries.Item> mine = sent.stream()
                .filter(item -> item.subject().startsWith("Rehearsal: "))
                .toList();
        assertThat(mine).isNotEmpty().allMatch(item -> item.recipient().equals("demo@saltmarrow.example"));
        Document mail =
                organiser.get("/desk/outbox/" + mine.get(0).id() + "/body.html").document();
        assertThat(mail.body().text()).startsWith("Rehearsal: to Teo Vance");
        assertThat(mail.select("a[href*=/rehearsal]")).isNotEmpty();
    }
}
