package jollyroster.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import jollyroster.core.dates.Offset;
import jollyroster.core.intake.Question;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.messages.WritingHours;
import jollyroster.core.prices.RefundRule;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.Leave;
import jollyroster.core.seats.SeatsShown;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.outbox.HoursWords;
import jollyroster.outbox.MessageWords;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Format;
import jollyroster.programme.Offering;
import jollyroster.programme.PhoneRule;
import jollyroster.programme.Tell;
import jollyroster.programme.Tint;
import jollyroster.programme.Venue;
import jollyroster.programme.Visibility;

/** Each section of a sheet as it reads when it is closed. */
final class SheetWords {

    private static final int EXCERPT = 240;

    private SheetWords() {}

    static Sentence words(Offering o, String plainDescription) {
        Sentence all = o.front().audience().isEmpty()
                ? Sentence.of("")
                : Sentence.of("For ").andStrong(o.front().audience()).and(". ");
        all = o.bring().isEmpty()
                ? all
                : all.and("To bring: ").andStrong(o.bring()).and(stop(o.bring()));
        all = all.and("Held in " + language(o.front().language()));
        all = all.and(o.front().contact().isEmpty() ? "; questions go to the organisation. " : "; questions go to ");
        all = o.front().contact().isEmpty()
                ? all
                : all.andStrong(o.front().contact()).and(". ");
        all = o.front().labels().isEmpty()
                ? all
                : all.and("Labels: " + String.join(", ", o.front().labels()) + ". ");
        all = o.front().button().isEmpty()
                ? all
                : all.and("The button says “" + o.front().button() + "”. ");
        return all.and(plainDescription.isEmpty() ? "No description yet." : "“" + excerpt(plainDescription) + "”");
    }

    /** A sentence ends once. */
    private static String stop(String text) {
        return text.endsWith(".") ? " " : ". ";
    }

    private static String excerpt(String text) {
        if (text.length() <= EXCERPT) {
            return text;
        }
        int space = text.lastIndexOf(' ', EXCERPT);
        return text.substring(0, space > 0 ? space : EXCERPT) + " …";
    }

    static String language(String code) {
        return Locale.forLanguageTag(code).getDisplayLanguage(Locale.ENGLISH);
    }

    /** @param hosts as people read them; empty for nobody */
    static Sentence place(Offering o, String hosts) {
        Sentence where = o.venue()
                .map(v -> Sentence.of(meeting(o, v)).andStrong(v.inOneLine()).and(about(v)))
                .orElseGet(() -> Sentence.of(o.format() == Format.ONLINE ? "Online" : "In person")
                        .and("; no venue yet. "));
        Sentence with = hosts.isEmpty()
                ? Sentence.of("Nobody is named to lead it. ")
                : Sentence.of("With ").andStrong(hosts).and(". ");
        return where.and(with).and(buffers(o.rules().bufferBefore(), o.rules().bufferAfter()));
    }

    private static String meeting(Offering o, Venue venue) {
        return switch (venue.kind()) {
            case PHONE -> "By telephone on ";
            case PLACE -> o.format() == Format.ONLINE ? "Online, but at " : "In person at ";
            default -> o.format() == Format.ONLINE ? "Online in " : "In person and in ";
        };
    }

    private static String about(Venue venue) {
        return switch (venue.kind()) {
            case PLACE ->
                venue.roomSize().isPresent()
                        ? ", which holds " + venue.roomSize().getAsInt() + ". "
                        : ". ";
            case FIXED_LINK -> ", one link for all. ";
            case MADE_LINK -> ", a link made for each session. ";
            case PHONE -> ". ";
        };
    }

    private static String buffers(int before, int after) {
        if (before == 0 && after == 0) {
            return "Nothing is kept free before or after.";
        }
        String both = before == after
                ? Counted.length(before) + " before and after"
                : Stream.of(side(before, "before"), side(after, "after"))
                        .filter(text -> !text.isEmpty())
                        .reduce((a, b) -> a + " and " + b)
                        .orElse("");
        return "Hosts and venue are kept free " + both + ".";
    }

    private static String side(int minutes, String when) {
        return minutes == 0 ? "" : Counted.length(minutes) + " " + when;
    }

