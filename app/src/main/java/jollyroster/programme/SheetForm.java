package jollyroster.programme;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.core.prices.Price;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.SignUpStyle;
import org.jspecify.annotations.Nullable;

/**
 * The offering's sheet as it was typed, section by section. Everything is text until {@link #problems()} is empty.
 *
 * @param question one entry for each question on the sheet, also the blank one at its end
 */
public record SheetForm(
        int version,
        Words words,
        Place place,
        Seats seats,
        SignUp signup,
        Taking taking,
        Inviting inviting,
        Paying paying,
        List<QuestionForm> question) {

    public static final int MOST_QUESTIONS = 40;
    static final int MOST_HOSTS = 10;
    static final int MOST_LABELS = 12;

    /** The languages an offering can be held in, by ISO 639-1 code. */
    public static final List<String> LANGUAGES =
            List.of("en", "fr", "de", "es", "pt", "it", "nl", "nb", "sv", "da", "fi", "pl", "uk", "ja", "zh", "ar");

    public SheetForm {
        words = words == null ? Words.of("", "", "", "") : words;
        place = place == null ? Place.of("", "") : place;
        seats = seats == null ? Seats.of("", "", false, "") : seats;
        signup = signup == null ? SignUp.open() : signup;
        taking = taking == null ? Taking.openly() : taking;
        inviting = inviting == null ? Inviting.nobody() : inviting;
        paying = paying == null ? Paying.nothing() : paying;
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
                Words.of(title, "", "", ""),
                Place.of("IN_PERSON", ""),
                Seats.of("120", "0", true, "1"),
                SignUp.open(),
                Taking.openly(),
                Inviting.nobody(),
                Paying.nothing(),
                List.of());
    }

    public SheetForm with(Words changed) {
        return new SheetForm(version, changed, place, seats, signup, taking, inviting, paying, question);
    }

    public SheetForm with(Place changed) {
        return new SheetForm(version, words, changed, seats, signup, taking, inviting, paying, question);
    }

    public SheetForm with(Seats changed) {
        return new SheetForm(version, words, place, changed, signup, taking, inviting, paying, question);
    }

    public SheetForm with(SignUp changed) {
        return new SheetForm(version, words, place, seats, changed, taking, inviting, paying, question);
    }

    public SheetForm with(Taking changed) {
        return new SheetForm(version, words, place, seats, signup, changed, inviting, paying, question);
    }

    public SheetForm with(Inviting changed) {
        return new SheetForm(version, words, place, seats, signup, taking, changed, paying, question);
    }

    public SheetForm with(Paying changed) {
        return new SheetForm(version, words, place, seats, signup, taking, inviting, changed, question);
    }

    public SheetForm asking(List<QuestionForm> asked) {
        return new SheetForm(version, words, place, seats, signup, taking, inviting, paying, asked);
    }

    /** What is said. @param labels parted by commas */
    public record Words(
            String title,
            String summary,
            String description,
            String bring,
            String audience,
            String language,
            String tint,
            String labels,
            String price,
            String contact) {
        public Words {
            title = line(title);
            summary = line(summary);
            description = Text.manyLines(orEmpty(description));
            bring = line(bring);
            audience = line(audience);
            language = orEmpty(language).isEmpty() ? "en" : language;
            tint = orEmpty(tint).isEmpty() ? Tint.DEPTH.code() : tint;
            labels = line(labels);
            price = line(price);
            contact = orEmpty(contact).strip();
        }

        public static Words of(String title, String summary, String description, String bring) {
            return new Words(title, summary, description, bring, "", "", "", "", "", "");
        }

        public Words saying(String forWhom, String costs, String called) {
            return new Words(title, summary, description, bring, forWhom, language, tint, called, costs, contact);
        }

        public Words tinted(String code) {
            return new Words(title, summary, description, bring, audience, language, code, labels, price, contact);
        }

        List<String> labelList() {
            return List.of(labels.split(",")).stream()
                    .map(String::strip)
                    .filter(label -> !label.isEmpty())
                    .distinct()
                    .toList();
        }
    }

    /** Where, and with whom. @param hosts the numbers of team members @param host who else leads it */
    public record Place(String format, String venue, List<String> hosts, String host) {
        public Place {
            format = orEmpty(format);
            venue = orEmpty(venue);
            hosts = hosts == null
                    ? List.of()
                    : hosts.stream().filter(h -> !h.isEmpty()).distinct().toList();
            host = line(host);
        }

        public static Place of(String format, String venue, String... hosts) {
            return new Place(format, venue, List.of(hosts), "");
        }

        List<Long> hostIds() {
            return hosts.stream().map(Long::valueOf).toList();
        }
    }

    /** What each date has. All are numbers; minutes unless they count people. */
    public record Seats(
            String minutes,
            String seats,
            String keptBack,
            @Nullable Boolean waitlist,
            String largestParty,
            String minimum,
            String decideDays,
            String bufferBefore,
            String bufferAfter,
            String doorMinutes,
            String overrunMinutes) {
        public Seats {
            minutes = number(minutes, "120");
            seats = number(seats, "0");
            keptBack = number(keptBack, "0");
            waitlist = Boolean.TRUE.equals(waitlist);
            largestParty = number(largestParty, "1");
            minimum = number(minimum, "0");
            decideDays = number(decideDays, "3");
            bufferBefore = number(bufferBefore, "0");
            bufferAfter = number(bufferAfter, "0");
            doorMinutes = number(doorMinutes, "15");
            overrunMinutes = number(overrunMinutes, "15");
        }

        public static Seats of(String minutes, String seats, boolean waitlist, String largestParty) {
            return new Seats(minutes, seats, "", waitlist, largestParty, "", "", "", "", "", "");
        }

        public Seats needing(String least, String days) {
            return new Seats(
                    minutes,
                    seats,
                    keptBack,
                    waitlist,
                    largestParty,
                    least,
                    days,
                    bufferBefore,
                    bufferAfter,
                    doorMinutes,
                    overrunMinutes);
        }

        public Seats buffered(String before, String after) {
            return new Seats(
                    minutes,
                    seats,
                    keptBack,
                    waitlist,
                    largestParty,
                    minimum,
                    decideDays,
                    before,
                    after,
                    doorMinutes,
                    overrunMinutes);
        }
    }

    /** How people come to be on it. */
    public record SignUp(String style, String visibility, String cutoffHours, String opensDays) {
        public SignUp {
            style = orEmpty(style).isEmpty() ? SignUpStyle.ANY_DATE.name() : style;
            visibility = orEmpty(visibility).isEmpty() ? Visibility.LISTED.name() : visibility;
            cutoffHours = number(cutoffHours, "0");
            opensDays = number(opensDays, "0");
        }

        /** Any date, listed, open at once and until the start. */
        public static SignUp open() {
            return new SignUp("", "", "", "");
        }

        public static SignUp by(SignUpStyle style) {
            return new SignUp(style.name(), "", "", "");
        }
    }

    /**
     * How registrations are taken.
     *
     * @param freed see {@link jollyroster.core.seats.FreedSeats}
     * @param waitlistLimit the most parties that may wait; empty for no limit
     */
    public record Taking(
            String freed,
            String waitlistLimit,
            String phone,
            @Nullable Boolean fullName,
            @Nullable Boolean confirmEmail,
            String changesHours,
            String afterText,
            String afterAddress) {
        public Taking {
            freed = orEmpty(freed).isEmpty() ? FreedSeats.CALL_UP.name() : freed;
            waitlistLimit = orEmpty(waitlistLimit).strip();
            phone = orEmpty(phone).isEmpty() ? PhoneRule.OPTIONAL.name() : phone;
            fullName = Boolean.TRUE.equals(fullName);
            confirmEmail = Boolean.TRUE.equals(confirmEmail);
            changesHours = number(changesHours, "0");
            afterText = line(afterText);
            afterAddress = orEmpty(afterAddress).strip();
        }

        /** Freed seats are offered, anybody may wait, and nothing more is asked than a name and an address. */
        public static Taking openly() {
            return new Taking("", "", "", false, false, "", "", "");
        }

        public Taking freeing(FreedSeats way) {
            return new Taking(
                    way.name(), waitlistLimit, phone, fullName, confirmEmail, changesHours, afterText, afterAddress);
        }
    }

    /** Whether people answer an invitation, what they see of each other, and when the organiser hears of it. */
    public record Inviting(@Nullable Boolean rsvp, @Nullable Boolean companyShown, String tell) {
        public Inviting {
            rsvp = Boolean.TRUE.equals(rsvp);
            companyShown = Boolean.TRUE.equals(companyShown);
            tell = orEmpty(tell).isEmpty() ? Tell.NEVER.name() : tell;
        }

        /** People register rather than answer. */
        public static Inviting nobody() {
            return new Inviting(false, false, "");
        }
    }

    /** What a seat costs, paid on registering. @param amount as typed; empty for nothing */
    public record Paying(String amount, String currency) {
        public Paying {
            amount = orEmpty(amount).strip();
            currency = orEmpty(currency).isEmpty() ? "CAD" : currency;
        }

        public static Paying nothing() {
            return new Paying("", "");
        }

        Optional<Price> price() {
            return Price.typed(amount, currency);
        }
    }

    List<QuestionForm> questionsAsked() {
        return question.stream().filter(q -> !q.label().isEmpty()).toList();
    }

    /** What is wrong, by field; empty when the sheet can be kept. A draft may be incomplete, but not nonsense. */
    public Map<String, String> problems() {
        return new SheetCheck(this).problems();
    }

    public static boolean isNumber(String text, int least, int most) {
        return text.matches("\\d{1,9}") && Integer.parseInt(text) >= least && Integer.parseInt(text) <= most;
    }

    static boolean isContact(String text) {
        return text.isEmpty() || Contact.email(text).isPresent();
    }

    private static String number(@Nullable String text, String otherwise) {
        return orEmpty(text).isBlank() ? otherwise : text.strip();
    }

    private static String line(@Nullable String text) {
        return Text.oneLine(orEmpty(text));
    }

    private static String orEmpty(@Nullable String text) {
        return Objects.requireNonNullElse(text, "");
    }
}
