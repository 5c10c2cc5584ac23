package jollyroster.signup;

import java.util.Map;
import java.util.TreeMap;
import jollyroster.core.intake.Contact;
import jollyroster.people.CorrectionCommands;
import jollyroster.platform.Names;
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

    /** What is wrong with what was typed; empty when it can be taken. */
    static Map<String, String> problems(String name, String email) {
        Map<String, String> problems = new TreeMap<>();
        Names.problem(name).ifPresent(why -> problems.put("own-name", why));
        if (Contact.email(email).isEmpty()) {
            problems.put("own-email", "This is not an e-mail address.");
        }
        return problems;
    }

    /** Takes a name and an address that have no problems. @param sender the network the form came from */
    OwnWords.Said change(Registration r, String name, String email, String sender) {
        String address = Contact.email(email).orElseThrow();
        corrections.rename(r.person(), r.id(), Contact.name(name).orElseThrow(), r.self());
        if (address.equals(r.email())) {
            return OwnWords.Said.CONTACT_KEPT;
        }
        if (!limits.mayWrite(address, 0, sender)) {
            return OwnWords.Said.TOO_OFTEN;
        }
        corrections.ask(r.person(), r.id(), address, r.self());
        return OwnWords.Said.CONTACT_ASKED;
    }
}
