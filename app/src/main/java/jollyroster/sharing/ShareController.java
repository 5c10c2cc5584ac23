package jollyroster.sharing;

import java.util.List;
import java.util.regex.Pattern;
import jollyroster.platform.Actor;
import jollyroster.platform.Address;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Everything by which an offering is passed on, on one page. */
@DeskPage
class ShareController {

    private static final int MOST_ORIGINS = 20;

    /** An origin as RFC 6454 writes it; plain http only on one's own machine. */
    private static final Pattern ORIGIN = Pattern.compile(
            "https://[A-Za-z0-9](?:[A-Za-z0-9.-]{0,200}[A-Za-z0-9])?(?::\\d{1,5})?|http://localhost(?::\\d{1,5})?");

    private final ProgrammeQueries queries;
    private final OfferingCommands commands;
    private final OrganisationQueries organisation;
    private final Address address;

    ShareController(
            ProgrammeQueries queries, OfferingCommands commands, OrganisationQueries organisation, Address address) {
        this.queries = queries;
        this.commands = commands;
        this.organisation = organisation;
        this.address = address;
    }

    /** @param qr path of the QR code, without its ending */
    record View(
            long id,
            String title,
            boolean draft,
            String visibility,
            String page,
            String shortLink,
            String qr,
            String feed,
            String programmeFeed,
            String file,
            String signature,
            String signatureHtml,
            String block,
            String button,
            List<String> origins) {}

    private Offering known(long id) {
        return queries.offering(id)
                .filter(o -> !o.rules().pattern())
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/offerings/{id}/share")
    String share(@PathVariable long id, Model model) {
        model.addAttribute("share", view(known(id)));
        return "sharing/share";
    }

    private View view(Offering o) {
        String page = address.of("/p/" + o.slug());
        String shortLink = address.of("/s/" + o.front().shortCode());
        String script = address.of("/embed.js");
        String name = organisation.organisation().name();
        return new View(
                o.id(),
                o.title(),
                o.status() == OfferingStatus.DRAFT,
                o.rules().visibility().word(),
                page,
                shortLink,
                "/p/" + o.slug() + "/qr",
                address.of("/p/" + o.slug() + ".ics"),
                address.of("/feeds/programme.ics"),
                "/p/" + o.slug() + "/dates.ics",
                "Next with " + name + ": " + o.title() + " · register: " + shortLink,
                "<p>Next with " + escaped(name) + ": <a href=\"" + shortLink + "\">" + escaped(o.title()) + "</a></p>",
                snippet(script, o, "block", o.title()),
                snippet(script, o, "button", EmbedController.button(o)),
                o.front().embedOrigins());
    }

    private static String snippet(String script, Offering o, String as, String label) {
        return "<script async src=\"" + script + "\" data-offering=\"" + o.slug() + "\" data-as=\"" + as
                + "\" data-label=\"" + escaped(label) + "\"></script>";
    }

    private static String escaped(String text) {
        return org.springframework.web.util.HtmlUtils.htmlEscape(text);
    }

    /** Sets which sites may show the offering, one origin a line. */
    @PostMapping("/desk/offerings/{id}/origins")
    String origins(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String origins,
            RedirectAttributes flash,
            Actor actor) {
        known(id);
        List<String> typed = origins.lines()
                .limit(MOST_ORIGINS + 1L)
                .map(line -> line.strip().replaceAll("/+$", ""))
                .filter(line -> !line.isEmpty())
                .distinct()
                .toList();
        List<String> wrong =
                typed.stream().filter(line -> !ORIGIN.matcher(line).matches()).toList();
        if (typed.size() > MOST_ORIGINS || !wrong.isEmpty()) {
            flash.addFlashAttribute("typedOrigins", origins.substring(0, Math.min(origins.length(), 5000)));
        }
        if (typed.size() > MOST_ORIGINS) {
            flash.addFlashAttribute("warned", "Not saved: at most 20 sites.");
        } else if (!wrong.isEmpty()) {
            String first = wrong.get(0).substring(0, Math.min(wrong.get(0).length(), 80));
            flash.addFlashAttribute(
                    "warned", "Not saved: “" + first + "” is not a site. Write it like https://club.example.");
        } else {
            commands.setEmbedOrigins(id, typed, actor);
            flash.addFlashAttribute("said", typed.isEmpty() ? "No other site may show it." : "Saved.");
        }
        return "redirect:/desk/offerings/" + id + "/share#embed";
    }
}
