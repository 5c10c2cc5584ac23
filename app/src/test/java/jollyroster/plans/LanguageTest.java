package jollyroster.plans;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.core.messages.Anchor;
import jollyroster.outbox.OutboxWorker;
import jollyroster.outbox.SentMail;
import jollyroster.outbox.Wording;
import jollyroster.outbox.WordingCommands;
import jollyroster.outbox.WordingQueries;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.Section;
import jollyroster.seating.RegistrationCommands;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Words of an offering's own say times in its language; those of the house stay English. */
@AppTest
class LanguageTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    WordingCommands wordings;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    OutboxWorker post;

    @Autowired
    TrayQueries tray;

    @Test
    void an_offering_in_another_language_says_its_times_in_it() {
        Published at = saltmarrow.publish(seats(4));
        offerings.save(
                at.offering(),
                List.of(new Section.Words("Nœuds", "Six nœuds.", "À l’établi.", "", "", "fr", List.of(), "", "")),
                ORGANISER);
        SentMail.Mail english = confirmation(at, "Ola Langue");
        assertThat(english.text()).contains("Tuesday 16 March 2027, 19:00–21:00 Halifax time");
        assertThat(english.html()).contains("<html lang=\"en\">");
        wordings.save(
                new WordingQueries.Of(Anchor.REGISTERED, at.offering()),
                new Wording("C’est noté", "", "Bonjour {{first_name}}, {{starts}} : <{{{join_link}}}>"),
                ORGANISER);
        SentMail.Mail french = confirmation(at, "Bao Langue");
        assertThat(french.text()).startsWith("Bonjour Bao, mardi 16 mars 2027, 19:00–21:00 (Halifax)");
        assertThat(french.html()).contains("<html lang=\"fr\">");
    }

    private SentMail.Mail confirmation(Published at, String name) {
        roster.register(Saltmarrow.person(at.session(), name, 1), Saltmarrow.VISITOR);
        post.sendDue();
        return tray.latestTo(Saltmarrow.person(0, name, 1).email()).orElseThrow();
    }
}
