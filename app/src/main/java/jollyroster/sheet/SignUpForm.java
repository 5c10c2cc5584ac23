package jollyroster.sheet;

import jollyroster.core.seats.SignUpStyle;
import jollyroster.programme.Visibility;

/** How people come to be on it. */
public record SignUpForm(String style, String visibility, String cutoffHours, String opensDays) {
    public SignUpForm {
        style = Typed.orEmpty(style).isEmpty() ? SignUpStyle.ANY_DATE.name() : style;
        visibility = Typed.orEmpty(visibility).isEmpty() ? Visibility.LISTED.name() : visibility;
        cutoffHours = Typed.number(cutoffHours, "0");
        opensDays = Typed.number(opensDays, "0");
    }

    /** Any date, listed, open at once and until the start. */
    public static SignUpForm open() {
        return new SignUpForm("", "", "", "");
    }

    public static SignUpForm by(SignUpStyle style) {
        return new SignUpForm(style.name(), "", "", "");
    }
}
