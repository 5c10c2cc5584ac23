package jollyroster.signup;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.time.ZoneId;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Lets a visitor say in which zone times should be shown; works without JavaScript. */
@Controller
class ZoneController {

    private final OrganisationQueries organisation;

    ZoneController(OrganisationQueries organisation) {
        this.organisation = organisation;
    }

    @GetMapping("/zone")
    String choose(@RequestParam(defaultValue = "/") String back, Model model, HttpServletRequest request) {
        model.addAttribute("back", local(back));
        model.addAttribute("zones", Times.ZONES_OFFERED);
        model.addAttribute(
                "zone",
                Visitor.zone(request, organisation.organisation().zone()).getId());
        return "signup/zone";
    }

    @PostMapping("/zone")
    String chosen(
            @RequestParam(defaultValue = "") String zone,
            @RequestParam(defaultValue = "/") String back,
            HttpServletResponse response) {
        Times.zone(zone)
                .ifPresent(chosen -> response.addHeader(
                        HttpHeaders.SET_COOKIE, cookie(chosen).toString()));
        return "redirect:" + local(back);
    }

    private static ResponseCookie cookie(ZoneId zone) {
        return ResponseCookie.from("zone", zone.getId().replace("/", "%2F"))
                .path("/")
                .maxAge(Duration.ofDays(365))
                .sameSite("Lax")
                .build();
    }

    /** A public page of ours; anything else leads to the list. */
    private static String local(String back) {
        return back.matches("/(p/[a-z0-9-]{1,80})?") ? back : "/";
    }
}
