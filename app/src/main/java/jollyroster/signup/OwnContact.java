package jollyroster.signup;

import java.util.Optional;
import jollyroster.core.intake.Contact;
import jollyroster.people.CorrectionCommands;
import jollyroster.seating.Registration;
import org.springframework.stereotype.Component;

/** How a person puts their own name and address right. */
@Component
class OwnContact {

    private final CorrectionCommands corrections;
    private final PublicLimits limits;

    OwnContact(CorrectionCommands corrections, PublicLimits limits) {
        this.corrections = corrections;
        this.limits = limits;
    }

    /** @param sender the network the form came from */
    OwnWords.Said change(Registration r, String name, String email, String sender) {
        Optional<String> called = Contact.name(name);
        Optional<String> address = Contact.email(email);
        if (called.isEmpty() || address.isEmpty()) {
            return OwnWords.Said.NO_CONTACT;
        }
        corrections.rename(r.person(), r.id(), called.get(), r.self());
        if (address.get().equals(r.email())) {
            return OwnWords.Said.CONTACT_KEPT;
        }
        if (!limits.mayWrite(address.get(), 0, sender)) {
            return OwnWords.Said.TOO_OFTEN;
        }
        corrections.ask(r.person(), r.id(), address.get(), r.self());
        return OwnWords.Said.CONTACT_ASKED;
    }
}
