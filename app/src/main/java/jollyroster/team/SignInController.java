package jollyroster.team;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.platform.Actor;
import jollyroster.platform.Organisation;
import jollyroster.platform.Times;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.server.ResponseStatusException;

/** Signing in, and the first set-up of an empty installation. */
@Controller
class SignInController {

    private static final Logger LOG = LoggerFactory.getLogger(SignInController.class);
    private final AccountQueries queries;
    private final AccountCommands commands;

    SignInController(AccountQueries queries, AccountCommands commands) {
        this.queries = queries;
        this.commands = commands;
    }

    /** The first set-up as entered. */
    record Welcome(String organisation, String zone, String name, String email, String password) {
        Welcome {
            organisation = organisation == null ? "" : organisation;
            zone = zone == null ? "" : zone;
            name = name == null ? "" : name;
            email = email == null ? "" : email;
            password = password == null ? "" : password;
        }

        Map<String, String> problems() {
            Map<String, String> problems = new LinkedHashMap<>();
            if (Contact.name(organisation).isEmpty()) {
                problems.put("organisation", "Give the organisation a name of at most 120 characters.");
            }
            if (Times.zone(zone).isEmpty()) {
                problems.put("zone", "Choose the zone in which you set your dates.");
            }
            if (Contact.name(name).isEmpty()) {
                problems.put("name", "Give your name, at most 120 characters.");
            }
            if (Contact.email(email).isEmpty()) {
                problems.put("email", "This is not an e-mail address.");
            }
            if (!Passwords.isFit(password)) {
                problems.put("password", Passwords.RULE);
            }
            return problems;
        }

        Organisation toOrganisation() {
            ZoneId home = ZoneId.of(zone);
            return new Organisation(
                    Text.oneLine(organisation), home, "GB", Contact.email(email).orElseThrow(), "#1f5c4d", "");
        }
    }

    @GetMapping("/sign-in")
    String signIn() {
        return queries.isEmpty() ? "redirect:/welcome" : "team/sign-in";
    }

    @GetMapping("/welcome")
    String welcome(Model model, HttpServletRequest request) {
        if (!queries.isEmpty()) {
            return "redirect:/sign-in";
        }
        requireThisMachine(request);
        return form(model, new Welcome("", "", "", "", ""), Map.of());
    }

    @PostMapping("/welcome")
    String welcome(
            @ModelAttribute("welcome") Welcome welcome,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response,
            Actor actor) {
        requireThisMachine(request);
        Map<String, String> problems = welcome.problems();
        if (!problems.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return form(model, welcome, problems);
        }
        Optional<String> email = Contact.email(welcome.email());
        boolean first = commands.setUpFirst(
                welcome.toOrganisation(), Text.oneLine(welcome.name()), email.orElseThrow(), welcome.password(), actor);
        if (first) {
            LOG.info("The first organiser account was made.");
        }
        return "redirect:/sign-in" + (first ? "?ready" : "");
    }

    private static String form(Model model, Welcome welcome, Map<String, String> problems) {
        model.addAttribute("welcome", welcome);
        model.addAttribute("problems", problems);
        model.addAttribute("zones", Times.ZONES_OFFERED);
        return "team/welcome";
    }

    /** Until there is an account, only somebody at this machine may make one. */
    private static void requireThisMachine(HttpServletRequest request) {
        try {
            if (InetAddress.getByName(request.getRemoteAddr()).isLoopbackAddress()) {
                return;
            }
        } catch (UnknownHostException notAnAddress) {
            LOG.warn("A request without an address was refused.");
        }
        throw new ResponseStatusException(HttpStatus.FORBIDDEN);
    }
}
