package jollyroster.setup;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.Organisation;
import jollyroster.platform.OrganisationCommands;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.PictureCommands;
import jollyroster.platform.Pictures;
import jollyroster.platform.Times;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Setup: the organisation. */
@DeskPage
class SetupController {

    /** What people call the colours to choose from. */
    private static final Map<String, String> COLOURS = colours();

    private static Map<String, String> colours() {
        Map<String, String> named = new LinkedHashMap<>();
        named.put("#1f5c4d", "pine green");
        named.put("#2f4f7f", "harbour blue");
        named.put("#7a3b1d", "oak brown");
        named.put("#5a3470", "plum");
        named.put("#14212b", "ink");
        named.put("#8a1f3c", "berry red");
        return named;
    }

    private final OrganisationQueries organisation;
    private final OrganisationCommands commands;
    private final PictureCommands pictures;

    SetupController(OrganisationQueries organisation, OrganisationCommands commands, PictureCommands pictures) {
        this.organisation = organisation;
        this.commands = commands;
        this.pictures = pictures;
    }

    /** The organisation as typed. */
    record Form(
            String name,
            String zone,
            String contactEmail,
            String region,
            String colour,
            String welcomeText,
            String dayBegins,
            String phone,
            String website) {
        Form {
            name = Text.oneLine(orEmpty(name));
            zone = orEmpty(zone);
            contactEmail = orEmpty(contactEmail).strip();
            region = orEmpty(region).strip();
            colour = orEmpty(colour);
            welcomeText = Text.manyLines(orEmpty(welcomeText));
            dayBegins = orEmpty(dayBegins).strip();
            phone = Text.oneLine(orEmpty(phone));
            website = orEmpty(website).strip();
        }

        private static String orEmpty(@Nullable String text) {
            return Objects.requireNonNullElse(text, "");
        }

        static Form of(Organisation o) {
            return new Form(
                    o.name(),
                    o.zone().getId(),
                    o.contactEmail(),
                    o.region(),
                    o.colour(),
                    o.welcomeText(),
                    String.valueOf(o.dayBegins()),
                    o.phone(),
                    o.website());
        }

        Map<String, String> problems() {
            Map<String, String> problems = new LinkedHashMap<>();
            check(problems, "name", Contact.name(name).isPresent(), "A name of at most 120 characters.");
            check(problems, "zone", Times.zone(zone).isPresent(), "Choose a zone.");
            check(problems, "contactEmail", Contact.email(contactEmail).isPresent(), "This is not an e-mail address.");
            check(problems, "region", region.matches("[A-Z]{2}"), "Two capital letters, such as CA.");
            check(problems, "colour", COLOURS.containsKey(colour), "Choose a colour.");
            check(problems, "welcomeText", welcomeText.length() <= 500, "At most 500 characters.");
            check(problems, "dayBegins", Text.isNumber(dayBegins, 0, 12), "An hour from 0 to 12.");
            check(problems, "phone", phone.length() <= 60, "At most 60 characters.");
            boolean site = website.isEmpty() || website.matches("https?://[^\\s<>\"]{3,200}");
            check(problems, "website", site, "An address that begins with https://, or nothing.");
            return problems;
        }

        private static void check(Map<String, String> problems, String field, boolean fine, String problem) {
            if (!fine) {
                problems.put(field, problem);
            }
        }

        Organisation toOrganisation(Organisation before) {
            return new Organisation(
                    name,
                    ZoneId.of(zone),
                    region,
                    Contact.email(contactEmail).orElseThrow(),
                    colour,
                    welcomeText,
                    Integer.parseInt(dayBegins),
                    before.logo(),
                    phone,
                    website,
                    before.banner());
        }
    }

    @GetMapping("/desk/setup")
    String setup(Model model) {
        return page(model, Form.of(organisation.organisation()), Map.of());
    }

    private String page(Model model, Form form, Map<String, String> problems) {
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        model.addAttribute("logo", organisation.organisation().logo());
        model.addAttribute("banner", organisation.organisation().banner());
        model.addAttribute("colours", COLOURS);
        model.addAttribute("zones", Times.ZONES_OFFERED);
        return "setup/setup";
    }

    @PostMapping("/desk/setup/organisation")
    String organisation(
            @ModelAttribute Form form,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash,
            Actor actor) {
        Map<String, String> problems = form.problems();
        if (!problems.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(model, form, problems);
        }
        commands.change(form.toOrganisation(organisation.organisation()), actor);
        flash.addFlashAttribute("said", "Saved.");
        return "redirect:/desk/setup";
    }

    @PostMapping("/desk/setup/logo")
    String logo(@RequestParam(required = false) MultipartFile file, RedirectAttributes flash, Actor actor)
            throws IOException {
        return picture(file, Pictures::logo, organisation.organisation()::withLogo, flash, actor);
    }

    @PostMapping("/desk/setup/banner")
    String banner(@RequestParam(required = false) MultipartFile file, RedirectAttributes flash, Actor actor)
            throws IOException {
        return picture(file, Pictures::photograph, organisation.organisation()::withBanner, flash, actor);
    }

    private String picture(
            @Nullable MultipartFile file,
            Function<byte[], Optional<Pictures.Fresh>> reading,
            Function<String, Organisation> with,
            RedirectAttributes flash,
            Actor actor)
            throws IOException {
        if (file == null || file.isEmpty()) {
            commands.change(with.apply(""), actor);
            flash.addFlashAttribute("said", "The picture is removed.");
            return "redirect:/desk/setup";
        }
        Optional<Pictures.Fresh> fresh =
                file.getSize() > Pictures.LARGEST_FILE ? Optional.empty() : reading.apply(file.getBytes());
        fresh.ifPresentOrElse(
                picture -> {
                    commands.change(with.apply(pictures.keep(picture, actor)), actor);
                    flash.addFlashAttribute("said", "Saved.");
                },
                () -> flash.addFlashAttribute(
                        "warned", "Not saved: it must be a JPEG, PNG or GIF of at most 5 MB and 40 million pixels."));
        return "redirect:/desk/setup";
    }
}
