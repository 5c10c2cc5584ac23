package jollyroster.roster;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import jollyroster.exchange.TableReader;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.LongWork;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.SignedIn;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.seating.AddingCommands;
import jollyroster.seating.AddingCommands.Added;
import jollyroster.seating.AddingCommands.Manner;
import jollyroster.seating.Application;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/**
 * Adds people from a table: its text stands on the page and can be mended there, each column says what it is, every row is
 * judged first, and then all are added or nobody.
 */
@DeskPage
class ImportController {

    private static final int LARGEST = 1_800_000;
    private final RollAssembler assembler;
    private final ProgrammeQueries programme;
    private final AddingCommands adding;
    private final OrganisationQueries organisation;
    private final LongWork works;
    private final SignedIn signedIn;

    ImportController(
            RollAssembler assembler,
            ProgrammeQueries programme,
            AddingCommands adding,
            OrganisationQueries organisation,
            LongWork works,
            SignedIn signedIn) {
        this.assembler = assembler;
        this.programme = programme;
        this.adding = adding;
        this.organisation = organisation;
        this.works = works;
        this.signedIn = signedIn;
    }

    /** A column and what it is taken for. @param sample its first cell */
    record Column(String heading, String sample, String target) {}

    /** The page. @param ready how many rows can be added; 0 before the table was read */
    record View(
            String text,
            List<Column> columns,
            Map<String, String> targets,
            List<ImportReading.Judged> wrong,
            int ready,
            String problem) {}

    private Session known(long id) {
        return assembler.session(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @GetMapping("/desk/sessions/{id}/import")
    String form(@PathVariable long id, Model model) {
        return page(known(id), new View("", List.of(), Map.of(), List.of(), 0, ""), model);
    }

    private String page(Session session, View view, Model model) {
        model.addAttribute("view", assembler.view(session, new RollQuery("", "", "", "", "", ""), 0));
        model.addAttribute("table", view);
        return "roster/import";
    }

    /** Reads the table and says what would happen; adds nobody. */
    @PostMapping("/desk/sessions/{id}/import/check")
    String check(
            @PathVariable long id,
            @RequestParam(required = false) @Nullable MultipartFile file,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(required = false) @Nullable List<String> column,
            Model model,
            HttpServletResponse response)
            throws IOException {
        Session session = known(id);
        boolean fresh = file != null && !file.isEmpty();
        if (fresh && file.getSize() > LARGEST || text.length() > LARGEST) {
            return refused(session, "", "The table is larger than 1.8 MB; please part it.", model, response);
        }
        String table = fresh ? TableReader.text(file.getBytes()) : text;
        try {
            return page(session, read(session, table, fresh ? null : column), model);
        } catch (TableReader.NotATable e) {
            return refused(session, table, String.valueOf(e.getMessage()), model, response);
        }
    }

    private String refused(Session session, String text, String problem, Model model, HttpServletResponse response) {
        response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
        String shown = text.length() > LARGEST ? "" : text;
        return page(session, new View(shown, List.of(), Map.of(), List.of(), 0, problem), model);
    }

    private ImportReading reading(Session session) {
        return new ImportReading(
                session,
                programme.questions(session.offering().id()),
                organisation.organisation().region());
    }

    private View read(Session session, String text, @Nullable List<String> chosen) throws TableReader.NotATable {
        TableReader.Table table = TableReader.read(text, ImportReading.MOST_ROWS);
        ImportReading reading = reading(session);
        List<String> mapping = mapping(reading, table, chosen);
        List<ImportReading.Judged> judged = reading.judge(table, mapping);
        List<ImportReading.Judged> wrong =
                judged.stream().filter(j -> j.application().isEmpty()).toList();
        List<Column> columns = new ArrayList<>();
        for (int i = 0; i < mapping.size(); i++) {
            String sample =
                    table.rows().isEmpty() ? "" : table.rows().get(0).cells().get(i);
            columns.add(new Column(table.heading().get(i), sample, mapping.get(i)));
        }
        return new View(text, columns, reading.targets(), wrong, judged.size() - wrong.size(), "");
    }

    private static List<String> mapping(ImportReading reading, TableReader.Table table, @Nullable List<String> chosen) {
        return chosen == null || chosen.size() != table.heading().size() ? reading.guess(table.heading()) : chosen;
    }

    /** Adds everybody, or nobody. */
    @PostMapping("/desk/sessions/{id}/import")
    String add(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(required = false) @Nullable List<String> column,
            @RequestParam(defaultValue = "false") boolean tell,
            Model model,
            HttpServletResponse response,
            RedirectAttributes flash) {
        Session session = known(id);
        try {
            TableReader.Table table = TableReader.read(text, ImportReading.MOST_ROWS);
            ImportReading reading = reading(session);
            List<ImportReading.Judged> judged = reading.judge(table, mapping(reading, table, column));
            if (judged.stream().anyMatch(j -> j.application().isEmpty())) {
                response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
                return page(session, read(session, text, column), model);
            }
            List<Application> people =
                    judged.stream().flatMap(j -> j.application().stream()).toList();
            return add(session, people, new Manner(false, tell)).next(flash);
        } catch (TableReader.NotATable e) {
            return refused(session, text, String.valueOf(e.getMessage()), model, response);
        } catch (AddingCommands.NotAll e) {
            return refused(
                    session, text, "Nobody was added, because not all can be: " + words(e.would()), model, response);
        }
    }

    /** More than are added at once are added group by group, once it is sure that there is room for all. */
    private LongWork.Progress add(Session session, List<Application> people, Manner manner) {
        Actor actor = signedIn.actor();
        boolean atOnce = people.size() <= LongWork.GROUP;
        if (!atOnce && !adding.hasRoom(people, actor)) {
            throw new AddingCommands.NotAll(Collections.nCopies(people.size(), Added.FULL));
        }
        return works.run(
                new LongWork.Task<>(
                        "Import to " + session.offering().title(),
                        "/desk/sessions/" + session.id() + "/roster",
                        added -> new LongWork.Said(words(added), "")),
                people,
                group -> atOnce ? adding.addAll(group, manner, actor) : adding.addEach(group, manner, actor),
                actor);
    }

    private static String words(List<Added> added) {
        Map<Added, Integer> times = new EnumMap<>(Added.class);
        added.forEach(one -> times.merge(one, 1, Integer::sum));
        List<String> parts = new ArrayList<>();
        times.forEach((what, n) -> parts.add(n
                + switch (what) {
                    case SEATED -> " seated";
                    case WAITLISTED -> " on the waitlist";
                    case ALREADY -> " on it already";
                    case FULL -> " without a seat or a place in the line";
                }));
        return parts.isEmpty() ? "" : String.join(", ", parts) + ".";
    }
}
