package jollyroster.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import jollyroster.roster.Registration;

/** The roster as a table for a spreadsheet. */
final class RosterTable {

    private RosterTable() {}

    static List<String> heading(SessionView view) {
        List<String> heading =
                new ArrayList<>(List.of("state", "name", "email", "phone", "people", "zone", "registered"));
        heading.addAll(view.questions());
        heading.addAll(List.of("minutes present", "share", "verdict"));
        return heading;
    }

    static List<List<String>> rows(SessionAssembler.Facts facts) {
        Map<Long, Registration> people =
                facts.roster().stream().collect(Collectors.toMap(Registration::id, Function.identity()));
        return RosterRows.of(facts).stream()
                .map(row -> cells(row, people.get(row.id())))
                .toList();
    }

    private static List<String> cells(SessionView.Row row, Registration r) {
        List<String> cells = new ArrayList<>(List.of(
                row.stateWord(),
                row.name(),
                row.email(),
                r.phone(),
                String.valueOf(row.party()),
                r.zone().getId(),
                r.registeredAt().toString()));
        cells.addAll(row.answers());
        cells.add(row.attendance().minutes().replace(" min", ""));
        cells.add(row.attendance().share());
        cells.add(row.attendance().word());
        return cells;
    }
}
