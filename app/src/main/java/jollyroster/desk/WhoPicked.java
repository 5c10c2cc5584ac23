package jollyroster.desk;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import jollyroster.answers.GivenQueries;
import jollyroster.core.seats.RegistrationState;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** Says in a line who comes to a time that was picked: {@code Wren Skerry, 20 min, first time here, says “By night”}. */
@Component
class WhoPicked {

    private static final int NAMED = 3;
    private static final int MOST_KEPT = 20;
    private static final int LONGEST_SAYING = 80;
    private final RegistrationQueries roster;
    private final GivenQueries answers;

    private final Remembered<Asked, Map<Long, String>> said;

    private record Asked(List<Session> sessions, boolean answered) {}

    WhoPicked(RegistrationQueries roster, GivenQueries answers, TableChanges changes) {
        this.roster = roster;
        this.answers = answers;
        this.said = new Remembered<>(changes, MOST_KEPT, "registration", "person", "answer", "session");
    }

    /** For each of these sessions whose time somebody picked. @param answered whether answers may be seen */
    Map<Long, String> of(List<Session> sessions, boolean answered) {
        List<Session> picked = sessions.stream()
                .filter(s -> s.offering().style() == SignUpStyle.OWN_TIME)
                .toList();
        return picked.isEmpty() ? Map.of() : said.get(new Asked(picked, answered), asked -> read(picked, answered));
    }

    private Map<Long, String> read(List<Session> sessions, boolean answered) {
        Map<Long, List<Registration>> coming = coming(sessions);
        List<Registration> alone = coming.values().stream()
                .filter(all -> all.size() == 1)
                .map(all -> all.get(0))
                .toList();
        Map<Long, Integer> times =
                roster.registrationsOf(alone.stream().map(Registration::person).toList());
        Map<Long, Map<Long, String>> said =
                answered ? answers.answers(alone.stream().map(Registration::id).toList()) : Map.of();
        return sessions.stream().filter(s -> coming.containsKey(s.id())).collect(Collectors.toMap(Session::id, s -> {
            List<Registration> those = coming.get(s.id());
            String line = names(those) + ", " + Times.length(s.length());
            return those.size() > 1 ? line : line + known(those.get(0), times) + says(those.get(0), said);
        }));
    }

    private Map<Long, List<Registration>> coming(List<Session> sessions) {
        Map<Long, List<Registration>> all =
                roster.rosters(sessions.stream().map(Session::id).toList());
        return all.values().stream()
                .flatMap(List::stream)
                .filter(r -> r.state() == RegistrationState.REGISTERED)
                .collect(Collectors.groupingBy(Registration::session));
    }

    private static String names(List<Registration> coming) {
        String names = coming.stream().limit(NAMED).map(Registration::name).collect(Collectors.joining(", "));
        return coming.size() > NAMED ? names + " and " + (coming.size() - NAMED) + " more" : names;
    }

    private static String known(Registration r, Map<Long, Integer> times) {
        return times.getOrDefault(r.person(), 1) > 1 ? "" : ", first time here";
    }

    private static String says(Registration r, Map<Long, Map<Long, String>> said) {
        return new TreeMap<>(said.getOrDefault(r.id(), Map.of()))
                .values().stream()
                        .filter(value -> !value.isBlank())
                        .findFirst()
                        .map(value -> ", says “" + shortened(value) + "”")
                        .orElse("");
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
