package jollyroster.signup;

import java.util.List;
import java.util.Optional;
import jollyroster.core.intake.Contact;
import jollyroster.outbox.PlanQueries;
import jollyroster.platform.OrganisationQueries;
import jollyroster.seating.AmendCommands;
import jollyroster.seating.Registration;
import jollyroster.texting.AgreementQueries;
import jollyroster.texting.AgreementQueries.Agreement;
import jollyroster.texting.AgreementQueries.Silent;
import org.springframework.stereotype.Component;

/** The texts somebody gets about a registration, on their own page. */
@Component
class OwnTexts {

    private final PlanQueries plans;
    private final AgreementQueries agreements;
    private final AmendCommands amend;
    private final OrganisationQueries organisation;

    OwnTexts(PlanQueries plans, AgreementQueries agreements, AmendCommands amend, OrganisationQueries organisation) {
        this.plans = plans;
        this.agreements = agreements;
        this.amend = amend;
        this.organisation = organisation;
    }

    /** @param offered whether there are texts to be had @param silent why none goes to the number; empty where they go */
    public record Texting(boolean offered, boolean wanted, String number, String silent) {}

    Texting of(OwnPage.Found found) {
        Registration r = found.registration();
        Optional<Agreement> agreed = agreements.of(r.id());
        String number = agreed.map(Agreement::number).orElse(r.phone());
        Optional<Silent> silent =
                Optional.ofNullable(agreements.silent(List.of(number)).get(number));
        boolean offered =
                agreed.isPresent() || plans.texts(found.session().offering().id());
        return new Texting(
                offered,
                agreed.isPresent() && silent.isEmpty(),
                number,
                silent.map(Silent::why).orElse(""));
    }

    /** Has texts go to a number, or none. */
    OwnWords.Said change(OwnPage.Found found, boolean wanted, String typed) {
        Texting now = of(found);
        Registration r = found.registration();
        if (!now.offered()) {
            return OwnWords.Said.WISHES_KEPT;
        }
        Optional<String> number =
                Contact.phone(typed, organisation.organisation().region());
        if (wanted && number.isEmpty()) {
            return OwnWords.Said.NO_NUMBER;
        }
        boolean same = wanted == now.wanted() && (!wanted || number.get().equals(now.number()));
        if (!same) {
            amend.setTexts(r.id(), wanted ? number.get() : "", r.self());
        }
        return OwnWords.Said.WISHES_KEPT;
    }
}
