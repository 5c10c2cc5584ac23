package jollyroster.sheet;

import java.util.Map;
import jollyroster.core.dates.Offset;
import jollyroster.core.seats.Leave;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;
import jollyroster.programme.Tell;
import jollyroster.programme.Visibility;
import org.jspecify.annotations.Nullable;

/** Who may come, how people come to be on it, and until when. */
record AccessForm(
        String style,
        String visibility,
        String opens,
        String opensUnit,
        String cutOff,
        String cutOffUnit,
        String changesHours,
        @Nullable Boolean mayMove,
        String moveHours,
        @Nullable Boolean mayCancel,
        String cancelHours,
        @Nullable Boolean rsvp,
        @Nullable Boolean companyShown,
        String tell)
        implements PartForm {

    private static final int MOST_HOURS = 2000;
    private static final int MOST_DAYS = 730;
    private static final int WEEK = 7;
    private static final int DAY = 24;
    private static final Offset.Unit[] OPENS = {Offset.Unit.DAYS, Offset.Unit.WEEKS};
    private static final Offset.Unit[] CLOSES = Offset.Unit.values();

    AccessForm {
        style = Typed.orEmpty(style);
        visibility = Typed.orEmpty(visibility);
        opens = Typed.number(opens, "0");
        opensUnit = Typed.number(opensUnit, Offset.Unit.DAYS.name());
        cutOff = Typed.number(cutOff, "0");
        cutOffUnit = Typed.number(cutOffUnit, Offset.Unit.HOURS.name());
        changesHours = Typed.number(changesHours, "0");
        mayMove = Boolean.TRUE.equals(mayMove);
        moveHours = Typed.number(moveHours, "0");
        mayCancel = Boolean.TRUE.equals(mayCancel);
        cancelHours = Typed.number(cancelHours, "0");
        rsvp = Boolean.TRUE.equals(rsvp);
        companyShown = Boolean.TRUE.equals(companyShown);
        tell = Typed.orEmpty(tell);
    }

    static AccessForm of(Offering o) {
        Offset opens = Offset.ofDays(o.rules().opensDays());
        return new AccessForm(
                o.style().name(),
                o.rules().visibility().name(),
                String.valueOf(opens.amount()),
                opens.unit().name(),
                String.valueOf(o.cutOff().amount()),
                o.cutOff().unit().name(),
                String.valueOf(o.signUp().changesMinutes() / 60),
                o.signUp().moves().given(),
                String.valueOf(o.signUp().moves().minutes() / 60),
                o.signUp().cancels().given(),
                String.valueOf(o.signUp().cancels().minutes() / 60),
                o.signUp().rsvp(),
                o.signUp().companyShown(),
                o.signUp().tell().name());
    }

    private int mostToClose() {
        int hours = switch (cutOffUnit) {
            case "DAYS" -> DAY;
            case "WEEKS" -> WEEK * DAY;
            default -> 1;
        };
        return MOST_HOURS / hours;
    }

    private boolean isWeeks() {
        return opensUnit.equals(Offset.Unit.WEEKS.name());
    }

    @Override
    public Map<String, String> problems() {
        return new Checks()
                .oneOf(SignUpStyle.values(), "style", "How people register", style)
                .oneOf(Visibility.values(), "visibility", "Who finds it", visibility)
                .number("opens", "Registration opens", opens, 0, isWeeks() ? MOST_DAYS / WEEK : MOST_DAYS)
                .oneOf(OPENS, "opensUnit", "Days or weeks", opensUnit)
                .number("cutOff", "Registration closes", cutOff, 0, mostToClose())
                .oneOf(CLOSES, "cutOffUnit", "Hours, days or weeks", cutOffUnit)
                .number("changesHours", "Changes, in hours before the start", changesHours, 0, MOST_HOURS)
                .number("moveHours", "Moving, in hours before the start", moveHours, 0, MOST_HOURS)
                .number("cancelHours", "Cancelling, in hours before the start", cancelHours, 0, MOST_HOURS)
                .oneOf(Tell.values(), "tell", "When you are told", tell)
                .problems();
    }

    @Override
    public Section section() {
        return new Section.Access(
                SignUpStyle.valueOf(style),
                Visibility.valueOf(visibility),
                Integer.parseInt(opens) * (isWeeks() ? WEEK : 1),
                new Offset(Integer.parseInt(cutOff), Offset.Unit.valueOf(cutOffUnit)),
                Integer.parseInt(changesHours) * 60,
                new Leave(Boolean.TRUE.equals(mayMove), Integer.parseInt(moveHours) * 60),
                new Leave(Boolean.TRUE.equals(mayCancel), Integer.parseInt(cancelHours) * 60),
                Boolean.TRUE.equals(rsvp),
                Boolean.TRUE.equals(companyShown),
                Tell.valueOf(tell));
    }
}
