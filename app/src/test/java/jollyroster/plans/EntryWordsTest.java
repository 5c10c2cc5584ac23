package jollyroster.plans;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.outbox.OutboxWorker;
import jollyroster.platform.PersonalLinks;
import jollyroster.programme.Format;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Section;
import jollyroster.seating.RegistrationCommands;
import jollyroster.standin.TrayQueries;
import jollyroster.team.TeamQueries;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** What entries in calendars say to who comes and to who leads, and whether they can be answered. */
@AppTest
class EntryWordsTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    OutboxWorker post;

    @Autowired
    TrayQueries tray;

    @Autowired
    PersonalLinks links;

    @Autowired
    TeamQueries team;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Published at;
    private String plan;
    private Browserless organiser;

    @BeforeEach
    void publish() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(4));
        plan = "/desk/offerings/" + at.offering() + "/plan";
        organiser = Browserless.organiser(port);
    }

    private String calendarOf(String name) {
        roster.register(Saltmarrow.person(at.session(), name, 1), Saltmarrow.VISITOR);
        post.sendDue();
        String email = Saltmarrow.person(0, name, 1).email();
        return tray.latestTo(email).orElseThrow().calendar().replace("\r\n ", "");
    }

    @Test
    void an_entry_says_what_the_organiser_has_it_say_and_can_be_declined_where_they_wish() {
        assertThat(calendarOf("Bao Entry")).contains("METHOD:PUBLISH", "SUMMARY:Knots and splicing bench");
        organiser.post(
                plan,
                plan + "/entry",
                Map.of(
                        "title", "{{title}} with {{hosts}}",
                        "description", "Ahoy {{first_name}}; yours: {{own_link}}",
                        "request", "true"));
        String entry = calendarOf("Mei Entry");
        assertThat(entry)
                .contains("METHOD:REQUEST", "with Barnaby Teague", "PARTSTAT=ACCEPTED", "Ahoy Mei\\; yours: http")
                .doesNotContain("Your link:");
    }

    @Test
    void whoever_leads_it_reads_who_comes() {
        long venue = programme
                .offering(at.offering())
                .orElseThrow()
                .venue()
                .orElseThrow()
                .id();
        offerings.save(
                at.offering(), List.of(Section.Place.at(Format.IN_PERSON, venue, List.of(1L))), Saltmarrow.ORGANISER);
        calendarOf("Bao Harrow");
        organiser.post(plan, plan + "/entry", Map.of("hostTitle", "{{title}} with {{who}}"));
        TeamQueries.Mate me = team.member(1).orElseThrow();
        String feed = links.hostFeed(new Link(me.id(), me.generation()));
        String text = new Browserless(port)
                .get(feed.substring(feed.indexOf("/feeds")))
                .response()
                .body();
        assertThat(text.replace("\r\n ", "")).contains("with Bao H.\\, Halifax");
    }

    @Test
    void words_with_faults_are_not_kept() {
        organiser.post(
                plan,
                plan + "/entry",
                Map.of("title", "{{nobody}}", "description", "{{#open}}", "hostTitle", "{{join_link}}"));
        assertThat(organiser.warnedOn(plan)).anyMatch(said -> said.startsWith("Not saved: Title: "));
        assertThat(calendarOf("Ola Entry")).contains("SUMMARY:Knots and splicing bench");
    }
}
