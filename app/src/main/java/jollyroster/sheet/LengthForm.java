package jollyroster.sheet;

import java.util.Map;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;

/** How long a new date is. */
record LengthForm(String minutes) implements PartForm {

    private static final int LONGEST = 44_640;

    LengthForm {
        minutes = Typed.number(minutes, "120");
    }

    static LengthForm of(Offering o) {
        return new LengthForm(String.valueOf(o.minutes()));
    }

    @Override
    public Map<String, String> problems() {
        return new Checks()
                .number("minutes", "Duration in minutes", minutes, 5, LONGEST)
                .problems();
    }

    @Override
    public Section section() {
        return new Section.Length(Integer.parseInt(minutes));
    }
}
