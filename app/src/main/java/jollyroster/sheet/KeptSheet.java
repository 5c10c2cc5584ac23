package jollyroster.sheet;

import java.util.List;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingFront;
import jollyroster.programme.OfferingRules;
import jollyroster.programme.SignUpRules;

/** The sheet as it is kept, as a form ready to be typed over. */
final class KeptSheet {

    private KeptSheet() {}

    /** @param hosts the numbers of the offering's hosts, in order */
    static SheetForm form(Offering o, List<Long> hosts, List<AskedQuestion> questions) {
        OfferingFront f = o.front();
        OfferingRules r = o.rules();
        return new SheetForm(
                o.version(),
                new WordsForm(
                        o.title(),
                        o.summary(),
                        o.description(),
                        o.bring(),
                        f.audience(),
                        f.language(),
                        f.tint().code(),
                        String.join(", ", f.labels()),
                        f.price(),
                        f.contact()),
                new PlaceForm(
                        o.format().name(),
                        o.venue().map(v -> String.valueOf(v.id())).orElse(""),
                        hosts.stream().map(String::valueOf).toList(),
                        o.hostName()),
                new SeatsForm(
                        text(o.minutes()),
                        text(o.seats()),
                        text(r.keptBack()),
                        o.waitlistAllowed(),
                        text(o.largestParty()),
                        text(r.minimum()),
                        text(r.decideDays()),
                        text(r.bufferBefore()),
                        text(r.bufferAfter()),
                        text(o.doorMinutes()),
                        text(o.overrunMinutes())),
                new SignUpForm(
                        r.style().name(), r.visibility().name(), text(o.cutoffMinutes() / 60), text(r.opensDays())),
                taking(o.signUp()),
                new InvitingForm(
                        o.signUp().rsvp(),
                        o.signUp().companyShown(),
                        o.signUp().tell().name()),
                new PayingForm(
                        o.signUp().price().amount(),
                        o.signUp().price().currency().getCurrencyCode()),
                QuestionForm.of(questions));
    }

    private static String text(int number) {
        return String.valueOf(number);
    }

    private static TakingForm taking(SignUpRules s) {
        return new TakingForm(
                s.freedSeats().name(),
                s.waitlistLimit().isPresent() ? text(s.waitlistLimit().getAsInt()) : "",
                s.phone().name(),
                s.fullName(),
                s.emailConfirmed(),
                text(s.changesMinutes() / 60),
                s.afterText(),
                s.afterAddress());
    }
}
