package jollyroster.sheet;

import java.util.OptionalInt;
import jollyroster.core.seats.FreedSeats;
import jollyroster.programme.PhoneRule;
import jollyroster.programme.Section;
import org.jspecify.annotations.Nullable;

/**
 * How registrations are taken.
 *
 * @param freed see {@link FreedSeats}
 * @param waitlistLimit the most parties that may wait; empty for no limit
 */
public record TakingForm(
        String freed,
        String waitlistLimit,
        String phone,
        @Nullable Boolean fullName,
        @Nullable Boolean confirmEmail,
        String changesHours,
        String afterText,
        String afterAddress) {
    public TakingForm {
        freed = Typed.orEmpty(freed).isEmpty() ? FreedSeats.CALL_UP.name() : freed;
        waitlistLimit = Typed.orEmpty(waitlistLimit).strip();
        phone = Typed.orEmpty(phone).isEmpty() ? PhoneRule.OPTIONAL.name() : phone;
        fullName = Boolean.TRUE.equals(fullName);
        confirmEmail = Boolean.TRUE.equals(confirmEmail);
        changesHours = Typed.number(changesHours, "0");
        afterText = Typed.line(afterText);
        afterAddress = Typed.orEmpty(afterAddress).strip();
    }

    /** Freed seats are offered, anybody may wait, and nothing more is asked than a name and an address. */
    public static TakingForm openly() {
        return new TakingForm("", "", "", false, false, "", "", "");
    }

    public TakingForm freeing(FreedSeats way) {
        return new TakingForm(
                way.name(), waitlistLimit, phone, fullName, confirmEmail, changesHours, afterText, afterAddress);
    }

    OptionalInt limit() {
        return waitlistLimit.isEmpty() ? OptionalInt.empty() : OptionalInt.of(Integer.parseInt(waitlistLimit));
    }

    Section section() {
        return new Section.Form(PhoneRule.valueOf(phone), fullName, confirmEmail, afterText, afterAddress);
    }
}
