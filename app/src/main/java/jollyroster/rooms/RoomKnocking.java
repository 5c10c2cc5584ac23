package jollyroster.rooms;

import java.util.Objects;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.door.GuestCodeCommands;
import jollyroster.door.GuestCodeCommands.Scope;
import jollyroster.door.KnockLimit;
import jollyroster.platform.Actor;
import jollyroster.platform.Submission;
import jollyroster.rooms.RoomDoorway.Standing;
import jollyroster.rooms.RoomVisitCommands.Who;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Takes what somebody typed before a standing room, and says what is still missing. */
@Component
class RoomKnocking {

    private static final int LONGEST_WORD = 200;
    private final RoomVisitCommands commands;
    private final GuestCodeCommands codes;
    private final KnockLimit limit;

    RoomKnocking(RoomVisitCommands commands, GuestCodeCommands codes, KnockLimit limit) {
        this.commands = commands;
        this.codes = codes;
        this.limit = limit;
    }

    /** What was typed. @param code that was mailed; empty before it is asked for @param form names it */
    record Form(String name, String email, String says, String code, String form) {

        static final Form NOTHING = new Form("", "", "", "", "");

        Form(
                @Nullable String name,
                @Nullable String email,
                @Nullable String says,
                @Nullable String code,
                @Nullable String form) {
            this.name = Objects.requireNonNullElse(name, "");
            this.email = Objects.requireNonNullElse(email, "");
            this.says = Objects.requireNonNullElse(says, "");
            this.code = Objects.requireNonNullElse(code, "");
            this.form = Submission.read(form);
        }
    }

    /** What came of it. @param link by what the browser is known from now on @param problem empty for none @param tooMany of them came */
    record Outcome(Optional<Link> link, boolean codeAsked, String problem, boolean tooMany) {

        private static Outcome problem(String words) {
            return new Outcome(Optional.empty(), false, words, false);
        }

        private static Outcome code(String problem) {
            return new Outcome(Optional.empty(), true, problem, false);
        }

        private static Outcome tooMany(String words) {
            return new Outcome(Optional.empty(), false, words, true);
        }
    }

    static boolean asksEmail(Standing at) {
        return at.terms().asksEmail() || !at.room().invited().isEverybody();
    }

    Outcome knock(Standing at, Form form, String sender) {
        Optional<String> name = Contact.fullName(form.name());
        Optional<String> email = asksEmail(at) ? Contact.email(form.email()) : Optional.of("");
        if (name.isEmpty()) {
            return Outcome.problem("Please give your first and last name, so that the host knows you.");
        }
        if (email.isEmpty()) {
            return Outcome.problem("Please give an e-mail address like name@example.org.");
        }
        if (!at.room().invited().holds(email.get())) {
            return Outcome.problem(
                    "This room is for certain people only. Please use the address you were invited with.");
        }
        if (!limit.mayKnock(sender, "room-" + at.room().id())) {
            return Outcome.tooMany("Too many requests from your network. Please try again in a few minutes.");
        }
        return knock(at, new Who(name.get(), email.get(), Text.oneLine(form.says(), LONGEST_WORD)), form);
    }

    private Outcome knock(Standing at, Who who, Form form) {
        Actor actor = Actor.visitor(who.name());
        if (!at.room().invited().isEverybody()) {
            Scope scope = new Scope(Purpose.ROOM_CODE, at.room().id(), 1);
            if (form.code().isBlank()) {
                codes.send(scope, at.room().name(), who.email(), actor);
                return Outcome.code("");
            }
            if (!codes.isRight(scope, who.email(), form.code())) {
                return Outcome.code("That is not the code, or it is no longer valid.");
            }
        }
        return commands.knock(at.room(), who, form.form(), actor)
                .map(link -> new Outcome(Optional.of(link), false, "", false))
                .orElseGet(() -> Outcome.tooMany("Too many people are waiting. Please try again in a few minutes."));
    }
}