    static Sentence access(Offering o) {
        Sentence who = Sentence.strong(found(o.rules().visibility()));
        int days = o.rules().opensDays();
        Sentence when = Sentence.of(" Registration opens ")
                .and(days == 0 ? "at once" : Counted.beforeStart(Offset.ofDays(days)))
                .and(" and closes " + Counted.beforeStart(o.cutOff()) + ". ");
        Sentence changes = Sentence.of("People may change what they said until "
                        + until(o.signUp().changesMinutes()) + ", ")
                .and(leave("move", o.signUp().moves(), "the start"))
                .and(" and " + leave("cancel", o.signUp().cancels(), "the end") + ".");
        return who.and(when)
                .and(o.signUp().rsvp() ? answers(o) : Sentence.of(o.style() == SignUpStyle.OWN_TIME ? told(o) : ""))
                .and(changes);
    }

    /** What organiser and hosts hear of times that are picked. */
    private static String told(Offering o) {
        return switch (o.signUp().tell()) {
            case EACH -> "Organiser and host are told of each time that is picked or cancelled. ";
            case DAILY -> "Organiser and host are told once a day of times that were picked. ";
            case NEVER, DEADLINE -> "";
        };
    }

    private static String until(int minutes) {
        return minutes == 0 ? "the start" : Counted.beforeStart(minutes);
    }

    private static String leave(String what, Leave leave, String otherwise) {
        return !leave.given()
                ? "not " + what + " by themselves"
                : what + " until " + (leave.minutes() == 0 ? otherwise : Counted.beforeStart(leave.minutes()));
    }

    private static String found(Visibility visibility) {
        return switch (visibility) {
            case LISTED -> "Everybody; it is listed.";
            case UNLISTED -> "Whoever has the address; it is not listed.";
            case INVITED -> "Invited people only.";
        };
    }

    private static Sentence answers(Offering o) {
        Tell tell = o.signUp().tell();
        return Sentence.of("People answer ")
                .andStrong("yes, maybe or no")
                .and(o.signUp().companyShown() ? " and see who is coming" : "")
                .and(tell == Tell.NEVER ? ". " : "; you are told " + tell.words() + ". ");
    }

    static Sentence seats(Offering o) {
        if (o.seats() == 0) {
            return Sentence.of("No seats yet.");
        }
        int kept = o.rules().keptBack();
        int party = o.largestParty();
        Sentence many = Sentence.strong(Counted.of(o.seats(), "seat"))
                .and(o.style() == SignUpStyle.OWN_TIME ? " a time" : " a date")
                .andIf(kept > 0, ", " + kept + " of them kept back for walk-ups")
                .and(
                        party == 1
                                ? "; everybody registers for themselves. "
                                : "; up to " + party + " people on one registration. ");
        return many.and(waiting(o)).and(minimum(o)).and(shown(o.front().seatsShown()));
    }

    private static String shown(SeatsShown shown) {
        return switch (shown.when()) {
            case ALWAYS -> "";
            case FEW ->
                " People read “few left” from " + Counted.of(shown.few(), "seat") + " on, and no number before.";
            case NEVER -> " How many are left is not shown.";
        };
    }

    private static String waiting(Offering o) {
        if (!o.waitlistAllowed()) {
            return "When it is full, registration ends; nobody waits. ";
        }
        String limit = o.signUp().waitlistLimit().isPresent()
                ? " (at most " + Counted.of(o.signUp().waitlistLimit().getAsInt(), "registration") + ")"
                : "";
        String freed = o.signUp().freedSeats() == FreedSeats.CALL_UP
                ? "is offered to the first who fits, with time to answer. "
                : "goes to the first who fits at once. ";
        return "When it is full, people may join the waitlist" + limit + "; a freed seat " + freed;
    }

    private static String minimum(Offering o) {
        int least = o.rules().minimum();
        return least == 0
                ? "It always runs."
                : "To run it needs " + least + "; that is decided "
                        + Counted.of(o.rules().decideDays(), "day") + " before.";
    }

