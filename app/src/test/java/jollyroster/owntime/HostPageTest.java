package jollyroster.owntime;

import static jollyroster.Saltmarrow.HALIFAX;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Role;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.seating.Application;
import jollyroster.team.TeamQueries;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Each who can lead has a public page by name, and a private calendar of what they lead. */
@AppTest
class HostPageTest extends AtTheClinic {

    @Autowired
    PersonalLinks links;

    @Autowired
    TeamQueries team;

    private Browserless organiser;

    @BeforeEach
    void signIn() {
        organiser = Browserless.organiser(port);
    }

    private long member(String name, Role role) {
        return accounts.add(name, UUID.randomUUID() + "@saltmarrow.example", "-", role, Saltmarrow.ORGANISER);
    }

    private static Browserless.Page get(int port, String path) {
        return new Browserless(port).get(path);
    }

    @Test
    void a_page_shows_what_somebody_leads_and_nothing_else() {
        long petra = member("Petra Ljøsne", Role.HOST);
        Offering hers = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, petra);
        Offering others = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, host());
        String main = get(port, "/h/petra-lj-sne").document().select("main").text();
        assertThat(main).contains("Petra Ljøsne", hers.title(), "Pick a time").doesNotContain(others.title());
        assertThat(get(port, "/h/nobody-of-that-name").status()).isEqualTo(404);
        assertThat(get(port, "/h/" + "x".repeat(500)).status()).isEqualTo(404);
        member("Hanne Helper", Role.HELPER);
        assertThat(get(port, "/h/hanne-helper").status()).isEqualTo(404);
    }

    @Test
    void a_name_can_be_given_and_the_earlier_one_leads_on() {
        long one = member("Quill Namesake", Role.HOST);
        long other = member("Quill Namesake", Role.HOST);
        assertThat(get(port, "/h/quill-namesake-2").status()).isEqualTo(200);
        rename(one, "The Skipper!");
        assertThat(get(port, "/h/the-skipper").status()).isEqualTo(200);
        assertThat(get(port, "/h/quill-namesake").location()).endsWith("/h/the-skipper");
        rename(other, "the skipper");
        assertThat(organiser.warnedOn("/desk/setup/team"))
                .anyMatch(said -> said.contains("somebody else has that address"));
        rename(one, "quill-namesake");
        assertThat(get(port, "/h/quill-namesake").status()).as("back again").isEqualTo(200);
        assertThat(get(port, "/h/the-skipper").location()).endsWith("/h/quill-namesake");
    }

    private void rename(long account, String name) {
        organiser.post("/desk/setup/team", "/desk/setup/team/" + account + "/name", Map.of("slug", name));
    }

    @Test
    void a_calendar_gets_another_address_and_the_old_one_shows_nothing() {
        TeamQueries.Mate mate = team.member(host()).orElseThrow();
        String before = links.hostFeed(new Link(mate.id(), mate.generation())).replaceFirst(".*(?=/feeds/)", "");
        assertThat(get(port, before).status()).isEqualTo(200);
        assertThat(accounts.renewCalendar(mate.id(), Saltmarrow.ORGANISER)).isTrue();
        assertThat(get(port, before).status()).isEqualTo(404);
        int now = team.member(mate.id()).orElseThrow().generation();
        String after = links.hostFeed(new Link(mate.id(), now)).replaceFirst(".*(?=/feeds/)", "");
        assertThat(get(port, after).status()).isEqualTo(200);
        long invited = accounts.invite("Wren Late", "late@saltmarrow.example", Role.HOST, Saltmarrow.ORGANISER)
                .orElseThrow();
        assertThat(accounts.renewCalendar(invited, Saltmarrow.ORGANISER))
                .as("their invitation stays good")
                .isFalse();
    }

    @Test
    void the_private_calendar_names_who_picked_a_time() {
        long host = host();
        Offering o = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, host);
        Application asked = new Application(
                0, "Wren Skerry", "w" + o.id() + "@crew.example", "", 1, HALIFAX, List.of(), List.of(), "");
        picks.pick(
                new PickCommands.Pick(o, at(WEDNESDAY, "10:20"), Optional.empty(), ""),
                asked,
                Optional.empty(),
                Saltmarrow.VISITOR);
        TeamQueries.Mate mate = team.member(host).orElseThrow();
        String address = links.hostFeed(new Link(host, mate.generation()));
        String path = address.substring(address.indexOf("/feeds/"));
        String calendar = get(port, path).response().body();
        assertThat(calendar.replace("\r\n ", ""))
                .contains(o.title() + ": Wren Skerry", "DTSTART;TZID=America/Halifax:20270317T102000");
        assertThat(calendar.split("BEGIN:VEVENT")).hasSize(2);
        assertThat(get(port, path.replace(".ics", "x.ics")).status()).isEqualTo(404);
        accounts.change(host, Role.HOST, false, Saltmarrow.ORGANISER);
        assertThat(get(port, path).status()).as("who has left has no calendar").isEqualTo(404);
    }
}
