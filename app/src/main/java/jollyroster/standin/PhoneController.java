package jollyroster.standin;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import jollyroster.core.intake.Text;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** A phone of the text gateway that ships with the program: what arrived, and what its owner answers. */
@Controller
class PhoneController {

    private static final String NUMBER = "\\+[1-9]\\d{6,14}";
    private static final int LONGEST = 500;
    private final PhoneQueries phones;
    private final PhoneCommands commands;
    private final OrganisationQueries organisation;

    PhoneController(PhoneQueries phones, PhoneCommands commands, OrganisationQueries organisation) {
        this.phones = phones;
        this.commands = commands;
        this.organisation = organisation;
    }

    /** A text on the phone. @param out whether its owner wrote it @param state why it is not there yet; empty when it is */
    public record Bubble(String body, boolean out, String at, String state) {}

    @GetMapping("/standin/phone/{number}")
    String phone(@PathVariable String number, Model model, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        check(number);
        List<Bubble> bubbles = phones.lines(number).stream()
                .map(line -> new Bubble(
                        line.body(),
                        line.out(),
                        Times.dayAndTime(line.at(), organisation.organisation().zone()),
                        state(line.outcome())))
                .toList();
        model.addAttribute("number", number);
        model.addAttribute("bubbles", bubbles);
        model.addAttribute("mood", phones.mood(number).name());
        return "standin/phone";
    }

    private static void check(String number) {
        if (!number.matches(NUMBER)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
    }

    private static String state(String outcome) {
        return switch (outcome) {
            case "UNDERWAY" -> "not arrived yet";
            case "FAILED" -> "never arrived";
            default -> "";
        };
    }

    @PostMapping("/standin/phone/{number}/write")
    String write(@PathVariable String number, @RequestParam(defaultValue = "") String words) {
        check(number);
        String said = Text.oneLine(words, LONGEST);
        if (!said.isBlank()) {
            commands.write(number, said);
        }
        return back(number);
    }

    @PostMapping("/standin/phone/{number}/mood")
    String mood(@PathVariable String number, @RequestParam(defaultValue = "") String mood) {
        check(number);
        PhoneCommands.mood(mood).ifPresent(known -> commands.set(number, known));
        return back(number);
    }

    private static String back(String number) {
        return "redirect:/standin/phone/" + number;
    }
}
