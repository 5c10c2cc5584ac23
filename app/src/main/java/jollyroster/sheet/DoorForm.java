package jollyroster.sheet;

import java.util.Map;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;

/** When the door opens before the start and closes after the end, in minutes. */
record DoorForm(String early, String overrun) implements PartForm {

    private static final int DAY = 1440;

    DoorForm {
        early = Typed.number(early, "15");
        overrun = Typed.number(overrun, "15");
    }

    static DoorForm of(Offering o) {
        return new DoorForm(String.valueOf(o.doorMinutes()), String.valueOf(o.overrunMinutes()));
    }

    @Override
    public Map<String, String> problems() {
        return new Checks()
                .number("early", "Minutes the door opens early", early, 0, DAY)
                .number("overrun", "Minutes it stays open", overrun, 0, DAY)
                .problems();
    }

    @Override
    public Section section() {
        return new Section.Door(Integer.parseInt(early), Integer.parseInt(overrun));
    }
}
