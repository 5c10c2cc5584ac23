package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import jollyroster.answers.GivenQueries;
import jollyroster.core.intake.Intake.Slot;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.AmendCommands.Wish;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.seating.SwapQueries;
import org.springframework.stereotype.Component;

/** What a person can change on their own page: the form, what is wrong with it, and swaps. */
@Component
class OwnChanges {

    private final GivenQueries given;
    private final ProgrammeQueries programme;
    private final RegistrationQueries roster;
    private final SwapQueries swaps;
    private final OrganisationQueries organisation;

    OwnChanges(
            GivenQueries given,
            ProgrammeQueries programme,
            RegistrationQueries roster,
            SwapQueries swaps,
            OrganisationQueries organisation) {
        this.given = given;
        this.programme = programme;
        this.roster = roster;
        this.swaps = swaps;
        this.organisation = organisation;
    }

    /** Who comes and what they answer, as entered or as kept. */
    record Form(int party, List<String> names, Map<Slot, String> answers) {}

    /** The registration as it is kept, ready to be typed over. */
    Form kept(OwnPage.Found found) {
        Registration r = found.registration();
        Map<Slot, String> answers = new HashMap<>();
        Map<Long, String> keys = new HashMap<>();
        questions(found).forEach(q -> keys.put(q.id(), q.question().key()));
        given.givenBy(r.id()).stream()
                .filter(a -> keys.containsKey(a.question()))
                .forEach(a -> answers.put(new Slot(keys.get(a.question()), a.person()), a.value()));
        return new Form(r.party(), r.remarks().companions(), answers);
    }

    private List<AskedQuestion> questions(OwnPage.Found found) {
        return programme.questions(found.session().offering().id());
    }

    Form read(OwnPage.Found found, HttpServletRequest request) {
        String entered = request.getParameter("party");
        int party = entered == null ? found.registration().party() : RegistrationForm.people(entered);
        return new Form(
                party, RegistrationForm.companions(request, party), Answers.read(request, questions(found), party));
    }

    /** What is wished for, or what is wrong with it by field. @param wish only meant when nothing is wrong */
    record Checked(Wish wish, Map<String, String> problems) {}

    Checked check(OwnPage.Found found, Form form) {
        List<AskedQuestion> questions = questions(found);
        Map<String, String> problems = new LinkedHashMap<>(RegistrationForm.companionProblems(form.names()));
        Answers.Checked intake = Answers.check(
                questions,
                form.answers(),
                form.party(),
                organisation.organisation().region());
        problems.putAll(intake.problems());
        Wish wish = new Wish(
                form.party(),
                RegistrationForm.named(form.names()),
                questions.stream().map(AskedQuestion::id).toList(),
                intake.accepted());
        return new Checked(wish, problems);
    }

    OwnView.Change view(OwnPage.Found found, Form form, Instant now) {
        Registration r = found.registration();
        Session s = found.session();
        boolean open = RegistrationState.ACTIVE.contains(r.state())
                && !s.cancelled()
                && now.isBefore(s.changesUntil(r.isSettled()));
        int largest = Math.max(r.party(), s.offering().largestParty());
        List<AskedQuestion> questions = open ? questions(found) : List.of();
        AnswerFields fields = AnswerFields.of(
                questions,
                form.answers(),
                new AnswerFields.Chosen(
                        r.session(), List.of(r.session()), given.chosen(List.of(r.session()), questions)),
                form.party(),
                largest);
        return new OwnView.Change(
                open ? Times.dayAndTime(s.changesUntil(), r.zone()) : "",
                form.party(),
                IntStream.rangeClosed(1, largest).boxed().toList(),
                fields,
                fields.companions().isEmpty() ? unasked(largest, form.party()) : fields.companions(),
                form.names());
    }

    /** Companions who are asked nothing but their names. */
    static List<AnswerFields.Companion> unasked(int largest, int party) {
        return IntStream.range(1, largest)
                .mapToObj(i -> new AnswerFields.Companion(i, i >= party, List.of()))
                .toList();
    }

    OwnView.Swaps swaps(OwnPage.Found found, Instant now) {
        Registration r = found.registration();
        Session s = found.session();
        boolean possible = r.state() == RegistrationState.REGISTERED
                && s.offering().style().choosesDates()
                && !s.cancelled()
                && now.isBefore(s.movesUntil(r.isSettled()));
        if (!possible) {
            return OwnView.Swaps.NONE;
        }
        List<Session> dates = programme.sessionsOf(s.offering().id()).stream()
                .filter(d -> d.id() != s.id() && !d.cancelled() && now.isBefore(d.movesUntil(r.isSettled())))
                .toList();
        return new OwnView.Swaps(
                swaps.wantedBy(r.id()).map(id -> when(dates, id, r, now)).orElse(""),
                swaps.offersTo(r).stream()
                        .map(o -> new OwnView.Offered(o.id(), o.name(), when(dates, o.session(), r, now)))
                        .filter(o -> !o.when().isEmpty())
                        .toList(),
                dates.stream()
                        .map(d -> new OwnView.Choice(d.id(), OfferingDates.when(d, r.zone(), now), ""))
                        .toList());
    }

    private static String when(List<Session> dates, long id, Registration r, Instant now) {
        return dates.stream()
                .filter(d -> d.id() == id)
                .findFirst()
                .map(d -> OfferingDates.when(d, r.zone(), now))
                .orElse("");
    }
}
