package jollyroster.roster;

import java.util.List;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** Who is meant by what was selected on a roster; nobody of another session. */
@Component
class ChosenPeople {

    private final RosterPageQueries pages;
    private final RegistrationQueries roster;

    ChosenPeople(RosterPageQueries pages, RegistrationQueries roster) {
        this.pages = pages;
        this.roster = roster;
    }

    List<Long> of(Session s, RollQuery query, Chosen chosen) {
        return chosen.all() ? pages.ids(s.book(), query.filter(), Chosen.MOST_AT_ONCE) : onThis(s, chosen.r());
    }

    /** Those of these registrations that are on a session, in order of registering. */
    List<Long> onThis(Session s, List<Long> ids) {
        return roster.registrations(ids).values().stream()
                .filter(r -> r.session() == s.book())
                .map(Registration::id)
                .sorted()
                .toList();
    }
}
