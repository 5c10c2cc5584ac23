package jollyroster.sheet;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Format;
import jollyroster.programme.PhoneRule;
import jollyroster.programme.Tell;
import jollyroster.programme.Tint;
import jollyroster.programme.Visibility;

/** Judges a sheet as typed. */
final class SheetCheck {

    private final SheetForm sheet;
    private final Map<String, String> problems = new LinkedHashMap<>();

    SheetCheck(SheetForm sheet) {
        this.sheet = sheet;
    }

    Map<String, String> problems() {
        words(sheet.words());
        place(sheet.place());
        seats(sheet.seats());
        signUp(sheet.signup());
        taking(sheet.taking());
        questions();
        return problems;
    }

    /** Keeps the first problem of each field. */
    private void check(String field, boolean fine, String problem) {
        if (!fine) {
            problems.putIfAbsent(field, problem);
        }
    }

    private void words(WordsForm w) {
        check("words.title", !w.title().isEmpty() && w.title().length() <= 120, "A title of 1 to 120 characters.");
        atMost("words.summary", w.summary(), 300);
        atMost("words.description", w.description(), 20_000);
        atMost("words.bring", w.bring(), 300);
        atMost("words.audience", w.audience(), 300);
        atMost("words.price", w.price(), 120);
        check("words.language", SheetForm.LANGUAGES.contains(w.language()), "Choose a language.");
        check("words.tint", Arrays.stream(Tint.values()).anyMatch(t -> t.code().equals(w.tint())), "Choose a colour.");
        boolean labelsFit = w.labelList().size() <= SheetForm.MOST_LABELS
                && w.labelList().stream().allMatch(label -> label.length() <= 40);
        check("words.labels", labelsFit, "At most 12 labels of at most 40 characters, parted by commas.");
        check(
                "words.contact",
                w.contact().isEmpty() || Contact.email(w.contact()).isPresent(),
                "This is not an e-mail address.");
    }

    private void atMost(String field, String text, int characters) {
        check(field, text.length() <= characters, "At most %,d characters.".formatted(characters));
    }

    private void place(PlaceForm p) {
        check("place.format", isOneOf(Format.values(), p.format()), "In person or online.");
        check("place.venue", p.venue().isEmpty() || Text.isNumber(p.venue(), 1, Integer.MAX_VALUE), "Choose a venue.");
        boolean hostsFit = p.hosts().size() <= SheetForm.MOST_HOSTS
                && p.hosts().stream().allMatch(h -> Text.isNumber(h, 1, Integer.MAX_VALUE));
        check("place.hosts", hostsFit, "Choose at most 10 hosts.");
        atMost("place.host", p.host(), 120);
    }

    private void seats(SeatsForm s) {
        number("seats.minutes", s.minutes(), 5, 44_640, "Minutes, from 5 to 44,640 (31 days).");
        number("seats.seats", s.seats(), 0, 100_000, "A number from 0 to 100,000.");
        number("seats.largestParty", s.largestParty(), 1, 20, "A number from 1 to 20.");
        number("seats.keptBack", s.keptBack(), 0, 100_000, "A number from 0 to 100,000.");
        boolean fewerKept = !isWhole(s.keptBack())
                || !isWhole(s.seats())
                || Integer.parseInt(s.keptBack()) <= Integer.parseInt(s.seats());
        check("seats.keptBack", fewerKept, "No more can be kept back than there are seats.");
        number("seats.minimum", s.minimum(), 0, 100_000, "A number from 0 to 100,000.");
        number("seats.decideDays", s.decideDays(), 0, 365, "Days, from 0 to 365.");
        number("seats.bufferBefore", s.bufferBefore(), 0, 1440, "Minutes, from 0 to 1,440.");
        number("seats.bufferAfter", s.bufferAfter(), 0, 1440, "Minutes, from 0 to 1,440.");
        number("seats.doorMinutes", s.doorMinutes(), 0, 1440, "Minutes, from 0 to 1,440.");
        number("seats.overrunMinutes", s.overrunMinutes(), 0, 1440, "Minutes, from 0 to 1,440.");
    }

    private static boolean isWhole(String text) {
        return Text.isNumber(text, 0, 100_000);
    }

    private void signUp(SignUpForm s) {
        boolean style = isOneOf(SignUpStyle.values(), s.style()) && !s.style().equals(SignUpStyle.OWN_TIME.name());
        check("signup.style", style, "Choose how people register.");
        check("signup.visibility", isOneOf(Visibility.values(), s.visibility()), "Choose who finds it.");
        number("signup.cutoffHours", s.cutoffHours(), 0, 2000, "Hours, from 0 to 2,000.");
        number("signup.opensDays", s.opensDays(), 0, 730, "Days, from 0 to 730.");
    }

    private void number(String field, String text, int least, int most, String problem) {
        check(field, Text.isNumber(text, least, most), problem);
    }

    private static boolean isOneOf(Enum<?>[] values, String name) {
        return Arrays.stream(values).anyMatch(value -> value.name().equals(name));
    }

    private void taking(TakingForm t) {
        check("inviting.tell", isOneOf(Tell.values(), sheet.inviting().tell()), "Choose when you are told.");
        check("paying.amount", sheet.paying().price().isPresent(), "An amount from 0 to 100,000, such as 12.50.");
        check("taking.freed", isOneOf(FreedSeats.values(), t.freed()), "Choose what becomes of freed seats.");
        boolean limit = t.waitlistLimit().isEmpty() || Text.isNumber(t.waitlistLimit(), 0, 100_000);
        check("taking.waitlistLimit", limit, "Parties, from 0 to 100,000; empty for no limit.");
        check("taking.phone", isOneOf(PhoneRule.values(), t.phone()), "Choose whether a phone number is asked for.");
        number("taking.changesHours", t.changesHours(), 0, 2000, "Hours, from 0 to 2,000.");
        atMost("taking.afterText", t.afterText(), 600);
        check("taking.afterAddress", isSafeAddress(t.afterAddress()), "An address that begins with https://.");
    }

    private static boolean isSafeAddress(String text) {
        return text.isEmpty()
                || text.length() <= 500 && text.matches("https://[A-Za-z0-9.-]+\\.[A-Za-z]{2,}(:\\d{1,5})?(/[!-~]*)?");
    }

    private void questions() {
        check("question", sheet.questionsAsked().size() <= AskedQuestion.MOST, "At most 40 questions.");
        QuestionCheck inOrder = new QuestionCheck();
        List<QuestionForm> all = sheet.question();
        for (int i = 0; i < all.size(); i++) {
            String field = "question[" + i + "]";
            if (!all.get(i).label().isEmpty()) {
                inOrder.problem(all.get(i)).ifPresent(problem -> problems.putIfAbsent(field, problem));
            }
        }
    }
}
