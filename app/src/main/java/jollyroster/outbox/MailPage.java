package jollyroster.outbox;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import java.util.Locale;
import java.util.Map;
import jollyroster.platform.Address;
import jollyroster.platform.Organisation;
import jollyroster.platform.OrganisationQueries;
import org.springframework.stereotype.Component;

/** The HTML part of a letter as a whole, in the colour of the organisation and with its logo. */
@Component
class MailPage {

    private final Template page = Mustache.compiler().emptyStringIsFalse(true).compile(Templates.read("page.html"));
    private final OrganisationQueries organisation;
    private final Address address;

    MailPage(OrganisationQueries organisation, Address address) {
        this.organisation = organisation;
        this.address = address;
    }

    /** @param preheader what mail programs show beside the subject; empty for nothing @param language of the words */
    String of(String title, String preheader, String html, Locale language) {
        Organisation ours = organisation.organisation();
        return page.execute(Map.of(
                "language",
                language.toLanguageTag(),
                "title",
                title,
                "preheader",
                preheader,
                "body",
                html,
                "organisation",
                ours.name(),
                "colour",
                ours.colour(),
                "logo",
                ours.logo().isEmpty() ? "" : address.of("/pictures/" + ours.logo())));
    }

    /** The words of a letter, filled in. */
    String of(Wordings.Words words, String subject, Map<String, Object> values, Locale language) {
        return of(subject, words.preheader(values), words.body().html(values), language);
    }

    /** Who writes. */
    String sender() {
        return organisation.organisation().name();
    }
}
