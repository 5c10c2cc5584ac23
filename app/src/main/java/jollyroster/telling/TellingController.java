package jollyroster.telling;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;
import jollyroster.core.intake.Contact;
import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.SignedIn;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.team.TeamQueries;
import org.jspecify.annotations.Nullable;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What whoever is signed in is told of: of all offerings, and of some in their own way. */
@DeskPage
class TellingController {

    private static final int HOURS = 24;
    private final TellingQueries tellings;
    private final TellingCommands commands;
    private final ProgrammeQueries programme;
    private final TeamQueries team;
    private final SignedIn signedIn;
    private final OrganisationQueries organisation;

    TellingController(
            TellingQueries tellings,
            TellingCommands commands,
            ProgrammeQueries programme,
            TeamQueries team,
            SignedIn signedIn,
            OrganisationQueries organisation) {
        this.tellings = tellings;
        this.commands = commands;
        this.programme = programme;
        this.team = team;
        this.signedIn = signedIn;
        this.organisation = organisation;
    }

    /** A wish in the list. @param hour empty for not daily */
    public record Line(
            long offering, String title, boolean each, String hour, boolean full, boolean missed, boolean text) {}

    private long me() {
        return signedIn.actor() instanceof Actor.Team member ? member.id() : 0;
    }

    @GetMapping("/desk/telling")
    String telling(Model model) {
        List<Wish> mine = tellings.of(me());
        Map<Long, Offering> offerings =
                programme.offerings().stream().collect(Collectors.toMap(Offering::id, Function.identity()));
        Wish all = mine.stream()
                .filter(wish -> wish.offering() == Wish.ALL)
                .findFirst()
                .orElseGet(() -> Wish.none(me(), Wish.ALL));
        model.addAttribute("all", line(all, "All offerings"));
        model.addAttribute(
                "some",
                mine.stream()
                        .filter(wish -> offerings.containsKey(wish.offering()))
                        .map(wish -> line(wish, offerings.get(wish.offering()).title()))
                        .toList());
        model.addAttribute(
                "offerings",
                offerings.values().stream()
                        .filter(o -> o.status() != OfferingStatus.CLOSED)
                        .filter(o -> mine.stream().noneMatch(wish -> wish.offering() == o.id()))
                        .toList());
        model.addAttribute(
                "phone", team.member(me()).map(TeamQueries.Mate::phone).orElse(""));
        model.addAttribute("sheet", tellings.wantsSheet(me()));
        return "telling/telling";
    }

    private static Line line(Wish wish, String title) {
        String hour = wish.dailyHour().isPresent() ? "" + wish.dailyHour().getAsInt() : "";
        return new Line(wish.offering(), title, wish.each(), hour, wish.full(), wish.missed(), wish.text());
    }

    /** A wish as a form sends it. */
    public record Sent(
            @Nullable Long offering,
            @Nullable Boolean each,
            @Nullable String hour,
            @Nullable Boolean full,
            @Nullable Boolean missed,
            @Nullable Boolean text) {

        Wish wish(long account) {
            return new Wish(
                    account,
                    offering == null ? Wish.ALL : offering,
                    Boolean.TRUE.equals(each),
                    atHour(),
                    Boolean.TRUE.equals(full),
                    Boolean.TRUE.equals(missed),
                    Boolean.TRUE.equals(text));
        }

        private OptionalInt atHour() {
            boolean number = hour != null && hour.matches("\\d{1,2}") && Integer.parseInt(hour) < HOURS;
            return number ? OptionalInt.of(Integer.parseInt(hour)) : OptionalInt.empty();
        }
    }

    @PostMapping("/desk/telling")
    String wish(@ModelAttribute("sent") Sent sent, RedirectAttributes flash, Actor actor) {
        Wish wish = sent.wish(me());
        if (wish.offering() == Wish.ALL || programme.offering(wish.offering()).isPresent()) {
            commands.wish(wish, actor);
            flash.addFlashAttribute("said", "Saved.");
        }
        return "redirect:/desk/telling";
    }

    @PostMapping("/desk/telling/forget")
    String forget(@RequestParam(defaultValue = "0") long offering, RedirectAttributes flash, Actor actor) {
        commands.forget(offering, actor);
        flash.addFlashAttribute("said", "You are told of it as of all offerings.");
        return "redirect:/desk/telling";
    }

    @PostMapping("/desk/telling/self")
    String self(
            @RequestParam(defaultValue = "") String phone,
            @RequestParam(defaultValue = "false") boolean sheet,
            RedirectAttributes flash,
            Actor actor) {
        Optional<String> number = phone.isBlank()
                ? Optional.of("")
                : Contact.phone(phone, organisation.organisation().region());
        commands.self(number.orElse(""), sheet, actor);
        flash.addFlashAttribute(
                number.isPresent() ? "said" : "warned",
                number.isPresent() ? "Saved." : "That is not a phone number; texts go to none.");
        return "redirect:/desk/telling";
    }
}
