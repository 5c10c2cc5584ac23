package jollyroster.sheet;

import java.util.List;
import jollyroster.core.intake.Question;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingFront;
import jollyroster.programme.OfferingRules;
import jollyroster.programme.SheetForm;
import jollyroster.programme.SheetForm.Place;
import jollyroster.programme.SheetForm.QuestionForm;
import jollyroster.programme.SheetForm.Seats;
import jollyroster.programme.SheetForm.SignUp;
import jollyroster.programme.SheetForm.Words;

/** The sheet as it is kept, as a form ready to be typed over. */
final class KeptSheet {

    private KeptSheet() {}

    /** @param hosts the numbers of the offering's hosts, in order */
    static SheetForm form(Offering o, List<Long> hosts, List<AskedQuestion> questions) {
        OfferingFront f = o.front();
        OfferingRules r = o.rules();
        return new SheetForm(
                o.version(),
                new Words(
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
                new Place(
                        o.format().name(),
                        o.venue().map(v -> String.valueOf(v.id())).orElse(""),
                        hosts.stream().map(String::valueOf).toList(),
                        o.hostName()),
                new Seats(
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
                new SignUp(r.style().name(), r.visibility().name(), text(o.cutoffMinutes() / 60), text(r.opensDays())),
                questions.stream().map(KeptSheet::question).toList());
    }

    private static String text(int number) {
        return String.valueOf(number);
    }

    private static QuestionForm question(AskedQuestion asked) {
        Question q = asked.question();
        return new QuestionForm(
                String.valueOf(asked.id()),
                q.kind().name(),
                q.label(),
                q.help(),
                q.required(),
                String.join("\n", q.options()));
    }
}
