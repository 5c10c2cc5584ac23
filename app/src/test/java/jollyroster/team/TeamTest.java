package jollyroster.team;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.URI;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.outbox.OutboxWorker;
import jollyroster.platform.Actor;
import jollyroster.platform.Role;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.Section;
import jollyroster.programme.SessionCommands;
import jollyroster.programme.Venue;
import jollyroster.programme.VenueCommands;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.schedule.Scope;
import jollyroster.seating.SeatingCommands;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.security.access.AccessDeniedException;

/** Who may do what, in pages and in commands, and how one comes onto the team. */
@AppTest
class TeamTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    AccountCommands accounts;

    @Autowired
    TeamQueries team;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    SessionCommands sessions;

    @Autowired
    ScheduleCommands schedule;

    @Autowired
    SeatingCommands seating;

    @Autowired
    VenueCommands venues;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TrayQueries tray;

    @LocalServerPort
    int port;

    @Test
    void commands_refuse_hosts_and_helpers_whatever_page_they_come_from() {
        Published at = saltmarrow.publish(seats(3));
        List<BiConsumer<Published, Actor>> forOrganisers = List.of(
                (p, actor) -> offerings.draft("Mine", Saltmarrow.HALIFAX, actor),
                (p, actor) -> offerings.save(p.offering(), List.of(new Section.Length(60)), actor),
                (p, actor) -> offerings.save(p.offering(), new Section.Length(60), 1, actor),
                (p, actor) -> offerings.turn(p.offering(), OfferingStatus.CLOSED, actor),
                (p, actor) -> offerings.copy(p.offering(), "Mine", OfferingCommands.Copy.PATTERN, actor),
                (p, actor) -> offerings.discard(p.offering(), actor),
                (p, actor) -> sessions.addDates(p.offering(), List.of(), actor),
                (p, actor) -> sessions.removeDate(p.offering(), p.session(), actor),
                (p, actor) -> schedule.callOff(p.session(), Scope.ALL, "", actor),
                (p, actor) -> schedule.duplicate(p.session(), 7, actor),
                (p, actor) -> schedule.changeVenue(List.of(p.session()), 1, actor),
                (p, actor) -> seating.resize(p.session(), 9, "", actor),
                (p, actor) -> venues.add(VenueCommands.Form.of(Venue.Kind.PLACE, "Mine", ""), actor),
                (p, actor) -> accounts.invite("Mine", "mine@crew.example", Role.ORGANISER, actor),
                (p, actor) -> accounts.change(1, Role.HELPER, false, actor));
        for (Actor other : List.of(
                new Actor.Team(77, "Somebody", Role.HOST),
                new Actor.Team(77, "Somebody", Role.HELPER),
                Saltmarrow.VISITOR)) {
            assertThat(forOrganisers)
                    .allSatisfy(command -> assertThatThrownBy(() -> command.accept(at, other))
                            .isInstanceOf(AccessDeniedException.class));
        }
    }

    @Test
    void an_invited_host_joins_by_the_link_and_sees_own_sessions_only() {
        Published own = saltmarrow.publish(seats(3));
        Published other = saltmarrow.publish(seats(3));
        long host = accounts.invite("Keziah Strand", "keziah@saltmarrow.example", Role.HOST, Saltmarrow.ORGANISER)
                .orElseThrow();
        schedule.lead(own.session(), List.of(host), Saltmarrow.ORGANISER);
        assertThat(accounts.invite("Twice", "keziah@saltmarrow.example", Role.HOST, Saltmarrow.ORGANISER))
                .isEmpty();
        worker.sendDue();
        String link = linkIn("invitation-" + host + "-1");
        assertThat(tray.byKey("invitation-" + host + "-1").orElseThrow().text())
                .contains(
                        Saltmarrow.ORGANISER.name() + " would like to have you on the team of Saltmarrow Sea School.");

        Browserless newcomer = new Browserless(port);
        assertThat(newcomer.post(link, link, Map.of("password", "short")).status())
                .isEqualTo(422);
        assertThat(newcomer.post(link, link, Map.of("password", "long enough, this"))
                        .location())
                .endsWith("/sign-in?ready");
        assertThat(newcomer.get(link).status()).as("an invitation works once").isEqualTo(404);
        newcomer.post(
                "/sign-in", "/sign-in", Map.of("email", "keziah@saltmarrow.example", "password", "long enough, this"));

        assertThat(newcomer.get("/desk/sessions/" + own.session()).status()).isEqualTo(200);
        assertThat(newcomer.get("/desk/sessions/" + other.session()).status()).isEqualTo(404);
        assertThat(newcomer.get("/desk/programme").document().select(".programme tbody .name a"))
                .hasSize(1);
        for (String closed : List.of(
                "/desk/setup",
                "/desk/people",
                "/desk/outbox",
                "/desk/offerings/" + own.offering(),
                "/desk/schedule/" + own.session(),
                "/desk/lanes")) {
            assertThat(newcomer.get(closed).status()).as(closed).isEqualTo(403);
        }
        assertThat(newcomer.post("/desk", "/desk/sessions/" + own.session() + "/seats", Map.of("seats", "9"))
                        .status())
                .isEqualTo(403);

        accounts.change(host, Role.HOST, false, Saltmarrow.ORGANISER);
        assertThat(newcomer.get("/desk").location())
                .as("shut out at the next page")
                .contains("/sign-in");
    }

    @Test
    void a_second_invitation_revokes_the_first() {
        saltmarrow.setUp();
        long host = accounts.invite("Wren Skerry", "wren@saltmarrow.example", Role.HELPER, Saltmarrow.ORGANISER)
                .orElseThrow();
        worker.sendDue();
        String first = linkIn("invitation-" + host + "-1");
        assertThat(accounts.inviteAgain(host, Saltmarrow.ORGANISER)).isTrue();
        assertThat(new Browserless(port).get(first).status()).isEqualTo(404);
        worker.sendDue();
        assertThat(new Browserless(port)
                        .get(linkIn("invitation-" + host + "-2"))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void the_last_organiser_stays() {
        saltmarrow.setUp();
        long organiser = team.members().stream()
                .filter(m -> m.role() == Role.ORGANISER)
                .findFirst()
                .orElseThrow()
                .id();
        assertThat(accounts.change(organiser, Role.HOST, true, Saltmarrow.ORGANISER))
                .isEqualTo(AccountCommands.Changed.LAST_ORGANISER);
        assertThat(accounts.change(organiser, Role.ORGANISER, false, Saltmarrow.ORGANISER))
                .isEqualTo(AccountCommands.Changed.LAST_ORGANISER);
    }

    private String linkIn(String key) {
        String text = tray.byKey(key).orElseThrow().text();
        Matcher m = Pattern.compile("https?://\\S+/team/join/\\S+").matcher(text);
        assertThat(m.find()).isTrue();
        return URI.create(m.group()).getPath();
    }
}
