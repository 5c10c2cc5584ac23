package jollyroster.schedule;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.jdbc.core.JdbcTemplate;

/** The program starts with other zone data than the day before: what people were promised is a time on the wall. */
@AppTest
class ClockChangeTest {

    @Autowired
    ZoneDataWatch watch;

    @Autowired
    RegistrationCommands registrations;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    JdbcTemplate store;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Published at;
    private long registration;

    /** 19:00 on the quay, four hours behind UTC as everybody believed. */
    @BeforeEach
    void believe() {
        clock.set(TestClock.START);
        QuayRules.decree("2026a", -4);
        at = saltmarrow.publish(seats(4).at("2027-03-16T19:00"));
        store.update(
                "UPDATE session SET zone = ?, wall_start = '2027-03-16T19:00', zone_data = '2026a',"
                        + " starts_at = '2027-03-16T23:00:00.000Z', ends_at = '2027-03-17T01:00:00.000Z' WHERE id = ?",
                QuayRules.QUAY,
                at.session());
        Registering.Done done = (Registering.Done)
                registrations.register(Saltmarrow.person(at.session(), "Wren Skerry", 2), Saltmarrow.VISITOR);
        registration = done.link().id();
    }

    private Session session() {
        return programme.session(at.session()).orElseThrow();
    }

    private Instant lastReminder() {
        return outbox.ofRegistration(registration).stream()
                .filter(m -> m.anchor() == Anchor.BEFORE_START && m.state() == MessageState.PLANNED)
                .map(OutboxQueries.Item::due)
                .max(Instant::compareTo)
                .orElseThrow();
    }

    @Test
    void with_the_same_rules_nothing_moves() {
        int sequence = session().sequence();
        watch.run(null);
        assertThat(session().start()).isEqualTo("2027-03-16T23:00:00Z");
        assertThat(session().sequence()).isEqualTo(sequence);
    }

    @Test
    void a_new_rule_moves_the_instant_and_keeps_the_time_on_the_wall() {
        Instant before = lastReminder();
        int sequence = session().sequence();
        QuayRules.decree("2026b", -3);
        watch.run(null);
        assertThat(session().start()).isEqualTo("2027-03-16T22:00:00Z");
        assertThat(session().length()).isEqualTo(Duration.ofHours(2));
        assertThat(session().start().atZone(ZoneId.of(QuayRules.QUAY)).toLocalTime())
                .hasToString("19:00");
        assertThat(session().sequence()).as("calendars are told").isEqualTo(sequence + 1);
        assertThat(lastReminder()).isEqualTo(before.minus(Duration.ofHours(1)));
        assertThat(Browserless.organiser(port).get("/desk").document().text())
                .contains("The clocks of their zone change otherwise than was known");

        watch.run(null);
        assertThat(session().sequence()).as("once").isEqualTo(sequence + 1);
    }

    @Test
    void sessions_from_before_wall_clocks_were_kept_learn_theirs_from_their_instant() {
        store.update("UPDATE session SET wall_start = '', zone_data = '' WHERE id = ?", at.session());
        watch.run(null);
        assertThat(session().start()).isEqualTo("2027-03-16T23:00:00Z");
        assertThat(store.queryForObject(
                        "SELECT wall_start || zone_data FROM session WHERE id = ?", String.class, at.session()))
                .isEqualTo("2027-03-16T19:002026a");
    }
}
