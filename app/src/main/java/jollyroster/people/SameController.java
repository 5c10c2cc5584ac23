package jollyroster.people;

import java.util.List;
import java.util.Map;
import jollyroster.core.intake.Text;
import jollyroster.people.PersonQueries.Named;
import jollyroster.people.PersonQueries.Person;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** People who are probably one: merged, or told apart. */
@DeskPage
class SameController {

    private static final int GROUPS = 6;
    private static final int MOST = 20;
    private final PersonQueries people;
    private final MergeCommands merging;

    SameController(PersonQueries people, MergeCommands merging) {
        this.people = people;
        this.merging = merging;
    }

    /** @param why what they share */
    record Group(String why, List<Person> people) {}

    @GetMapping("/desk/people/same")
    String same(@RequestParam(defaultValue = "") String q, Model model) {
        String sought = Text.folded(Text.oneLine(q, 100));
        List<Named> asked = people.named().stream()
                .filter(p -> Text.folded(p.name()).contains(sought))
                .toList();
        List<SamePeople.Group> all = SamePeople.among(asked, people.different());
        model.addAttribute("q", q);
        List<SamePeople.Group> first = all.stream().limit(GROUPS).toList();
        Map<Long, Person> known = people.people(
                first.stream().flatMap(g -> g.people().stream()).distinct().toList());
        model.addAttribute(
                "groups",
                first.stream()
                        .map(g -> new Group(
                                g.why(),
                                g.people().stream().limit(MOST).map(known::get).toList()))
                        .toList());
        model.addAttribute("more", all.size() - first.size());
        return "people/same";
    }

    /** @param from those who become one with {@code into} */
    @PostMapping("/desk/people/same")
    String merge(
            @RequestParam(defaultValue = "") List<Long> from,
            @RequestParam(defaultValue = "0") long into,
            RedirectAttributes flash,
            Actor actor) {
        List<Long> others =
                from.stream().distinct().filter(id -> id != into).limit(MOST).toList();
        MergeCommands.Merged merged = MergeCommands.Merged.UNKNOWN;
        int done = 0;
        for (long other : others) {
            merged = merging.merge(other, into, actor);
            if (merged != MergeCommands.Merged.DONE) {
                break;
            }
            done++;
        }
        boolean all = merged == MergeCommands.Merged.DONE;
        String before = all || done == 0 ? "" : done + " merged, then it stopped. ";
        flash.addFlashAttribute(all ? "said" : "warned", before + words(merged));
        return "redirect:/desk/people/same";
    }

    private static String words(MergeCommands.Merged merged) {
        return switch (merged) {
            case DONE -> "Merged. They are one person now.";
            case BOTH_ON_ONE_SESSION ->
                "Not merged: both are on one session. Cancel one of the two registrations first.";
            case UNKNOWN -> "Not merged: choose who stays, and at least one other.";
        };
    }

    @PostMapping("/desk/people/same/different")
    String tellApart(@RequestParam(defaultValue = "") List<Long> person, RedirectAttributes flash, Actor actor) {
        merging.tellApart(person.stream().limit(MOST).toList(), actor);
        flash.addFlashAttribute("said", "Noted: these are different people. They are not proposed again.");
        return "redirect:/desk/people/same";
    }
}
