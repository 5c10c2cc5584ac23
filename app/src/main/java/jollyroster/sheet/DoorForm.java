package jollyroster.sheet;

import java.util.Map;
import jollyroster.core.intake.Text;
import jollyroster.programme.DoorRules;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;
import org.jspecify.annotations.Nullable;

/** When the door opens before the start and closes after the end, in minutes, who knocks, and what whoever waits reads. */
record DoorForm(
        String early,
        String overrun,
        @Nullable Boolean everyone,
        String welcome,
        String turns,
        @Nullable Boolean second)
        implements PartForm {

    private static final int DAY = 1440;
    private static final int LONGEST_WELCOME = 2000;
    private static final int LONGEST_TURN = 240;

    DoorForm {
        early = Typed.number(early, "15");
        overrun = Typed.number(overrun, "15");
        everyone = Boolean.TRUE.equals(everyone);
        second = Boolean.TRUE.equals(second);
        turns = Typed.number(turns, "0");
        welcome = Text.manyLines(Typed.orEmpty(welcome));
    }

    static DoorForm of(Offering o) {
        return new DoorForm(
                String.valueOf(o.doorMinutes()),
                String.valueOf(o.overrunMinutes()),
                o.door().everyoneKnocks(),
                o.door().welcome(),
                o.door().hasTurns() ? String.valueOf(o.door().turnMinutes()) : "",
                o.door().secondRoom());
    }

    @Override
    public Map<String, String> problems() {
        return new Checks()
                .number("early", "Minutes the door opens early", early, 0, DAY)
                .number("overrun", "Minutes it stays open", overrun, 0, DAY)
                .atMost(LONGEST_WELCOME, "welcome", "Welcome", welcome)
                .number("turns", "Minutes of a turn", turns, 0, LONGEST_TURN)
                .problems();
    }

    @Override
    public Section section() {
        return new Section.Door(new DoorRules(
                Integer.parseInt(early),
                Integer.parseInt(overrun),
                Boolean.TRUE.equals(everyone),
                welcome,
                Integer.parseInt(turns),
                Boolean.TRUE.equals(second)));
    }
}
