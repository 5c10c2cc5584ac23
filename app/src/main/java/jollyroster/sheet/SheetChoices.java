package jollyroster.sheet;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import jollyroster.core.dates.Offset;
import jollyroster.core.intake.Question;
import jollyroster.core.openhours.HostChoice;
import jollyroster.core.openhours.OpenHoursText;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.hosting.BusyQueries;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Offering;
import jollyroster.programme.Part;
import jollyroster.programme.PhoneRule;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Tell;
import jollyroster.programme.Tint;
import jollyroster.programme.Venue;
import jollyroster.programme.Visibility;
import jollyroster.team.TeamQueries;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What can be chosen in the section that is open. */
@Component
class SheetChoices {

    private final ProgrammeQueries queries;
    private final TeamQueries team;
    private final HostQueries hosts;
    private final BusyQueries busy;
    private final DatesAssembler dates;

    SheetChoices(
            ProgrammeQueries queries, TeamQueries team, HostQueries hosts, BusyQueries busy, DatesAssembler dates) {
        this.hosts = hosts;
        this.busy = busy;
        this.queries = queries;
        this.team = team;
        this.dates = dates;
    }

    /** Something to choose. @param help more about it; empty for none */
    record Choice(String value, String words, String help) {

        static Choice of(String value, String words) {
            return new Choice(value, words, "");
        }
    }

    void add(Model model, Part part, Offering offering, Opened opened, Instant now) {
        switch (part) {
            case WORDS -> model.addAttribute("languages", languages());
            case DATES -> dates.add(model, offering, now);
            case PLACE -> {
                model.addAttribute("venues", venues());
                model.addAttribute("team", team.hosts());
            }
            case ACCESS -> addAccess(model);
            case HOURS -> addHours(model, offering, (HoursForm) opened.form(), now);
            case ASKING -> addAsking(model, offering, opened);
            case PRICE -> model.addAttribute("currencies", PriceForm.CURRENCIES);
            case LOOK -> {
                model.addAttribute("tints", tints());
                model.addAttribute("picture", offering.front().picture());
            }
            default -> {}
        }
    }

    private static List<Choice> languages() {
        return WordsForm.LANGUAGES.stream()
                .map(code -> Choice.of(code, SheetWords.language(code)))
                .toList();
    }

    private List<Choice> venues() {
        return queries.venues().stream()
                .map(v -> Choice.of(String.valueOf(v.id()), v.name() + " (" + about(v) + ")"))
                .toList();
    }

    private static String about(Venue v) {
        return v.kind() == Venue.Kind.PLACE && v.roomSize().isPresent()
                ? "holds " + v.roomSize().getAsInt()
                : v.kind().words();
    }

    private static void addAccess(Model model) {
        model.addAttribute("styles", styles());
        model.addAttribute(
                "visibilities",
                Stream.of(Visibility.values())
                        .map(v -> Choice.of(v.name(), v.word()))
                        .toList());
        model.addAttribute("opensUnits", units(Offset.Unit.DAYS, Offset.Unit.WEEKS));
        model.addAttribute("cutOffUnits", units(Offset.Unit.values()));
        model.addAttribute(
                "tells",
                Stream.of(Tell.values())
                        .map(t -> Choice.of(t.name(), t.words()))
                        .toList());
    }

    private static List<Choice> units(Offset.Unit... units) {
        return Stream.of(units)
                .map(unit -> Choice.of(unit.name(), unit.name().toLowerCase(Locale.ROOT)))
                .toList();
    }

    private void addHours(Model model, Offering offering, HoursForm form, Instant now) {
        LocalDate today = now.atZone(offering.zone()).toLocalDate();
        OpenHoursText.Read read = OpenHoursText.read(form.hours(), today, HoursReading.DAY_BEGINS);
        model.addAttribute("hostChoices", hostChoices());
        List<Long> leaders = hosts.ofOffering(offering.id()).stream()
                .map(HostQueries.Host::id)
                .toList();
        model.addAttribute(
                "calendars",
                busy.calendars().stream()
                        .filter(calendar -> leaders.contains(calendar.host()))
                        .toList());
        model.addAttribute("reading", HoursReading.of(form.hours(), read.hours(), List.of(), today));
        model.addAttribute(
                "others",
                queries.offerings().stream()
                        .filter(o -> o.style() == SignUpStyle.OWN_TIME && o.id() != offering.id())
                        .toList());
    }

    private static List<Choice> hostChoices() {
        return List.of(
                Choice.of(HostChoice.WHOEVER_IS_FREE.name(), "whoever is free"),
                Choice.of(HostChoice.ATTENDEES_CHOICE.name(), "whom the person chooses"),
                Choice.of(HostChoice.ALL_TOGETHER.name(), "all hosts together"));
    }

    private static List<Choice> styles() {
        return List.of(
                new Choice(SignUpStyle.ANY_DATE.name(), "any date", "each date on its own; people may come to several"),
                new Choice(SignUpStyle.ONE_DATE.name(), "one date", "everybody comes to exactly one and may change it"),
                new Choice(
                        SignUpStyle.WHOLE_SERIES.name(), "whole series", "one registration and one seat for all dates"),
                new Choice(SignUpStyle.OWN_TIME.name(), "own time", "people pick a time of their own in open hours"));
    }

    private void addAsking(Model model, Offering offering, Opened opened) {
        int asked = ((AskingForm) opened.form()).question().size();
        model.addAttribute("kinds", kinds());
        model.addAttribute(
                "phoneRules",
                Stream.of(PhoneRule.values())
                        .map(p -> Choice.of(p.name(), p.words()))
                        .toList());
        model.addAttribute("blanks", blanks(asked));
        model.addAttribute(
                "others",
                queries.offerings().stream()
                        .filter(o -> o.id() != offering.id())
                        .toList());
    }

    /** Room for one more question, two on an empty sheet. */
    private static List<Integer> blanks(int asked) {
        return asked == 0 ? List.of(0, 1) : asked < AskedQuestion.MOST ? List.of(asked) : List.of();
    }

    private static List<Choice> kinds() {
        return Arrays.stream(Question.Kind.values())
                .map(k -> Choice.of(k.name(), words(k)))
                .toList();
    }

    /** A kind of question as the sheet names it. */
    static String words(Question.Kind kind) {
        return switch (kind) {
            case SHORT_TEXT -> "a line of text";
            case LONG_TEXT -> "several lines";
            case CHOOSE_ONE -> "choose one";
            case CHOOSE_SEVERAL -> "choose several";
            case YES_NO -> "yes or no";
            case AGREEMENT -> "agreement to tick";
            case PHONE -> "phone number";
            case EMAIL -> "e-mail address";
            case WEB_ADDRESS -> "web address";
            case NUMBER -> "number";
            case DATE -> "date";
        };
    }

    private static List<Choice> tints() {
        return Stream.of(Tint.values())
                .map(t -> Choice.of(t.code(), SheetWords.colour(t)))
                .toList();
    }
}
