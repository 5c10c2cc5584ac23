package jollyroster.live;

import java.io.IOException;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.core.door.MaterialOpens;
import jollyroster.core.intake.Text;
import jollyroster.door.DoorKeepers;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.SafeFile;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Lays out links and files for a session, and takes them away. */
@DeskPage
class MaterialDeskController {

    private static final int LONGEST_LINE = 200;
    private final MaterialCommands commands;
    private final MaterialFiles files;
    private final DoorKeepers keepers;

    MaterialDeskController(MaterialCommands commands, MaterialFiles files, DoorKeepers keepers) {
        this.commands = commands;
        this.files = files;
        this.keepers = keepers;
    }

    private void visible(long session, Actor actor) {
        if (keepers.visible(session, actor).isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
    }

    /** A file, where one was chosen, else a link. @param title of a file may be left to its name */
    @PostMapping("/desk/live/{session}/materials")
    String add(
            @PathVariable long session,
            @RequestParam(defaultValue = "") String title,
            @RequestParam(defaultValue = "") String address,
            @RequestParam(defaultValue = "AT_ONCE") String opens,
            @RequestParam(required = false) @Nullable MultipartFile file,
            Actor actor,
            RedirectAttributes flash)
            throws IOException {
        visible(session, actor);
        MaterialOpens when = Stream.of(MaterialOpens.values())
                .filter(o -> o.name().equals(opens))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
        String name = Text.oneLine(title, LONGEST_LINE);
        String warned = file == null || file.isEmpty()
                ? link(session, name, address.strip(), when, actor)
                : file(session, name, file, when, actor);
        if (!warned.isEmpty()) {
            flash.addFlashAttribute("warned", warned);
        }
        return "redirect:/desk/live/" + session;
    }

    /** @return what is wrong; empty for nothing */
    private String link(long session, String title, String address, MaterialOpens opens, Actor actor) {
        if (title.isEmpty() || !address.matches("https://[^\\s<>\"]{4,500}")) {
            return "Please give a title, and an address that begins with https:// or a file.";
        }
        return commands.addLink(session, title, address, opens, actor) ? "" : full();
    }

    private String file(long session, String title, MultipartFile file, MaterialOpens opens, Actor actor)
            throws IOException {
        if (file.getSize() > MaterialCommands.LARGEST) {
            return "A file may have " + MaterialCommands.LARGEST / 1_000_000 + " MB. Larger ones go better as a link.";
        }
        Optional<SafeFile> safe =
                SafeFile.of(Objects.requireNonNullElse(file.getOriginalFilename(), ""), file.getBytes());
        if (safe.isEmpty()) {
            return "Not added: a PDF, PNG, JPEG, text, CSV or calendar file, please.";
        }
        String name = title.isEmpty() ? safe.get().name() : title;
        return commands.addFile(session, name, safe.get(), opens, actor) ? "" : full();
    }

    private static String full() {
        return "There is no room for more: %d materials at most, and %d MB of files."
                .formatted(MaterialCommands.MOST, MaterialCommands.LARGEST_TOGETHER / 1_000_000);
    }

    @PostMapping("/desk/live/{session}/materials/{material}")
    String remove(@PathVariable long session, @PathVariable long material, Actor actor) {
        visible(session, actor);
        commands.remove(session, material, actor);
        files.forget(material);
        return "redirect:/desk/live/" + session;
    }
}
