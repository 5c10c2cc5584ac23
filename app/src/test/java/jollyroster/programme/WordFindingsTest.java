package jollyroster.programme;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.core.readiness.Finding;
import jollyroster.outbox.NamedTextCommands;
import jollyroster.outbox.NamedTextQueries;
import jollyroster.outbox.Wording;
import jollyroster.outbox.WordingCommands;
import jollyroster.outbox.WordingQueries;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What is odd about the words of messages is said on the sheet. */
@AppTest
class WordFindingsTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    ReadinessCheck check;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    WordingCommands wordings;

    @Autowired
    NamedTextCommands texts;

    @Test
    void words_that_name_what_is_no_more_and_hosts_without_a_text_are_found() {
        Published at = saltmarrow.publish(seats(4));
        long venue = programme
                .offering(at.offering())
                .orElseThrow()
                .venue()
                .orElseThrow()
                .id();
        offerings.save(at.offering(), List.of(Section.Place.at(Format.IN_PERSON, venue, List.of(1L))), ORGANISER);
        texts.set(NamedTextQueries.HOUSE, "found", "By the slip.", ORGANISER);
        wordings.save(
                new WordingQueries.Of(Anchor.ATTENDED, at.offering()),
                new Wording("Thanks", "", "See you. {{host.found}} {{text.lost}} {{answer.gone}}"),
                ORGANISER);
        assertThat(words(at))
                .extracting(f -> f.kind() + " " + f.detail())
                .containsExactly(
                        "NAME_GONE answer.gone",
                        "NAME_GONE text.lost",
                        "HOST_WITHOUT_TEXT Demo Organiser has no text “found”");
        texts.set(1, "found", "At my boat.", ORGANISER);
        assertThat(words(at)).extracting(Finding::kind).doesNotContain(Finding.Kind.HOST_WITHOUT_TEXT);
        assertThat(words(saltmarrow.publish(seats(4)))).isEmpty();
        wordings.takeBack(new WordingQueries.Of(Anchor.ATTENDED, at.offering()), ORGANISER);
        assertThat(words(at)).isEmpty();
    }

    private List<Finding> words(Published at) {
        return check
                .of(
                        programme.offering(at.offering()).orElseThrow(),
                        programme.sessionsOf(at.offering()),
                        TestClock.START)
                .stream()
                .filter(f -> f.kind() == Finding.Kind.NAME_GONE || f.kind() == Finding.Kind.HOST_WITHOUT_TEXT)
                .toList();
    }
}
