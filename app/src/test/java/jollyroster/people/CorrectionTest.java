package jollyroster.people;

import static jollyroster.Saltmarrow.Wanted.seats;
import static jollyroster.Saltmarrow.person;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.net.URI;
import java.time.Duration;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Mailbox;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.seats.RegistrationState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxWorker;
import jollyroster.people.CorrectionCommands.Corrected;
import jollyroster.seating.Registering;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationCommands;
import jollyroster.seating.RegistrationQueries;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.security.access.AccessDeniedException;

/** A wrong name or address put right, by an organiser and by the person; and people who have no address. */
@AppTest
class CorrectionTest {

    @LocalServerPort
    int port;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands registrations;

    @Autowired
    RegistrationQueries roster;

    @Autowired
    CorrectionCommands corrections;

    @Autowired
    PersonQueries people;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TrayQueries tray;

    @Autowired
    Mailbox mailbox;

    @Autowired
    TestClock clock;

    private Published at;
    private Registration r;
    private String own;

    @BeforeEach
    void somebodyIsOnIt() {
        clock.set(TestClock.START);
        at = saltmarrow.publish(seats(4));
        r = registered("Wren Skerry " + at.session());
        own = mailbox.ownPage(r.email());
        worker.sendDue();
    }

    @AfterEach
    void back() {
        worker.sendDue();
        clock.set(TestClock.START);
    }

    private Registration registered(String name) {
        long id = ((Registering.Done) registrations.register(person(at.session(), name, 1), Saltmarrow.VISITOR))
                .link()
                .id();
        return roster.registration(id).orElseThrow();
    }

    private String letterTo(String email) {
        worker.sendDue();
        return tray.latestTo(email).orElseThrow().text();
    }

    private static String fresh(String name) {
        return name + System.nanoTime() + "@crew.example";
    }

    @Test
    void an_organiser_corrects_at_once_and_everything_follows() {
        String right = fresh("wren");
        assertThat(corrections.correct(r.person(), "Wren Skerry-Holm", right, Saltmarrow.ORGANISER))
                .isEqualTo(Corrected.READDRESSED);
        assertThat(roster.registration(r.id()).orElseThrow().name()).isEqualTo("Wren Skerry-Holm");
        assertThat(people.people(right.toUpperCase(), 0, 5)).hasSize(1);
        assertThat(people.people("skerry-holm", 0, 100))
                .extracting(PersonQueries.Person::id)
                .contains(r.person());
        assertThat(letterTo(r.email()))
                .contains("Nothing more about them comes to this address")
                .doesNotContain(right);
        String link = letterTo(right);
        assertThat(link).contains("/my/");
        assertThat(new Browserless(port).get(own).status())
                .as("the link the old address has")
                .isEqualTo(404);
        assertThat(new Browserless(port).get(mailbox.ownPage(right)).status()).isEqualTo(200);
        assertThat(outbox.ofRegistration(r.id()))
                .filteredOn(m -> m.state().name().equals("PLANNED"))
                .isNotEmpty()
                .extracting(OutboxQueries.Item::recipient)
                .containsOnly(right);
        assertThat(roster.registration(r.id()).orElseThrow().stamps().sequence())
                .isPositive();
    }

    @Test
    void an_address_that_is_somebody_elses_is_not_taken_and_only_organisers_correct() {
        Registration other = registered("Kofi Brannigan " + at.session());
        assertThat(corrections.correct(r.person(), r.name(), other.email(), Saltmarrow.ORGANISER))
                .isEqualTo(Corrected.TAKEN);
        assertThat(corrections.correct(r.person(), r.name(), r.email(), Saltmarrow.ORGANISER))
                .isEqualTo(Corrected.SAME);
        assertThat(corrections.correct(r.person(), r.name() + " Holm", r.email(), Saltmarrow.ORGANISER))
                .as("the name alone")
                .isEqualTo(Corrected.DONE);
        assertThatExceptionOfType(AccessDeniedException.class)
                .isThrownBy(() -> corrections.correct(r.person(), "X Y", "x@crew.example", r.self()));
    }

    @Test
    void a_person_changes_the_name_at_once_and_the_address_once_the_new_one_is_confirmed() {
        Browserless browser = new Browserless(port);
        String wanted = fresh("new");
        Browserless.Page said =
                browser.get(URI.create(browser.post(own, own + "/contact", Map.of("name", "Wren Holm", "email", wanted))
                                .location())
                        .getPath());
        assertThat(said.document().text()).contains("We have written to the new address");
        Registration still = roster.registration(r.id()).orElseThrow();
        assertThat(still.name()).isEqualTo("Wren Holm");
        assertThat(still.email()).as("not yet shown to be theirs").isEqualTo(r.email());

        String confirm = path(letterTo(wanted), "/new-address/");
        assertThat(browser.get(confirm).document().text()).contains(wanted);
        assertThat(roster.registration(r.id()).orElseThrow().email())
                .as("looking changes nothing")
                .isEqualTo(r.email());
        assertThat(browser.post(confirm, confirm, Map.of()).document().text()).contains("We write to this address");
        assertThat(roster.registration(r.id()).orElseThrow().email()).isEqualTo(wanted);
        assertThat(browser.get(confirm).status()).as("good for once").isEqualTo(404);
        assertThat(browser.get(own).status()).isEqualTo(404);
    }

    @Test
    void a_confirming_link_ends_after_two_days_and_when_another_is_asked_for() {
        corrections.ask(r.person(), r.id(), fresh("first"), r.self());
        String wanted = fresh("second");
        corrections.ask(r.person(), r.id(), wanted, r.self());
        String confirm = path(letterTo(wanted), "/new-address/");
        assertThat(new Browserless(port).get(confirm).status()).isEqualTo(200);
        clock.windOn(Duration.ofDays(2));
        assertThat(new Browserless(port).get(confirm).status()).isEqualTo(404);
    }

    private static String path(String letter, String start) {
        Matcher found = Pattern.compile("https?://\\S*" + start + "\\S+").matcher(letter);
        assertThat(found.find()).as(letter).isTrue();
        return URI.create(found.group()).getPath();
    }

    @Test
    void somebody_without_an_address_is_added_at_the_door_and_gets_no_mail() {
        Browserless organiser = Browserless.organiser(port);
        String add = "/desk/sessions/" + at.session() + "/add";
        Map<String, String> form = Map.of("name", "Walk Upton", "email", "", "party", "1", "tell", "true");
        assertThat(organiser.post(add, add, form).status()).isEqualTo(302);
        assertThat(organiser
                        .post(add, add, Map.of("name", "Wanda Inland", "email", "", "party", "1"))
                        .status())
                .as("a second one without an address is not the first")
                .isEqualTo(302);
        String table = organiser
                .get("/desk/sessions/" + at.session() + "/roster")
                .document()
                .text();
        assertThat(table).contains("Walk Upton", "Wanda Inland");
        long walkUp =
                Saltmarrow.named(roster.roster(at.session()), "Walk Upton").id();
        assertThat(roster.registration(walkUp).orElseThrow().state()).isEqualTo(RegistrationState.REGISTERED);
        assertThat(outbox.ofRegistration(walkUp)).isEmpty();
    }
}
