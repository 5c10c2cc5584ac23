package jollyroster.outbox;

import static jollyroster.Saltmarrow.Wanted.seats;
import static jollyroster.Saltmarrow.person;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Channel;
import jollyroster.seating.Application;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registering;
import jollyroster.seating.RegistrationCommands;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

@AppTest
class OutboxTest {

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OutboxQueries queries;

    @Autowired
    DepartureCommands departures;

    @Autowired
    DispatchCommands dispatch;

    @Autowired
    ClaimQueries claims;

    @Autowired
    JdbcTemplate store;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TrayQueries tray;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    TestClock clock;

    private static final Duration LEASE = Duration.ofMinutes(5);

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
    }

    @Test
    void the_confirmation_goes_at_once_and_the_reminders_in_their_time() {
        long id = register(saltmarrow.publish(seats(8)), "Kofi Brannigan");
        worker.sendDue();
        assertThat(sent(id)).containsExactly(Anchor.REGISTERED);
        clock.set(Instant.parse("2027-03-15T22:00:00Z"));
        worker.sendDue();
        assertThat(sent(id)).containsExactly(Anchor.REGISTERED, Anchor.BEFORE_START);
        clock.set(Instant.parse("2027-03-16T21:45:00Z"));
        worker.sendDue();
        assertThat(sent(id)).containsExactly(Anchor.REGISTERED, Anchor.BEFORE_START, Anchor.BEFORE_START);
    }

    @Test
    void a_letter_arrives_with_text_html_calendar_and_both_links() {
        long id = register(saltmarrow.publish(seats(8)), "Sunniva [click](http://evil.example) Eldjarn");
        worker.sendDue();
        SentMail.Mail mail = mail(id, Anchor.REGISTERED);
        assertThat(mail.text())
                .contains("/join/")
                .contains("/my/")
                .contains("Tuesday 16 March 2027, 19:00–21:00 Halifax time");
        assertThat(mail.html()).contains("<a href=\"http://localhost").doesNotContain("href=\"http://evil.example\"");
        assertThat(mail.calendar()).contains("BEGIN:VEVENT").contains("DTSTART;TZID=America/Halifax:20270316T190000");
        assertThat(mail.from()).isEqualTo("Saltmarrow Sea School <office@saltmarrow.example>");
    }

    @Test
    void times_online_are_the_recipients_first_and_in_person_those_of_the_place() {
        Published onAir = saltmarrow.publish(seats(8).onAir("2027-03-16T19:00"));
        assertThat(confirmationInLisbon(onAir)).contains("22:00–00:00 Lisbon time (19:00–21:00 in Halifax)");
        assertThat(confirmationInLisbon(saltmarrow.publish(seats(8))))
                .contains("19:00–21:00 Halifax time (22:00–00:00 in Lisbon)");
    }

    private String confirmationInLisbon(Published at) {
        ZoneId lisbon = ZoneId.of("Europe/Lisbon");
        Application far = Application.plain(at.session(), "Dag Strand", "dag@crew.example", 1, lisbon);
        long id = ((Registering.Done) roster.register(far, Saltmarrow.VISITOR))
                .link()
                .id();
        worker.sendDue();
        return mail(id, Anchor.REGISTERED).text();
    }

    @Test
    void a_refused_address_fails_with_the_reason_and_can_be_tried_again() {
        Published at = saltmarrow.publish(seats(8));
        Application lost = new Application(
                at.session(),
                "Ambrose Netherby",
                "no-such-box@crew.example",
                "",
                1,
                Saltmarrow.HALIFAX,
                List.of(),
                List.of(),
                "");
        long id = ((Registering.Done) roster.register(lost, Saltmarrow.VISITOR))
                .link()
                .id();
        worker.sendDue();
        OutboxQueries.Item failed = item(id, Anchor.REGISTERED);
        assertThat(failed.state()).isEqualTo(MessageState.FAILED);
        assertThat(failed.reason()).contains("no such mailbox");
        assertThat(departures.retry(failed.id(), Saltmarrow.ORGANISER)).isTrue();
        assertThat(item(id, Anchor.REGISTERED).state()).isEqualTo(MessageState.PLANNED);
        assertThat(departures.retry(failed.id(), Saltmarrow.ORGANISER)).isFalse();
    }

    @Test
    void an_outage_is_waited_out_and_given_up_after_the_last_try() {
        long id = register(saltmarrow.publish(seats(8)), "Teo Quillfeather");
        Claim claim = claimOf(id);
        dispatch.failed(claim, "the mail server did not answer", false, clock.instant());
        assertThat(item(id, Anchor.REGISTERED).due()).isEqualTo(clock.instant().plus(DispatchCommands.WAITS.get(0)));
        for (int i = 0; i < DispatchCommands.WAITS.size(); i++) {
            clock.windOn(Duration.ofHours(2));
            dispatch.failed(claimOf(id), "the mail server did not answer", false, clock.instant());
        }
        assertThat(item(id, Anchor.REGISTERED).state()).isEqualTo(MessageState.FAILED);
        assertThat(item(id, Anchor.REGISTERED).attempts()).isEqualTo(DispatchCommands.WAITS.size() + 1);
    }

    @Test
    void what_was_claimed_by_a_process_that_died_goes_again_with_the_same_key() {
        long id = register(saltmarrow.publish(seats(8)), "Anneke Merrow");
        String key = claimOf(id).key();
        assertThat(worker.sendDue()).isZero();
        worker.takeUp();
        worker.sendDue();
        assertThat(tray.byKey(key).orElseThrow().messageId()).isEqualTo("<" + key + "@localhost>");
    }

    @Test
    void a_claim_ends_by_itself() {
        long id = register(saltmarrow.publish(seats(8)), "Ade Fenwright");
        String key = claimOf(id).key();
        clock.windOn(LEASE.minusSeconds(1));
        worker.sendDue();
        assertThat(tray.byKey(key)).isEmpty();
        clock.windOn(Duration.ofSeconds(1));
        worker.sendDue();
        assertThat(tray.byKey(key)).isPresent();
    }

    @Test
    void a_letter_that_cannot_be_written_holds_up_no_other() {
        long bad = register(saltmarrow.publish(seats(8)), "Oriel Saltonby");
        long good = register(saltmarrow.publish(seats(8)), "Teo Quillfeather");
        store.update("UPDATE registration SET zone = 'Mars/Olympus' WHERE id = ?", bad);
        try {
            worker.sendDue();
            assertThat(item(bad, Anchor.REGISTERED).state()).isEqualTo(MessageState.FAILED);
            assertThat(item(bad, Anchor.REGISTERED).reason()).isEqualTo("it could not be written");
            assertThat(sent(good)).containsExactly(Anchor.REGISTERED);
        } finally {
            store.update("UPDATE registration SET zone = 'America/Halifax' WHERE id = ?", bad);
        }
    }

    @Test
    void a_message_that_makes_no_sense_holds_up_no_other() {
        long bad = register(saltmarrow.publish(seats(8)), "Oriel Saltonby");
        long good = register(saltmarrow.publish(seats(8)), "Teo Quillfeather");
        String mine = "registration_id = " + bad + " AND anchor = 'REGISTERED'";
        store.update("UPDATE message SET template = 'OF_ANOTHER_VERSION' WHERE " + mine);
        try {
            worker.sendDue();
            assertThat(sent(good)).containsExactly(Anchor.REGISTERED);
        } finally {
            store.update("UPDATE message SET template = '' WHERE " + mine);
        }
        assertThat(item(bad, Anchor.REGISTERED).state()).isEqualTo(MessageState.FAILED);
        assertThat(item(bad, Anchor.REGISTERED).reason()).isEqualTo("it could not be read");
    }

    @Test
    void a_reminder_claimed_before_the_seat_was_given_back_does_not_go() {
        long id = register(saltmarrow.publish(seats(8)), "Ilse Fenwright");
        worker.sendDue();
        clock.set(Instant.parse("2027-03-15T22:00:00Z"));
        Claim claim = claimOf(id);
        changes.cancel(id, "", Saltmarrow.self(id));
        dispatch.releaseClaims();
        worker.sendDue();
        assertThat(queries.item(claim.id()).orElseThrow().state()).isEqualTo(MessageState.WITHDRAWN);
        assertThat(queries.item(claim.id()).orElseThrow().reason()).isEqualTo("no longer holds a seat");
    }

    @Test
    void reminders_that_will_not_go_are_shown_with_the_reason() {
        clock.set(Instant.parse("2027-03-16T21:50:00Z"));
        long id = register(saltmarrow.publish(seats(8)), "Piran Skerry");
        assertThat(queries.ofRegistration(id))
                .filteredOn(m -> m.anchor() == Anchor.BEFORE_START)
                .extracting(OutboxQueries.Item::reason)
                .containsOnly("folded into the confirmation: its time had passed");
    }

    private long register(Published at, String name) {
        Application a = person(at.session(), name, 1);
        Application valid = new Application(
                a.session(),
                a.name(),
                "crew" + at.session() + "@crew.example",
                "",
                1,
                a.zone(),
                List.of(),
                a.answers(),
                "");
        return ((Registering.Done) roster.register(valid, Saltmarrow.VISITOR))
                .link()
                .id();
    }

    private List<Anchor> sent(long id) {
        return queries.ofRegistration(id).stream()
                .filter(m -> m.state() == MessageState.SENT)
                .map(OutboxQueries.Item::anchor)
                .toList();
    }

    private OutboxQueries.Item item(long id, Anchor anchor) {
        return queries.ofRegistration(id).stream()
                .filter(m -> m.anchor() == anchor)
                .findFirst()
                .orElseThrow();
    }

    private SentMail.Mail mail(long id, Anchor anchor) {
        return tray.byKey(item(id, anchor).key()).orElseThrow();
    }

    private Claim claimOf(long id) {
        List<Long> claimed = dispatch.claim(
                Channel.EMAIL, 1000, clock.instant(), clock.instant().plus(LEASE));
        return claims.of(claimed).stream()
                .filter(c -> c.registration() == id)
                .findFirst()
                .orElseThrow();
    }
}
