package jollyroster.guests;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.guests.GuestCommands.Guest;
import jollyroster.logbook.LogbookQueries;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxWorker;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Tell;
import jollyroster.seating.Application;
import jollyroster.seating.Registering;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What invitees and the organiser are written: invitations, reminders, answers as they come. */
@AppTest
class InvitationLettersTest {

    private static final Instant START = Instant.parse("2027-03-16T22:00:00Z");

    @Autowired
    LogbookQueries logbook;

    @Autowired
    ReplyCommands replies;

    @Autowired
    GuestCommands guests;

    @Autowired
    GuestQueries list;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OutboxWorker worker;

    @Autowired
    DigestWorker digest;

    @Autowired
    TrayQueries tray;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    TestClock clock;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
    }

    private static Saltmarrow.Wanted party(int seats, Tell tell) {
        return seats(seats).answered(true, tell);
    }

    private Registering answer(Published at, String name, int party, Reply reply) {
        return replies.answer(
                Saltmarrow.person(at.session(), name, party), reply, Optional.empty(), Saltmarrow.VISITOR);
    }

    private Link link(Published at, String email) {
        return list.list(at.offering()).stream()
                .filter(i -> i.email().equals(email))
                .map(i -> new Link(i.id(), i.generation()))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void invitations_are_written_once_and_the_silent_are_known() {
        Published at = saltmarrow.publish(party(4, Tell.NEVER));
        assertThat(guests.invite(
                        at.offering(),
                        List.of(
                                new Guest("Linnea Tidewater", "linnea@crew.example"),
                                new Guest("", "ravi@crew.example")),
                        Saltmarrow.ORGANISER))
                .isEqualTo(2);
        assertThat(guests.invite(at.offering(), List.of(new Guest("Again", "ravi@crew.example")), Saltmarrow.ORGANISER))
                .isZero();
        assertThat(guests.sendInvitations(at.offering(), Saltmarrow.ORGANISER)).isEqualTo(2);
        assertThat(guests.sendInvitations(at.offering(), Saltmarrow.ORGANISER)).isZero();
        worker.sendDue();
        String letter = tray.byKey("invite-" + link(at, "linnea@crew.example").id() + "-"
                        + link(at, "linnea@crew.example").generation())
                .orElseThrow()
                .text();
        assertThat(letter).contains("Hello Linnea").contains("/invited/").contains("Tuesday 16 March 2027");
        replies.answer(
                Application.plain(at.session(), "Linnea", "linnea@crew.example", 1, Saltmarrow.HALIFAX),
                Reply.NO,
                Optional.of(link(at, "linnea@crew.example")),
                Saltmarrow.VISITOR);
        assertThat(list.list(at.offering()))
                .filteredOn(i -> i.state().isEmpty())
                .extracting(GuestQueries.Invitee::email)
                .containsExactly("ravi@crew.example");
    }

    @Test
    void who_asks_to_come_is_invited_or_told_that_there_is_no_room() {
        Published at = saltmarrow.publish(party(4, Tell.NEVER).invitedOnly());
        guests.ask(
                at.offering(),
                new Guest("Dag Haverbrook", "dag@crew.example"),
                "I could bring the boat",
                Saltmarrow.ORGANISER);
        guests.ask(at.offering(), new Guest("Dag Haverbrook", "dag@crew.example"), "twice", Saltmarrow.ORGANISER);
        guests.ask(at.offering(), new Guest("Greta Pennycot", "greta@crew.example"), "", Saltmarrow.ORGANISER);
        assertThat(list.pleas(at.offering())).hasSize(2);
        guests.decide(at.offering(), list.pleas(at.offering()).get(0).id(), true, Saltmarrow.ORGANISER);
        guests.decide(at.offering(), list.pleas(at.offering()).get(0).id(), false, Saltmarrow.ORGANISER);
        assertThat(list.pleas(at.offering())).isEmpty();
        assertThat(list.list(at.offering()))
                .extracting(GuestQueries.Invitee::email)
                .containsExactly("dag@crew.example");
        assertThat(list.list(at.offering()).get(0).invited()).isPresent();
    }

    @Test
    void the_organiser_hears_of_each_answer_or_each_morning_or_when_answers_are_due() {
        Published each = saltmarrow.publish(party(4, Tell.EACH));
        Published daily = saltmarrow.publish(party(4, Tell.DAILY));
        Published deadline = saltmarrow.publish(party(4, Tell.DEADLINE));
        digest.tellDue();
        clock.set(TestClock.START.plus(Duration.ofHours(1)));
        answer(each, "Hamish Skerry", 1, Reply.YES);
        answer(daily, "Hamish Skerry", 1, Reply.YES);
        answer(deadline, "Hamish Skerry", 2, Reply.MAYBE);
        assertThat(digest.tellDue()).isZero();
        clock.set(TestClock.START.plus(Duration.ofDays(1)));
        assertThat(digest.tellDue()).isEqualTo(1);
        assertThat(digest.tellDue()).isZero();
        clock.set(START.plus(Duration.ofMinutes(1)));
        assertThat(digest.tellDue()).isEqualTo(1);
        assertThat(digest.tellDue()).isZero();
    }
}
