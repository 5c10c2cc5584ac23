package jollyroster.roster;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import jollyroster.exchange.Cards;
import jollyroster.platform.DeskPage;
import jollyroster.programme.Session;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;

/** A roster taken elsewhere: as a table, as contact cards, as addresses for a mail program. */
@DeskPage
class TakeOutController {

    private static final int MOST = 20_000;
    private static final MediaType VCARD = MediaType.parseMediaType("text/vcard; charset=UTF-8");
    private final RollAssembler assembler;
    private final RosterPageQueries pages;
    private final RegistrationQueries roster;
    private final RosterTable table;

    TakeOutController(RollAssembler assembler, RosterPageQueries pages, RegistrationQueries roster, RosterTable table) {
        this.assembler = assembler;
        this.pages = pages;
        this.roster = roster;
        this.table = table;
    }

    private Session known(long id) {
        return assembler.session(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private Collection<Registration> matching(Session session, RollQuery query) {
        return roster.registrations(pages.ids(session.book(), query.filter(), MOST))
                .values();
    }

    /** Everybody on the roster, with who was there. */
    @GetMapping("/desk/sessions/{id}/roster.csv")
    void csv(@PathVariable long id, HttpServletResponse response) throws IOException {
        Session session = known(id);
        response.setContentType("text/csv; charset=UTF-8");
        response.setHeader("Content-Disposition", "attachment; filename=\"roster-" + id + ".csv\"");
        table.write(session, response.getOutputStream());
    }

    /** The same with a row for each person. */
    @GetMapping("/desk/sessions/{id}/people.csv")
    void each(@PathVariable long id, HttpServletResponse response) throws IOException {
        Session session = known(id);
        response.setContentType("text/csv; charset=UTF-8");
        response.setHeader("Content-Disposition", "attachment; filename=\"people-" + id + ".csv\"");
        table.writeEach(session, response.getOutputStream());
    }

    /** Contact cards (vCard 4, RFC 6350) of everybody who matches. */
    @GetMapping("/desk/sessions/{id}/roster.vcf")
    ResponseEntity<String> cards(@PathVariable long id, @ModelAttribute("query") RollQuery query) {
        Session s = known(id);
        List<Cards.Contact> contacts = matching(s, query).stream()
                .sorted(Comparator.comparing(Registration::id))
                .map(r -> new Cards.Contact(
                        r.name(), r.email(), r.phone(), s.offering().title()))
                .toList();
        return ResponseEntity.ok()
                .contentType(VCARD)
                .header("Content-Disposition", "attachment; filename=\"roster-" + id + ".vcf\"")
                .body(Cards.write(contacts));
    }

    /** All addresses of those who match, to be copied into a mail. */
    @GetMapping("/desk/sessions/{id}/roster/addresses")
    String addresses(@PathVariable long id, @ModelAttribute("query") RollQuery query, Model model) {
        Session s = known(id);
        List<String> addresses = matching(s, query).stream()
                .map(Registration::email)
                .filter(email -> !email.isEmpty())
                .distinct()
                .sorted()
                .toList();
        model.addAttribute("view", assembler.view(s, query, 0));
        model.addAttribute("addresses", String.join(", ", addresses));
        model.addAttribute("number", addresses.size());
        return "roster/addresses";
    }
}
