package jollyroster.sheet;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.util.Map;
import java.util.Optional;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.PictureCommands;
import jollyroster.platform.Pictures;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingCommands.Saved;
import jollyroster.programme.Part;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.core.ResolvableType;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.method.annotation.ExtendedServletRequestDataBinder;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Keeps the sections of a sheet, each by itself: what is wrong in one, or overtaken, leaves the others alone. */
@DeskPage
class PartController {

    private final ProgrammeQueries queries;
    private final OfferingCommands commands;
    private final SheetAssembler assembler;
    private final PictureCommands pictures;
    private final Clock clock;

    PartController(
            ProgrammeQueries queries,
            OfferingCommands commands,
            SheetAssembler assembler,
            PictureCommands pictures,
            Clock clock) {
        this.queries = queries;
        this.commands = commands;
        this.assembler = assembler;
        this.pictures = pictures;
        this.clock = clock;
    }

    private static Class<? extends PartForm> form(Part part) {
        return switch (part) {
            case WORDS -> WordsForm.class;
            case DATES -> LengthForm.class;
            case HOURS -> HoursForm.class;
            case PLACE -> PlaceForm.class;
            case ACCESS -> AccessForm.class;
            case SEATS -> SeatsForm.class;
            case ASKING -> AskingForm.class;
            case PRICE -> PriceForm.class;
            case MESSAGES -> AfterForm.class;
            case DOOR -> DoorForm.class;
            case LOOK -> LookForm.class;
            case SHARING -> AddressForm.class;
        };
    }

    /** @param seen how often the section had been kept when it was read */
    @PostMapping("/desk/offerings/{id}/parts/{code}")
    String keep(
            @PathVariable long id,
            @PathVariable String code,
            @RequestParam(defaultValue = "0") int seen,
            HttpServletRequest request,
            HttpServletResponse response,
            Model model,
            RedirectAttributes flash,
            Actor actor) {
        Offering offering = known(id);
        Part part = Part.of(code).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        PartForm typed = typed(form(part), request);
        Map<String, String> problems = typed.problems();
        if (!problems.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return again(model, offering, Opened.typed(part, typed, problems, seen));
        }
        Saved saved = commands.save(id, typed.section(), seen, actor);
        if (saved != Saved.KEPT) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("overtaken", saved == Saved.OVERTAKEN);
            return again(model, offering, Opened.typed(part, typed, refused(saved), seen));
        }
        flash.addFlashAttribute("said", "Saved: " + part.title() + ".");
        return "redirect:/desk/offerings/" + id + "#" + part.code();
    }

    private Offering known(long id) {
        return queries.offering(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static PartForm typed(Class<? extends PartForm> form, HttpServletRequest request) {
        ExtendedServletRequestDataBinder binder = new ExtendedServletRequestDataBinder(null);
        binder.setTargetType(ResolvableType.forClass(form));
        binder.construct(request);
        boolean asSent = !binder.getBindingResult().hasErrors();
        if (!asSent || !(binder.getTarget() instanceof PartForm typed)) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        return typed;
    }

    private String again(Model model, Offering offering, Opened opened) {
        return assembler.page(model, offering, opened, clock.instant());
    }

    private static Map<String, String> refused(Saved saved) {
        return switch (saved) {
            case STYLE_HELD ->
                Map.of("style", "How people register: people are registered already, so that it can no longer change.");
            case HAS_DATES ->
                Map.of("style", "How people register: take its dates away first; a picked time becomes one.");
            case SEATLESS -> Map.of("seats", "Seats: at least one must be left for people to pick a time.");
            case ADDRESS_TAKEN -> Map.of("slug", "Address: another offering has this one, or had it.");
            case SHORT_NAME_TAKEN -> Map.of("shortName", "Short link: another offering has this one, or had it.");
            default -> Map.of();
        };
    }

    /** Asks as well what is asked on another offering. */
    @PostMapping("/desk/offerings/{id}/questions")
    String takeQuestions(
            @PathVariable long id, @RequestParam(defaultValue = "0") long from, RedirectAttributes flash, Actor actor) {
        known(id);
        known(from);
        commands.takeQuestions(from, id, actor);
        flash.addFlashAttribute("said", "The questions are copied; they come last.");
        return "redirect:/desk/offerings/" + id + "#asking";
    }

    @PostMapping("/desk/offerings/{id}/picture")
    String picture(
            @PathVariable long id,
            @RequestParam(required = false) MultipartFile file,
            RedirectAttributes flash,
            Actor actor)
            throws IOException {
        known(id);
        if (file == null || file.isEmpty()) {
            commands.setPicture(id, "", actor);
            flash.addFlashAttribute("said", "No picture now.");
        } else {
            keepPicture(id, file, flash, actor);
        }
        return "redirect:/desk/offerings/" + id + "#look";
    }

    private void keepPicture(long id, MultipartFile file, RedirectAttributes flash, Actor actor) throws IOException {
        Optional<Pictures.Fresh> fresh =
                file.getSize() > Pictures.LARGEST_FILE ? Optional.empty() : Pictures.photograph(file.getBytes());
        if (fresh.isPresent()) {
            commands.setPicture(id, pictures.keep(fresh.get(), actor), actor);
            flash.addFlashAttribute("said", "Picture uploaded.");
        } else {
            flash.addFlashAttribute(
                    "warned", "Not uploaded: it must be a JPEG, PNG or GIF of at most 5 MB and 40 million pixels.");
        }
    }
}
