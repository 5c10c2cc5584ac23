package jollyroster.sheet;

import jollyroster.programme.Section;
import org.jspecify.annotations.Nullable;

/** What each date has. All are numbers; minutes unless they count people. */
public record SeatsForm(
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
    public SeatsForm {
        minutes = Typed.number(minutes, "120");
        seats = Typed.number(seats, "0");
        keptBack = Typed.number(keptBack, "0");
        waitlist = Boolean.TRUE.equals(waitlist);
        largestParty = Typed.number(largestParty, "1");
        minimum = Typed.number(minimum, "0");
        decideDays = Typed.number(decideDays, "3");
        bufferBefore = Typed.number(bufferBefore, "0");
        bufferAfter = Typed.number(bufferAfter, "0");
        doorMinutes = Typed.number(doorMinutes, "15");
        overrunMinutes = Typed.number(overrunMinutes, "15");
    }

    public static SeatsForm of(String minutes, String seats, boolean waitlist, String largestParty) {
        return new SeatsForm(minutes, seats, "", waitlist, largestParty, "", "", "", "", "", "");
    }

    public SeatsForm needing(String least, String days) {
        return new SeatsForm(
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

    public SeatsForm buffered(String before, String after) {
        return new SeatsForm(
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

    Section hours() {
        return new Section.Hours(
                Integer.parseInt(minutes),
                Integer.parseInt(bufferBefore),
                Integer.parseInt(bufferAfter),
                Integer.parseInt(doorMinutes),
                Integer.parseInt(overrunMinutes));
    }
}
