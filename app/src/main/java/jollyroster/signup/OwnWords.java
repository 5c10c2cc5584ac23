package jollyroster.signup;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import jollyroster.seating.AmendCommands.Amended;
import jollyroster.seating.ChangeSeatCommands.Moved;
import jollyroster.seating.HoldCommands.Replied;
import jollyroster.seating.SwapCommands.Swapped;

/** What came of something a person did on their own page, in words. */
final class OwnWords {

    /** What is said of things that cannot fail. */
    enum Said {
        AMENDED,
        AMENDED_TO_PAY,
        ANSWERED,
        NOT_ANSWERED,
        WISHES_KEPT,
        NO_NUMBER,
        CONTACT_KEPT,
        CONTACT_ASKED,
        TOO_OFTEN,
        NOT_CANCELLED,
        SWAP_WITHDRAWN
    }

    /** @param good whether it went as wished */
    record Word(boolean good, String words) {}

    /** The same whether there is anybody to ask: who is on a date is nobody else's business. */
    private static final String ASKED =
            "We ask whoever on that date could swap with you. Your date stays yours until somebody agrees.";

    private static final Map<String, Word> WORDS = Map.ofEntries(
            good(Moved.DONE, "Your date is changed. We have written to you."),
            bad(Moved.TIME_GONE, "That time is taken, or cannot be picked any more. You keep the one you have."),
            bad(Moved.NO_SEATS, "That date has filled up meanwhile. You keep the date you have."),
            bad(
                    Moved.TOO_LATE,
                    "Changes are no longer possible; please ask the organiser. You keep the date you have."),
            bad(Moved.NOT_OPEN, "That date is closed for registration. You keep the date you have."),
            bad(Moved.NOT_POSSIBLE, "That change is not possible. You keep the date you have."),
            good(Replied.SEATED, "The seats are yours. We have written to you."),
            good(Replied.TO_PAY, "The seats are held for you; they are yours once they are paid for."),
            good(
                    Replied.TO_CONFIRM,
                    "The seats are held for you. Follow the link we have just mailed you, and they are yours."),
            bad(Replied.TOO_LATE, "The time had run out; the seats are offered to others now."),
            bad(Replied.OUTRUN, "Somebody else was a moment faster. You keep your place in line."),
            bad(Replied.NOTHING_OFFERED, "Nothing is offered to you at the moment."),
            good(Replied.DECLINED, "Thank you for saying so. The seats go to the next in line."),
            good(Swapped.OFFERED, ASKED),
            good(Swapped.DONE, "You have swapped dates. We have written to both of you."),
            good(Swapped.NOBODY, ASKED),
            good(Swapped.DECLINED, "Declined. You keep your date."),
            bad(Swapped.TOO_OFTEN, "You have offered to swap several times today. Please wait until tomorrow."),
            bad(Swapped.NOT_POSSIBLE, "That swap is no longer possible. You keep the date you have."),
            good(Said.ANSWERED, "Your answer is noted. We have written to you."),
            bad(Said.NOT_ANSWERED, "That answer could not be taken: it is too late, or there is no room."),
            good(Said.AMENDED_TO_PAY, "Saved. The seats are held until those that came along are paid for."),
            good(Said.AMENDED, "Saved."),
            good(Said.WISHES_KEPT, "Saved."),
            bad(Said.NO_NUMBER, "No texts: that is not a phone number. The rest is saved."),
            good(Said.CONTACT_KEPT, "Saved."),
            good(
                    Said.CONTACT_ASKED,
                    "We have written to the new address. As soon as you confirm there, it is used; until then the old one is."),
            bad(Said.TOO_OFTEN, "That was a lot of changes in a short time. Please try again in an hour."),
            bad(Said.NOT_CANCELLED, "That can no longer be cancelled here; please tell the organiser."),
            good(Said.SWAP_WITHDRAWN, "Your offer to swap is taken back."));

    private OwnWords() {}

    private static Map.Entry<String, Word> good(Enum<?> came, String words) {
        return Map.entry(code(came), new Word(true, words));
    }

    private static Map.Entry<String, Word> bad(Enum<?> came, String words) {
        return Map.entry(code(came), new Word(false, words));
    }

    /** As it stands in an address: {@code moved-no-seats}. */
    static String code(Enum<?> came) {
        return (came.getDeclaringClass().getSimpleName() + "-" + came.name())
                .toLowerCase(Locale.ROOT)
                .replace('_', '-');
    }

    static Optional<Word> of(String code) {
        return Optional.ofNullable(WORDS.get(code));
    }

    /** Why a change was not made. */
    static String of(Amended came) {
        if (came instanceof Amended.NoSeats) {
            return "There are too few free seats for more people. Nothing was changed.";
        }
        if (came instanceof Amended.TooLarge tooLarge) {
            return "At most " + tooLarge.most() + " people can come on one registration. Nothing was changed.";
        }
        if (came instanceof Amended.RanOut ranOut) {
            return "“" + ranOut.option() + "” has run out, or too few are left. Nothing was changed.";
        }
        return came instanceof Amended.TooLate
                ? "Changes are no longer possible; please ask the organiser. Nothing was changed."
                : "This registration no longer stands. Nothing was changed.";
    }
}
