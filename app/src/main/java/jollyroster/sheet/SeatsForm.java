package jollyroster.sheet;

import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import jollyroster.core.intake.Text;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.SeatsShown;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;
import org.jspecify.annotations.Nullable;

/** The seats of a date. @param waitlistLimit the most parties that may wait; empty for no limit */
record SeatsForm(
        String seats,
        String keptBack,
        String largestParty,
        @Nullable Boolean waitlist,
        String waitlistLimit,
        String freed,
        String minimum,
        String decideDays,
        String shown,
        String few)
        implements PartForm {

    private static final int MOST = 100_000;

    SeatsForm {
        seats = Typed.number(seats, "0");
        keptBack = Typed.number(keptBack, "0");
        largestParty = Typed.number(largestParty, "1");
        waitlist = Boolean.TRUE.equals(waitlist);
        waitlistLimit = Typed.orEmpty(waitlistLimit).strip();
        freed = Typed.orEmpty(freed);
        minimum = Typed.number(minimum, "0");
        decideDays = Typed.number(decideDays, "3");
        shown = Objects.requireNonNullElse(shown, SeatsShown.When.ALWAYS.name());
        few = Typed.number(few, "5");
    }

    static SeatsForm of(Offering o) {
        OptionalInt limit = o.signUp().waitlistLimit();
        return new SeatsForm(
                String.valueOf(o.seats()),
                String.valueOf(o.rules().keptBack()),
                String.valueOf(o.largestParty()),
                o.waitlistAllowed(),
                limit.isPresent() ? String.valueOf(limit.getAsInt()) : "",
                o.signUp().freedSeats().name(),
                String.valueOf(o.rules().minimum()),
                String.valueOf(o.rules().decideDays()),
                o.front().seatsShown().when().name(),
                String.valueOf(o.front().seatsShown().few()));
    }

    @Override
    public Map<String, String> problems() {
        boolean limited = waitlistLimit.isEmpty() || Text.isNumber(waitlistLimit, 0, MOST);
        return new Checks()
                .number("seats", "Seats", seats, 0, MOST)
                .number("keptBack", "Kept back", keptBack, 0, MOST)
                .that(noMoreKeptThanThere(), "keptBack", "Kept back: no more than there are seats.")
                .number("largestParty", "People on one registration", largestParty, 1, 20)
                .that(
                        limited,
                        "waitlistLimit",
                        "Waitlist: a number of parties from 0 to 100,000, or empty for no limit.")
                .oneOf(FreedSeats.values(), "freed", "A freed seat", freed)
                .number("minimum", "To run it needs", minimum, 0, MOST)
                .number("decideDays", "Decided, in days before", decideDays, 0, 365)
                .oneOf(SeatsShown.When.values(), "shown", "Seats left", shown)
                .number("few", "Few", few, 1, MOST)
                .problems();
    }

    private boolean noMoreKeptThanThere() {
        boolean numbers = Text.isNumber(keptBack, 0, MOST) && Text.isNumber(seats, 0, MOST);
        return !numbers || Integer.parseInt(keptBack) <= Integer.parseInt(seats);
    }

    @Override
    public Section section() {
        return new Section.Seats(
                Integer.parseInt(seats),
                Integer.parseInt(keptBack),
                Boolean.TRUE.equals(waitlist),
                waitlistLimit.isEmpty() ? OptionalInt.empty() : OptionalInt.of(Integer.parseInt(waitlistLimit)),
                FreedSeats.valueOf(freed),
                Integer.parseInt(largestParty),
                Integer.parseInt(minimum),
                Integer.parseInt(decideDays),
                new SeatsShown(SeatsShown.When.valueOf(shown), Integer.parseInt(few)));
    }
}
