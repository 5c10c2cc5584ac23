package jollyroster.roster;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A helper's search finds by name; an address cannot be guessed with it, piece by piece. */
@AppTest
class NamesOnlyTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    RosterPageQueries pages;

    @Test
    void pieces_of_an_address_find_somebody_for_those_only_who_may_see_it() {
        Published at = saltmarrow.publish(seats(5));
        roster.register(Saltmarrow.person(at.session(), "Iolanthe Quayle", 1), Saltmarrow.VISITOR);
        for (String piece : List.of("the.quayle", "crew.example", "quayle@crew", "quayle\uFF20crew")) {
            RollQuery query = new RollQuery(piece, "", "", "", "", "");
            assertThat(found(at, query.filter())).as(piece).containsExactly("Iolanthe Quayle");
            assertThat(found(at, query.namesOnly())).as(piece).isEmpty();
        }
        assertThat(found(at, new RollQuery("QUAYLE", "", "", "", "", "").namesOnly()))
                .containsExactly("Iolanthe Quayle");
    }

    private List<String> found(Published at, RosterPageQueries.Filter filter) {
        return pages.page(at.session(), filter, 0, 10).stream()
                .map(Registration::name)
                .toList();
    }
}
