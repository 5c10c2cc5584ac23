package jollyroster.people;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.core.intake.Text;
import jollyroster.people.PersonQueries.Named;
import jollyroster.people.PersonQueries.Person;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Finding by parts of names gives what comparing everybody gives, before the index knows somebody and after. */
@AppTest
class PersonPartTest {

    private static final List<String> NAMES = List.of(
            "Iolanthe Quayle",
            "Émile Ångholm",
            "Odd \"Ollie\" Strandvik",
            "Lin Wei 林",
            "NEAR AND NOT Bartholomew",
            "Fin*ley O'Mara",
            "Anna Strand",
            "🦀🦀🦀 Krabbe");

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    PersonQueries people;

    @Autowired
    PersonPartQueries parts;

    @Autowired
    PersonPartWorker worker;

    @Autowired
    CorrectionCommands corrections;

    @Autowired
    MergeCommands merging;

    @Test
    void parts_find_what_comparing_everybody_finds() {
        long session = saltmarrow.publish(seats(20)).session();
        NAMES.forEach(name -> roster.register(Saltmarrow.person(session, name, 1), Saltmarrow.VISITOR));
        assertThat(parts.isBehind()).isTrue();
        findsWhatComparingFinds("before the index knows them");
        worker.takeInAll();
        assertThat(parts.isBehind()).isFalse();
        findsWhatComparingFinds("from the index");
        roster.register(Saltmarrow.person(session, "Strandrika Newcomer", 1), Saltmarrow.VISITOR);
        findsWhatComparingFinds("some in the index, one not");
        for (String odd : List.of("\0\0\0", "abc\0", "\"\"\"", "a OR b", "{x} : y*")) {
            assertThat(people.people(odd, 0, 5)).as(odd).isEmpty();
        }
    }

    private void findsWhatComparingFinds(String when) {
        Random random = new Random(17);
        for (String name : NAMES) {
            for (int tried = 0; tried < 20; tried++) {
                String part = somePart(name, random);
                assertThat(people.people(part, 0, 200).stream().map(Person::id))
                        .as("%s: '%s'", when, part)
                        .isSubsetOf(everybodyWith(part))
                        .hasSize(Math.min(200, everybodyWith(part).size()));
            }
        }
    }

    private static String somePart(String name, Random random) {
        int[] letters = name.codePoints().toArray();
        int from = random.nextInt(letters.length);
        int length = 1 + random.nextInt(letters.length - from);
        return Text.folded(new String(letters, from, length));
    }

    private List<Long> everybodyWith(String part) {
        return people.named().stream()
                .map(Named::id)
                .filter(id -> {
                    Person p = people.person(id).orElseThrow();
                    return PersonCommands.folded(p.name(), p.email()).contains(part);
                })
                .toList();
    }

    @Test
    void who_is_renamed_or_made_one_with_another_is_found_by_what_is_true_now() {
        long session = saltmarrow.publish(seats(20)).session();
        roster.register(Saltmarrow.person(session, "Perpetua Gannet", 1), Saltmarrow.VISITOR);
        roster.register(
                Saltmarrow.person(saltmarrow.publish(seats(2)).session(), "Perpetual Gannett", 1), Saltmarrow.VISITOR);
        worker.takeInAll();
        long wrong = people.people("perpetua g", 0, 5).get(0).id();
        long right = people.people("perpetual g", 0, 5).get(0).id();
        corrections.correct(wrong, "Philippa Gannet", "perpetua.gannet@crew.example", Saltmarrow.ORGANISER);
        assertThat(people.people("perpetua g", 0, 5)).isEmpty();
        assertThat(people.people("philippa", 0, 5)).hasSize(1);
        assertThat(merging.merge(wrong, right, Saltmarrow.ORGANISER)).isEqualTo(MergeCommands.Merged.DONE);
        assertThat(people.people("philippa", 0, 5)).isEmpty();
        assertThat(people.people("perpetual", 0, 5)).hasSize(1);
    }
}
