package jollyroster.door;

import java.util.Objects;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.door.ArrivalCommands.Who;
import jollyroster.door.GuestCodeCommands.Scope;
import jollyroster.door.GuestLinkQueries.GuestLink;
import jollyroster.platform.Actor;
import jollyroster.platform.Submission;
import jollyroster.programme.Session;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Takes what a stranger typed at a door, and says what is still missing. */
@Component
class GuestKnocking {

    private static final int LONGEST_WORD = 200;
    private final ArrivalCommands commands;
    private final GuestCodeCommands codes;
    private final KnockLimit limit;

    GuestKnocking(ArrivalCommands commands, GuestCodeCommands codes, KnockLimit limit) {
        this.commands = commands;
        this.codes = codes;
        this.limit = limit;
    }

    /** What was typed. @param code that was mailed; empty before it is asked for @param form names it */
    record Form(
            String name,
            String email,
            String says,
            @Nullable Boolean agreed,
            String code,
            String form) {

        Form {
            name = orEmpty(name);
            email = orEmpty(email);
            says = orEmpty(says);
            agreed = Boolean.TRUE.equals(agreed);
            code = orEmpty(code);
            form = Submission.read(form);
        }

        private static String orEmpty(@Nullable String typed) {
            return Objects.requireNonNullElse(typed, "");
        }
    }

    /** What came of it. */
    sealed interface Outcome {
        /** By what the browser is known from now on. */
        record Knocked(Link link) implements Outcome {}

        /** A code is on its way. @param problem with the one that was typed; empty for none */
        record CodeAsked(String problem) implements Outcome {}

        record Problem(String words, boolean tooMany) implements Outcome {}
    }

    Outcome knock(GuestLink link, Session session, Form form, String sender) {
        Optional<String> name = Contact.fullName(form.name());
        Optional<String> email = form.email().isBlank() ? Optional.of("") : Contact.email(form.email());
        Optional<String> problem = problem(link, form, name, email);
        if (problem.isPresent()) {
            return new Outcome.Problem(problem.get(), false);
        }
        if (!limit.mayKnock(sender, "session-" + session.id())) {
            return new Outcome.Problem("Too many requests from your network. Please try again in a few minutes.", true);
        }
        Who who = Who.guest(name.orElseThrow(), email.orElseThrow(), Text.oneLine(form.says(), LONGEST_WORD));
        Actor actor = Actor.visitor(who.name());
        if (link.invited().isEverybody()) {
            return arrived(link, session, who, form.form(), actor);
        }
        if (form.code().isBlank()) {
            codes.send(scope(link), session.offering().title(), who.email(), actor);
            return new Outcome.CodeAsked("");
        }
        return codes.isRight(scope(link), who.email(), form.code())
                ? arrived(link, session, who.proven(), form.form(), actor)
                : new Outcome.CodeAsked("That is not the code, or it is no longer valid.");
    }

    private static Scope scope(GuestLink link) {
        return new Scope(Purpose.GUEST, link.id(), link.generation());
    }

    private Outcome arrived(GuestLink link, Session session, Who who, String submission, Actor actor) {
        return commands.knock(session.id(), who.agreeing(link.agreement()), submission, actor)
                .<Outcome>map(Outcome.Knocked::new)
                .orElseGet(() ->
                        new Outcome.Problem("Too many people are waiting. Please try again in a few minutes.", false));
    }

    private static Optional<String> problem(GuestLink link, Form form, Optional<String> name, Optional<String> email) {
        if (name.isEmpty()) {
            return Optional.of("Please give your first and last name, so that the host knows you.");
        }
        boolean missing = link.asksEmail() && form.email().isBlank();
        if (missing || email.isEmpty()) {
            return Optional.of("Please give an e-mail address like name@example.org.");
        }
        if (!link.invited().holds(email.get())) {
            return Optional.of("This link is for certain people only. Please use the address you were invited with.");
        }
        return link.agreement().isEmpty() || Boolean.TRUE.equals(form.agreed())
                ? Optional.empty()
                : Optional.of("Please agree before you come in.");
    }
}
