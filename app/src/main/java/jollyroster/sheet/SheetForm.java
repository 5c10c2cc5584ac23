package jollyroster.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.Section;
import jollyroster.programme.Tell;
import jollyroster.programme.Visibility;
import org.jspecify.annotations.Nullable;

/**
 * The offering's sheet as it was typed, section by section. Everything is text until {@link #problems()} is empty.
 *
 * @param question one entry for each question on the sheet, also the blank one at its end
 */
public record SheetForm(
        int version,
        WordsForm words,
        PlaceForm place,
        SeatsForm seats,
        SignUpForm signup,
        TakingForm taking,
        InvitingForm inviting,
        PayingForm paying,
        List<QuestionForm> question) {

    static final int MOST_HOSTS = 10;
    static final int MOST_LABELS = 12;

    /** The languages an offering can be held in, by ISO 639-1 code. */
    public static final List<String> LANGUAGES =
            List.of("en", "fr", "de", "es", "pt", "it", "nl", "nb", "sv", "da", "fi", "pl", "uk", "ja", "zh", "ar");

    public SheetForm {
        words = words == null ? WordsForm.of("", "", "", "") : words;
        place = place == null ? PlaceForm.of("", "") : place;
        seats = seats == null ? SeatsForm.of("", "", false, "") : seats;
        signup = signup == null ? SignUpForm.open() : signup;
        taking = taking == null ? TakingForm.openly() : taking;
        inviting = inviting == null ? InvitingForm.nobody() : inviting;
        paying = paying == null ? PayingForm.nothing() : paying;
        question = question == null ? List.of() : withoutGaps(question);
    }

    /** A form whose questions are not numbered one after the other has nothing asked in between. */
    private static List<QuestionForm> withoutGaps(List<@Nullable QuestionForm> sent) {
        QuestionForm nothing = QuestionForm.of("", "", "", false, "");
        return new ArrayList<>(sent.stream().map(q -> q == null ? nothing : q).toList());
    }

    /** An empty sheet with this title, for a draft that was just begun. */
    public static SheetForm titled(String title) {
        return new SheetForm(
                1,
                WordsForm.of(title, "", "", ""),
                PlaceForm.of("IN_PERSON", ""),
                SeatsForm.of("120", "0", true, "1"),
                SignUpForm.open(),
                TakingForm.openly(),
                InvitingForm.nobody(),
                PayingForm.nothing(),
                List.of());
    }

    public SheetForm with(WordsForm changed) {
        return new SheetForm(version, changed, place, seats, signup, taking, inviting, paying, question);
    }

    public SheetForm with(PlaceForm changed) {
        return new SheetForm(version, words, changed, seats, signup, taking, inviting, paying, question);
    }

    public SheetForm with(SeatsForm changed) {
        return new SheetForm(version, words, place, changed, signup, taking, inviting, paying, question);
    }

    public SheetForm with(SignUpForm changed) {
        return new SheetForm(version, words, place, seats, changed, taking, inviting, paying, question);
    }

    public SheetForm with(TakingForm changed) {
        return new SheetForm(version, words, place, seats, signup, changed, inviting, paying, question);
    }

    public SheetForm with(InvitingForm changed) {
        return new SheetForm(version, words, place, seats, signup, taking, changed, paying, question);
    }

    public SheetForm with(PayingForm changed) {
        return new SheetForm(version, words, place, seats, signup, taking, inviting, changed, question);
    }

    public SheetForm asking(List<QuestionForm> asked) {
        return new SheetForm(version, words, place, seats, signup, taking, inviting, paying, asked);
    }

    List<QuestionForm> questionsAsked() {
        return question.stream().filter(q -> !q.label().isEmpty()).toList();
    }

    /** What is wrong, by field; empty when the sheet can be kept. A draft may be incomplete, but not nonsense. */
    public Map<String, String> problems() {
        return new SheetCheck(this).problems();
    }

    /** The sheet as it can be kept. Only when there are no {@link #problems()}. */
    public List<Section> sections() {
        return List.of(
                words.section(),
                words.look(),
                place.section(),
                seats.hours(),
                new Section.Seats(
                        Integer.parseInt(seats.seats()),
                        Integer.parseInt(seats.keptBack()),
                        seats.waitlist(),
                        taking.limit(),
                        FreedSeats.valueOf(taking.freed()),
                        Integer.parseInt(seats.largestParty()),
                        Integer.parseInt(seats.minimum()),
                        Integer.parseInt(seats.decideDays())),
                new Section.SignUp(
                        SignUpStyle.valueOf(signup.style()),
                        Visibility.valueOf(signup.visibility()),
                        Integer.parseInt(signup.cutoffHours()) * 60,
                        Integer.parseInt(signup.opensDays()),
                        Integer.parseInt(taking.changesHours()) * 60),
                new Section.Inviting(inviting.rsvp(), inviting.companyShown(), Tell.valueOf(inviting.tell())),
                taking.section(),
                new Section.Cost(paying.price().orElseThrow()),
                new Section.Questions(
                        questionsAsked().stream().map(QuestionForm::wish).toList()));
    }
}
