package jollyroster.sheet;

import java.util.Map;
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
        String opensDays,
        String cutoffHours,
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

    AccessForm {
        style = Typed.orEmpty(style);
        visibility = Typed.orEmpty(visibility);
        opensDays = Typed.number(opensDays, "0");
        cutoffHours = Typed.number(cutoffHours, "0");
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
        return new AccessForm(
                o.style().name(),
                o.rules().visibility().name(),
                String.valueOf(o.rules().opensDays()),
                String.valueOf(o.cutoffMinutes() / 60),
                String.valueOf(o.signUp().changesMinutes() / 60),
                o.signUp().moves().given(),
                String.valueOf(o.signUp().moves().minutes() / 60),
                o.signUp().cancels().given(),
                String.valueOf(o.signUp().cancels().minutes() / 60),
                o.signUp().rsvp(),
                o.signUp().companyShown(),
                o.signUp().tell().name());
    }

    @Override
    public Map<String, String> problems() {
        return new Checks()
                .oneOf(SignUpStyle.values(), "style", "How people register", style)
                .oneOf(Visibility.values(), "visibility", "Who finds it", visibility)
                .number("opensDays", "Days before the start", opensDays, 0, 730)
                .number("cutoffHours", "Hours before the start", cutoffHours, 0, MOST_HOURS)
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
                Integer.parseInt(opensDays),
                Integer.parseInt(cutoffHours) * 60,
                Integer.parseInt(changesHours) * 60,
                new Leave(Boolean.TRUE.equals(mayMove), Integer.parseInt(moveHours) * 60),
                new Leave(Boolean.TRUE.equals(mayCancel), Integer.parseInt(cancelHours) * 60),
                Boolean.TRUE.equals(rsvp),
                Boolean.TRUE.equals(companyShown),
                Tell.valueOf(tell));
    }
}
