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
import jollyroster.answers.Answer;
import jollyroster.answers.GivenQueries;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.messages.Anchor;
import jollyroster.core.seats.RegistrationState;
import jollyroster.guests.GuestCommands.Guest;
import jollyroster.logbook.LogbookQueries;
import jollyroster.outbox.OutboxQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Tell;
import jollyroster.seating.Application;
import jollyroster.seating.Registering;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.sheet.QuestionForm;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContextHolder;

/** Answers to invitations: taken, changed, waiting, refused, and told of. */
@AppTest
class ReplyCommandsTest {

    private static final Instant START = Instant.parse("2027-03-16T22:00:00Z");

    @Autowired
    LogbookQueries logbook;

    @Autowired
    GivenQueries given;

    @Autowired
    ReplyCommands replies;

    @Autowired
    GuestCommands guests;

    @Autowired
    GuestQueries list;

    @Autowired
    RegistrationQueries queries;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    TestClock clock;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
    }

    @AfterEach
    void nobody() {
        SecurityContextHolder.clearContext();
    }

    private static void actAsVisitor() {
        SecurityContextHolder.getContext()
                .setAuthentication(new AnonymousAuthenticationToken(
                        "key", "visitor", AuthorityUtils.createAuthorityList("ROLE_ANONYMOUS")));
    }

    private static Saltmarrow.Wanted party(int seats, Tell tell) {
        return seats(seats).answered(true, tell);
    }

    private Registering answer(Published at, String name, int party, Reply reply) {
        return replies.answer(
                Saltmarrow.person(at.session(), name, party), reply, Optional.empty(), Saltmarrow.VISITOR);
    }

    private static long id(Registering came) {
        return ((Registering.Done) came).link().id();
    }

    private RegistrationState state(long id) {
        return queries.registration(id).orElseThrow().state();
    }

    private ReplyCommands.Registered who(long registration) {
        Registration r = queries.registration(registration).orElseThrow();
        return new ReplyCommands.Registered(r.id(), r.session(), r.name());
    }

    @Test
    void a_yes_takes_seats_a_maybe_and_a_no_take_none() {
        Published at = saltmarrow.publish(party(4, Tell.NEVER));
        long yes = id(answer(at, "Marisol Achterberg", 3, Reply.YES));
        long maybe = id(answer(at, "Teo Quillfeather", 2, Reply.MAYBE));
        long no = id(answer(at, "Wren Skerry", 1, Reply.NO));
        assertThat(List.of(state(yes), state(maybe), state(no)))
                .containsExactly(RegistrationState.REGISTERED, RegistrationState.MAYBE, RegistrationState.DECLINED);
        assertThat(queries.of(List.of(at.session())).get(at.session()).taken()).isEqualTo(3);
        assertThat(list.answers(at.session()))
                .containsEntry(Reply.YES, 3)
                .containsEntry(Reply.MAYBE, 2)
                .containsEntry(Reply.NO, 1);
        assertThat(outbox.ofRegistration(maybe))
                .extracting(OutboxQueries.Item::anchor)
                .containsExactly(Anchor.REPLIED);
    }

    @Test
    void a_yes_beyond_the_limit_waits_and_moves_up_when_somebody_changes_their_mind() {
        Published at = saltmarrow.publish(party(2, Tell.NEVER));
        long first = id(answer(at, "Kofi Brannigan", 2, Reply.YES));
        long second = id(answer(at, "Anneke Strand", 1, Reply.YES));
        assertThat(state(second)).isEqualTo(RegistrationState.WAITLISTED);
        assertThat(replies.change(who(first), Reply.NO, Saltmarrow.self(first))).isInstanceOf(Registering.Done.class);
        assertThat(state(second)).isEqualTo(RegistrationState.REGISTERED);
        assertThat(((Registering.Done) replies.change(who(first), Reply.YES, Saltmarrow.self(first))).state())
                .isEqualTo(RegistrationState.WAITLISTED);
        assertThat(queries.placeInLine(queries.registration(first).orElseThrow()))
                .isEqualTo(1);
    }

    @Test
    void saying_the_same_again_changes_nothing() {
        Published at = saltmarrow.publish(party(2, Tell.NEVER));
        long id = id(answer(at, "Ilse Merrow", 1, Reply.YES));
        int letters = outbox.ofRegistration(id).size();
        replies.change(who(id), Reply.YES, Saltmarrow.self(id));
        assertThat(outbox.ofRegistration(id)).hasSize(letters);
        assertThat(logbook.ofRegistration(id)).hasSize(1);
    }

    @Test
    void a_refused_larger_party_keeps_its_place_in_line_and_what_is_held_for_it() {
        Published at = saltmarrow.publish(party(3, Tell.NEVER).callingUp().answered(true, Tell.NEVER));
        guests.invite(
                at.offering(),
                List.of(new Guest("Oriel Saltonby", "oriel.saltonby@crew.example")),
                Saltmarrow.ORGANISER);
        Optional<Link> oriel = Optional.of(link(at, "oriel.saltonby@crew.example"));
        long seated = id(answer(at, "Marisol Achterberg", 3, Reply.YES));
        long first = id(replies.answer(
                Saltmarrow.person(at.session(), "Oriel Saltonby", 2), Reply.YES, oriel, Saltmarrow.VISITOR));
        clock.windOn(Duration.ofMinutes(1));
        long second = id(answer(at, "Teo Quillfeather", 2, Reply.YES));

        replies.change(who(seated), Reply.NO, Saltmarrow.self(seated));
        assertThat(state(first)).isEqualTo(RegistrationState.CALLED_UP);
        Optional<Instant> until =
                queries.registration(first).orElseThrow().hold().until();
        assertThat(replies.answer(
                        Saltmarrow.person(at.session(), "Oriel Saltonby", 3), Reply.YES, oriel, Saltmarrow.VISITOR))
                .isInstanceOf(Registering.Refused.class);
        assertThat(state(first)).isEqualTo(RegistrationState.CALLED_UP);
        assertThat(queries.registration(first).orElseThrow().hold().until())
                .isPresent()
                .isEqualTo(until);
        assertThat(queries.registration(first).orElseThrow().party()).isEqualTo(2);
        assertThat(replies.answer(
                        Saltmarrow.person(at.session(), "Oriel Saltonby", 2), Reply.YES, oriel, Saltmarrow.VISITOR))
                .isInstanceOf(Registering.Done.class);
        assertThat(state(first)).isEqualTo(RegistrationState.REGISTERED);
        assertThat(state(second)).isEqualTo(RegistrationState.WAITLISTED);
    }

    @Test
    void an_invitation_speaks_for_one_invitee_of_one_offering_while_they_are_invited() {
        Published at = saltmarrow.publish(party(4, Tell.NEVER));
        Published other = saltmarrow.publish(party(4, Tell.NEVER));
        long victim = id(answer(at, "Marisol Achterberg", 1, Reply.YES));
        Application asVictim = Saltmarrow.person(at.session(), "Marisol Achterberg", 1);
        guests.invite(
                at.offering(), List.of(new Guest("Oriel Saltonby", "oriel@elsewhere.example")), Saltmarrow.ORGANISER);
        guests.invite(
                other.offering(),
                List.of(new Guest("Marisol Achterberg", "marisol.achterberg@crew.example")),
                Saltmarrow.ORGANISER);
        Link somebody = link(at, "oriel@elsewhere.example");
        Link elsewhere = link(other, "marisol.achterberg@crew.example");
        for (Link link : List.of(somebody, elsewhere)) {
            assertThat(replies.answer(asVictim, Reply.NO, Optional.of(link), Saltmarrow.VISITOR))
                    .isInstanceOf(Registering.Already.class);
        }
        assertThat(state(victim)).isEqualTo(RegistrationState.REGISTERED);

        guests.invite(
                at.offering(),
                List.of(new Guest("Marisol Achterberg", "marisol.achterberg@crew.example")),
                Saltmarrow.ORGANISER);
        Link theirs = link(at, "marisol.achterberg@crew.example");
        guests.uninvite(at.offering(), theirs.id(), Saltmarrow.ORGANISER);
        assertThat(replies.answer(asVictim, Reply.NO, Optional.of(theirs), Saltmarrow.VISITOR))
                .as("taken off the list")
                .isInstanceOf(Registering.Already.class);
        assertThat(state(victim)).isEqualTo(RegistrationState.REGISTERED);
    }

    @Test
    void who_answers_their_invitation_again_changes_all_they_said() {
        Published at = saltmarrow.publish(
                party(4, Tell.NEVER).asking(QuestionForm.of("SHORT_TEXT", "Your boat", "", false, "")));
        guests.invite(at.offering(), List.of(new Guest("Oriel Saltonby", "oriel@crew.example")), Saltmarrow.ORGANISER);
        Link oriel = link(at, "oriel@crew.example");
        long boat = programme.questions(at.offering()).get(0).id();
        long id = id(replies.answer(
                said(at, boat, "Curlew", List.of("Bao")), Reply.YES, Optional.of(oriel), Saltmarrow.VISITOR));
        replies.answer(said(at, boat, "Dunlin", List.of("Ade")), Reply.YES, Optional.of(oriel), Saltmarrow.VISITOR);
        assertThat(given.answersOf(id)).containsValue("Dunlin").doesNotContainValue("Curlew");
        assertThat(queries.registration(id).orElseThrow().remarks().companions())
                .containsExactly("Ade");
        replies.answer(said(at, boat, "", List.of()), Reply.NO, Optional.of(oriel), Saltmarrow.VISITOR);
        assertThat(state(id)).isEqualTo(RegistrationState.DECLINED);
        assertThat(given.answersOf(id)).containsValue("Dunlin");
    }

    private static Application said(Published at, long boat, String name, List<String> companions) {
        List<Answer> answers = name.isEmpty() ? List.of() : List.of(Answer.plain(boat, "Your boat", name));
        return new Application(
                at.session(),
                "Oriel Saltonby",
                "oriel@crew.example",
                "",
                2,
                Saltmarrow.HALIFAX,
                companions,
                answers,
                "");
    }

    @Test
    void answers_end_when_they_are_due() {
        Published at = saltmarrow.publish(party(2, Tell.NEVER));
        long id = id(answer(at, "Ade Fenwright", 1, Reply.YES));
        clock.set(START);
        assertThat(replies.change(who(id), Reply.NO, Saltmarrow.self(id)))
                .isEqualTo(new Registering.Refused(Registering.Reason.NOT_OPEN));
        assertThat(state(id)).isEqualTo(RegistrationState.REGISTERED);
    }

    @Test
    void an_address_that_answered_on_the_public_page_gets_its_link_again_and_keeps_its_answer() {
        Published at = saltmarrow.publish(party(2, Tell.NEVER));
        long id = id(answer(at, "Bao Lindqvist", 1, Reply.YES));
        assertThat(answer(at, "Bao Lindqvist", 1, Reply.NO)).isInstanceOf(Registering.Already.class);
        assertThat(state(id)).isEqualTo(RegistrationState.REGISTERED);
    }

    @Test
    void only_the_invited_come_and_only_with_their_own_link_and_address() {
        Published at = saltmarrow.publish(party(4, Tell.NEVER).invitedOnly());
        guests.invite(at.offering(), List.of(new Guest("Oriel Saltonby", "oriel@crew.example")), Saltmarrow.ORGANISER);
        guests.invite(at.offering(), List.of(new Guest("Pascoe Merrow", "pascoe@crew.example")), Saltmarrow.ORGANISER);
        Link oriel = link(at, "oriel@crew.example");
        Link pascoe = link(at, "pascoe@crew.example");
        actAsVisitor();
        assertThat(reply(at, "oriel@crew.example", Optional.empty())).isEqualTo(refused());
        assertThat(reply(at, "oriel@crew.example", Optional.of(pascoe))).isEqualTo(refused());
        assertThat(reply(at, "oriel@crew.example", Optional.of(oriel))).isInstanceOf(Registering.Done.class);
        SecurityContextHolder.clearContext();
        guests.uninvite(at.offering(), pascoe.id(), Saltmarrow.ORGANISER);
        actAsVisitor();
        assertThat(reply(at, "pascoe@crew.example", Optional.of(pascoe))).isEqualTo(refused());
        assertThat(list.invitee(pascoe)).isEmpty();
    }

    private static Registering refused() {
        return new Registering.Refused(Registering.Reason.INVITED_ONLY);
    }

    private Link link(Published at, String email) {
        return list.list(at.offering()).stream()
                .filter(i -> i.email().equals(email))
                .map(i -> new Link(i.id(), i.generation()))
                .findFirst()
                .orElseThrow();
    }

    private Registering reply(Published at, String email, Optional<Link> link) {
        return replies.answer(
                Application.plain(at.session(), "Somebody Invited", email, 1, Saltmarrow.HALIFAX),
                Reply.YES,
                link,
                Saltmarrow.VISITOR);
    }
}
