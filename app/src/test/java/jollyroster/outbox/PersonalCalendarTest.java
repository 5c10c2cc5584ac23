package jollyroster.outbox;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.guests.GuestCommands;
import jollyroster.guests.GuestCommands.Guest;
import jollyroster.platform.Organisation;
import jollyroster.platform.OrganisationCommands;
import jollyroster.platform.OrganisationQueries;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.schedule.Scope;
import jollyroster.seating.Application;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The calendar part of e-mails: whatever names are like, and through a move, a cancellation and an end. */
@AppTest
class PersonalCalendarTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    ScheduleCommands schedule;

    @Autowired
    GuestCommands guests;

    @Autowired
    OrganisationCommands organisations;

    @Autowired
    OrganisationQueries organisation;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TrayQueries tray;

    @Autowired
    TestClock clock;

    private Organisation usual;

    @BeforeEach
    void remember() {
        clock.set(TestClock.START);
        saltmarrow.setUp();
        usual = organisation.organisation();
    }

    @AfterEach
    void back() {
        organisations.change(usual, Saltmarrow.ORGANISER);
    }

    private long register(Published at, String name, String email) {
        Application asked = Application.plain(at.session(), name, email, 1, Saltmarrow.HALIFAX);
        return ((Registering.Done) roster.register(asked, Saltmarrow.VISITOR))
                .link()
                .id();
    }

    private String calendar(String email) {
        worker.sendDue();
        clock.windOn(Duration.ofMinutes(1));
        return tray.latestTo(email).orElseThrow().calendar().replace("\r\n ", "");
    }

    private static int sequence(String calendar) {
        return Pattern.compile("SEQUENCE:(\\d+)")
                .matcher(calendar)
                .results()
                .mapToInt(found -> Integer.parseInt(found.group(1)))
                .max()
                .orElseThrow();
    }

    private static String uid(String calendar) {
        return Pattern.compile("UID:(\\S+)")
                .matcher(calendar)
                .results()
                .map((MatchResult found) -> found.group(1))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void quotation_marks_in_names_stop_nobodys_mail() {
        organisations.change(
                new Organisation(
                        "The \"Quay\" School, Ltd; <est.>",
                        usual.zone(),
                        usual.region(),
                        usual.contactEmail(),
                        usual.colour(),
                        usual.logo()),
                Saltmarrow.ORGANISER);
        Published at = saltmarrow.publish(seats(4));
        register(at, "Ada \"Ace\" Vance", "ada@quoted.example");
        assertThat(calendar("ada@quoted.example")).contains("METHOD:PUBLISH", "The ^'Quay^' School");
        guests.invite(
                at.offering(), List.of(new Guest("Bo \"Bosun\" Lind", "bo@quoted.example")), Saltmarrow.ORGANISER);
        guests.sendInvitations(at.offering(), Saltmarrow.ORGANISER);
        assertThat(calendar("bo@quoted.example")).contains("METHOD:REQUEST", "Bo ^'Bosun^' Lind");
    }

    @Test
    void an_entry_follows_a_move_and_goes_when_the_registration_does() {
        Published at = saltmarrow.publish(seats(4).at("2027-03-16T19:00", "2027-03-23T19:00"));
        schedule.callOff(at.dates().get(1), Scope.THIS, "", Saltmarrow.ORGANISER);
        schedule.restore(at.dates().get(1), Saltmarrow.ORGANISER);
        long id = register(at, "Kofi Brannigan", "kofi@moved.example");
        String first = calendar("kofi@moved.example");
        changes.move(id, at.dates().get(1), Saltmarrow.self(id));
        String second = calendar("kofi@moved.example");
        assertThat(uid(second)).isEqualTo(uid(first));
        assertThat(sequence(second)).isGreaterThan(sequence(first));
        assertThat(second)
                .contains("DTSTART;TZID=America/Halifax:20270323T190000")
                .contains("METHOD:PUBLISH");
        changes.move(id, at.session(), Saltmarrow.self(id));
        String third = calendar("kofi@moved.example");
        assertThat(sequence(third))
                .as("the first date was changed less often than the second")
                .isGreaterThan(sequence(second));
        changes.cancel(id, "", Saltmarrow.self(id));
        String last = calendar("kofi@moved.example");
        assertThat(last).contains("METHOD:CANCEL", "STATUS:CANCELLED", "mailto:kofi@moved.example");
        assertThat(uid(last)).isEqualTo(uid(first));
        assertThat(sequence(last)).isGreaterThan(sequence(third));
    }
}
