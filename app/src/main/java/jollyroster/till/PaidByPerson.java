package jollyroster.till;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import jollyroster.core.prices.Price;
import jollyroster.people.PersonalMoney;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.stereotype.Component;

/** The money of one person, over all their registrations. */
@Component
class PaidByPerson implements PersonalMoney {

    private final PaymentQueries payments;
    private final RegistrationQueries roster;
    private final ProgrammeQueries programme;

    PaidByPerson(PaymentQueries payments, RegistrationQueries roster, ProgrammeQueries programme) {
        this.payments = payments;
        this.roster = roster;
        this.programme = programme;
    }

    @Override
    public Map<Long, String> inWords(Collection<Long> registrations) {
        Map<Long, Registration> known = roster.registrations(registrations);
        Map<Long, Price> open = new HashMap<>();
        for (Session s : programme.sessions(
                known.values().stream().map(Registration::session).distinct().toList())) {
            Price each = s.offering().signUp().price();
            if (s.offering().signUp().isPaid()) {
                known.values().stream()
                        .filter(r -> r.session() == s.id() && !r.due(each).isFree())
                        .forEach(r -> open.put(r.id(), r.due(each)));
            }
        }
        Map<Long, String> words = new HashMap<>();
        payments.of(registrations, open).forEach((id, money) -> words.put(id, money.inWords()));
        return words;
    }
}
