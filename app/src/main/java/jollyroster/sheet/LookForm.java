package jollyroster.sheet;

import java.util.Arrays;
import java.util.Map;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;
import jollyroster.programme.Tint;

/** The colour of its page. */
record LookForm(String tint) implements PartForm {

    LookForm {
        tint = Typed.orEmpty(tint);
    }

    static LookForm of(Offering o) {
        return new LookForm(o.front().tint().code());
    }

    @Override
    public Map<String, String> problems() {
        boolean known = Arrays.stream(Tint.values()).anyMatch(t -> t.code().equals(tint));
        return new Checks()
                .that(known, "tint", "Colour: choose one of those offered.")
                .problems();
    }

    @Override
    public Section section() {
        return new Section.Look(Tint.of(tint));
    }
}
