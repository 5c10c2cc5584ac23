package jollyroster.standin;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.Locale;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The counter of the till stand-in: pay, have the card refused, or walk away. */
@Controller
class TillController {

    private final TillQueries queries;
    private final TillCommands commands;
    private final Reporter reporter;
    private final Clock clock;

    TillController(TillQueries queries, TillCommands commands, Reporter reporter, Clock clock) {
        this.queries = queries;
        this.commands = commands;
        this.reporter = reporter;
        this.clock = clock;
    }

    @GetMapping("/standin/till/{reference}")
    String counter(@PathVariable String reference, Model model, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        Optional<TillQueries.Slip> slip = queries.slip(reference);
        if (slip.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        model.addAttribute("slip", slip.get());
        return "standin/till";
    }

    @PostMapping("/standin/till/{reference}/pay")
    String pay(@PathVariable String reference) {
        return settle(reference, "PAID");
    }

    @PostMapping("/standin/till/{reference}/refuse")
    String refuse(@PathVariable String reference) {
        return settle(reference, "FAILED");
    }

    private String settle(String reference, String outcome) {
        Optional<TillQueries.Slip> slip = queries.slip(reference);
        if (slip.isPresent() && commands.settle(reference, outcome)) {
            reporter.settled(reference, outcome, clock.instant());
        }
        return "redirect:"
                + slip.map(s -> s.back() + "?till=" + outcome.toLowerCase(Locale.ROOT))
                        .orElse("/");
    }
}