    static Sentence asking(Offering o, List<AskedQuestion> questions) {
        List<String> usual = new ArrayList<>();
        usual.add(o.signUp().fullName() ? "First and last name" : "Name");
        usual.add(o.signUp().emailConfirmed() ? "e-mail, to be confirmed within 30 minutes" : "e-mail");
        if (o.signUp().phone() != PhoneRule.NOT_ASKED) {
            usual.add(o.signUp().phone() == PhoneRule.REQUIRED ? "phone" : "phone (optional)");
        }
        Sentence always = Sentence.of(String.join(", ", usual));
        List<Sentence> asked =
                questions.stream().map(q -> question(q.question())).toList();
        return asked.isEmpty()
                ? always.and(", and nothing else.")
                : always.and("; ").and(Sentence.list(asked)).and(".");
    }

    private static Sentence question(Question q) {
        List<String> about = new ArrayList<>();
        about.add(q.required() ? "required" : "optional");
        if (q.kind().hasOptions()) {
            about.add(Counted.of(q.options().size(), "option"));
        }
        if (q.perPerson()) {
            about.add("of each person");
        }
        if (q.shownIf().isPresent()) {
            about.add("asked only after some answers");
        }
        return Sentence.strong(q.label()).and(" (" + String.join(", ", about) + ")");
    }

    static Sentence price(Offering o) {
        String said = o.front().price();
        Sentence read = said.isEmpty() ? Sentence.of("") : Sentence.of(" People read “" + said + "”.");
        return o.signUp().price().isFree()
                ? (said.isEmpty() ? Sentence.of("Free.") : Sentence.of("Nothing is paid on registering.")).and(read)
                : Sentence.strong(o.signUp().price().inWords())
                        .and(" a seat, paid on registering. ")
                        .and(refund(o.signUp().refund()))
                        .and(
                                o.signUp().fixedOncePaid()
                                        ? " Once it is paid, people can change nothing themselves."
                                        : "")
                        .and(read);
    }

    private static String refund(RefundRule rule) {
        return rule.gives()
                ? "Whoever cancels until "
                        + Counted.beforeStart(rule.minutes().getAsInt()).replaceFirst("^at ", "")
                        + " has the money back."
                : "Whoever cancels has no money back.";
    }

    static Sentence messages(Offering o, List<PlanLine> plan, WritingHours hours) {
        Sentence mails = Sentence.of("By e-mail: ")
                .and(Sentence.list(plan.stream()
                        .map(line -> Sentence.strong(MessageWords.when(line)))
                        .toList()))
                .and(", each on the recipient’s own clock, " + HoursWords.of(hours) + ". ");
        String text = o.signUp().afterText();
        String address = o.signUp().afterAddress();
        return mails.and(text.isEmpty() ? "" : "After registering people read “" + text + "”. ")
                .and(address.isEmpty() ? "" : "They are led on to " + address + ".");
    }

    static Sentence door(Offering o) {
        return Sentence.of("Opens ")
                .andStrong(Counted.beforeStart(o.doorMinutes()))
                .and(" and closes ")
                .andStrong(
                        o.overrunMinutes() == 0 ? "at the end" : Counted.length(o.overrunMinutes()) + " after the end")
                .and(
                        o.door().everyoneKnocks()
                                ? ". Everybody waits until the host admits them."
                                : ". Registered people go in by their own link; guests wait until the host admits them.")
                .and(o.door().hasTurns() ? " Turns of " : "")
                .andStrong(o.door().hasTurns() ? Counted.length(o.door().turnMinutes()) : "")
                .and(o.door().hasTurns() ? " alone with the host." : "")
                .and(o.door().secondRoom() ? " A second room opens when the first is full." : "");
    }

    static Sentence look(Offering o) {
        return Sentence.of("In ")
                .andStrong(colour(o.front().tint()))
                .and(o.front().picture().isEmpty() ? ", without a picture." : ", with a picture.");
    }

    /** A colour as people call it. */
    static String colour(Tint tint) {
        return switch (tint) {
            case DEPTH -> "sea blue";
            case KELP -> "kelp green";
            case RUST -> "rust red";
            case HEATHER -> "heather purple";
            case SLATE -> "slate grey";
            case OCHRE -> "ochre yellow";
        };
    }
}
