package jollyroster.desk;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import jollyroster.answers.GivenQueries;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** Says in a line who comes to a time that was picked: {@code Wren Skerry, 20 min, first time here, says “By night”}. */
@Component
class WhoPicked {

    private static final int NAMED = 3;
    private static final int LONGEST_SAYING = 80;
    private final RegistrationQueries roster;
    private final GivenQueries answers;

    WhoPicked(RegistrationQueries roster, GivenQueries answers) {
        this.roster = roster;
        this.answers = answers;
    }

    /** Empty for a session that nobody picked the time of. @param answered whether answers may be seen */
    String of(Session s, boolean answered) {
        if (s.offering().style() != SignUpStyle.OWN_TIME) {
            return "";
        }
        List<Registration> coming = roster.roster(s.id()).stream()
                .filter(r -> r.state() == RegistrationState.REGISTERED)
                .toList();
        if (coming.isEmpty()) {
            return "";
        }
        String names = coming.stream().limit(NAMED).map(Registration::name).collect(Collectors.joining(", "))
                + (coming.size() > NAMED ? " and " + (coming.size() - NAMED) + " more" : "");
        String line = names + ", " + Times.length(s.length());
        return coming.size() > 1 ? line : line + alone(coming.get(0), s, answered);
    }

    private String alone(Registration r, Session s, boolean answered) {
        Map<Long, Integer> before = roster.registrationsBefore(List.of(r.person()), s.id());
        String known = before.getOrDefault(r.person(), 0) == 0 ? ", first time here" : "";
        String said = answered
                ? answers.answersOf(r.id()).values().stream()
                        .filter(value -> !value.isBlank())
                        .findFirst()
                        .map(value -> ", says “" + shortened(value) + "”")
                        .orElse("")
                : "";
        return known + said;
    }

    private static String shortened(String value) {
        String line = value.replace('\n', ' ').strip();
        return line.length() <= LONGEST_SAYING
                ? line
                : line.substring(
                                0,
                                line.offsetByCodePoints(
                                        0, Math.min(LONGEST_SAYING, line.codePointCount(0, line.length()) - 1)))
                        + "…";
    }
}
