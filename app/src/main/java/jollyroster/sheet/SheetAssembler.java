package jollyroster.sheet;

import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import jollyroster.chart.SeatStrip;
import jollyroster.core.dates.Offset;
import jollyroster.core.intake.Question;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.readiness.Finding;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.Address;
import jollyroster.platform.Markdown;
import jollyroster.platform.Times;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.PhoneRule;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.ReadinessCheck;
import jollyroster.programme.SeatCounts;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.programme.Tell;
import jollyroster.programme.Tint;
import jollyroster.programme.Venue;
import jollyroster.programme.Visibility;
import jollyroster.team.TeamQueries;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Puts the offering's sheet together around its form. */
@Component
class SheetAssembler {

    private static final int WEEKS_TO_PICK_FROM = 10;
    private static final List<String> CURRENCIES =
            List.of("CAD", "USD", "EUR", "GBP", "NOK", "SEK", "DKK", "CHF", "AUD", "NZD", "SGD", "JPY");
    private final ProgrammeQueries queries;
    private final HostQueries hosts;
    private final TeamQueries team;
    private final SeatCounts counts;
    private final ReadinessCheck readiness;
    private final OutboxQueries outbox;
    private final Address address;
    private final Clock clock;

    SheetAssembler(
            ProgrammeQueries queries,
            HostQueries hosts,
            TeamQueries team,
            SeatCounts counts,
            ReadinessCheck readiness,
            OutboxQueries outbox,
            Address address,
            Clock clock) {
        this.queries = queries;
        this.hosts = hosts;
        this.team = team;
        this.counts = counts;
        this.readiness = readiness;
        this.outbox = outbox;
        this.address = address;
        this.clock = clock;
    }

    /** A date on the sheet. @param differs what it says otherwise than the offering; empty for nothing */
    record Date(
            long id,
            String when,
            boolean past,
            boolean cancelled,
            String words,
            String differs,
            String outlook,
            SeatStrip strip,
            boolean removable) {}

    /** A week to pick days from. @param month the month's name where it begins, else empty */
    record Week(String month, List<Day> days) {}

    /** @param date ISO @param typed as it is typed into the dates @param words for people who do not see the week */
    record Day(String date, int number, String typed, String words, boolean past, boolean taken) {}

    /** The sheet around its form. */
    record View(
            long id,
            String title,
            OfferingStatus status,
            boolean pattern,
            String publicAddress,
            String preview,
            String picture,
            String zoneCity,
            List<Date> dates,
            List<String> plan,
            boolean canPublish,
            String styleWords) {}

    /** Fills the model of {@code sheet/sheet}. @param problems of the form, by field */
    String page(Model model, Offering offering, SheetForm form, Map<String, String> problems) {
        Instant now = clock.instant();
        List<Session> sessions = queries.sessionsOf(offering.id());
        List<Finding> findings = offering.rules().pattern() ? List.of() : readiness.of(offering, sessions, now);
        model.addAttribute("form", form);
        model.addAttribute("problems", problems);
        model.addAttribute("blanks", blanks(form));
        addChoices(model, offering);
        model.addAttribute(
                "notes",
                findings.stream()
                        .map(f -> ReadinessView.note(f, offering.zone()))
                        .toList());
        model.addAttribute(
                "troubled",
                findings.stream()
                        .filter(f -> f.kind().severity() != Finding.Severity.REMARK)
                        .map(ReadinessView::place)
                        .distinct()
                        .toList());
        model.addAttribute("sheet", view(offering, sessions, findings, now));
        model.addAttribute("weeks", weeks(offering, sessions, now));
        if (!model.containsAttribute("typed")) {
            model.addAttribute("typed", TypedDatesView.NOTHING);
        }
        return "sheet/sheet";
    }

    private void addChoices(Model model, Offering offering) {
        model.addAttribute("kinds", kinds());
        model.addAttribute("phoneRules", PhoneRule.values());
        model.addAttribute("tells", Tell.values());
        model.addAttribute("currencies", CURRENCIES);
        model.addAttribute("venues", queries.venues());
        model.addAttribute("team", team.hosts());
        model.addAttribute("tints", Tint.values());
        model.addAttribute(
                "languages",
                SheetForm.LANGUAGES.stream().map(SheetAssembler::language).toList());
        model.addAttribute("styles", styles());
        model.addAttribute("visibilities", Visibility.values());
        model.addAttribute(
                "others",
                queries.offerings().stream()
                        .filter(o -> o.id() != offering.id())
                        .toList());
    }

    /** A choice of the sheet. */
    record Choice(String value, String words, String help) {}

    private static List<Choice> kinds() {
        return Arrays.stream(Question.Kind.values())
                .map(k -> new Choice(k.name(), words(k), ""))
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

    private static Choice language(String code) {
        return new Choice(code, Locale.forLanguageTag(code).getDisplayLanguage(Locale.ENGLISH), "");
    }

    private static List<Choice> styles() {
        return List.of(
                new Choice(SignUpStyle.ANY_DATE.name(), "any date", "each date on its own; people may take several"),
                new Choice(SignUpStyle.ONE_DATE.name(), "one date", "everybody holds exactly one and may change it"),
                new Choice(
                        SignUpStyle.WHOLE_SERIES.name(),
                        "whole series",
                        "one registration and one seat for all dates"));
    }

    static String words(SignUpStyle style) {
        return styles().stream()
                .filter(choice -> choice.value().equals(style.name()))
                .map(Choice::words)
                .findFirst()
                .orElse("own time");
    }

    /** Room for one more question, two on an empty sheet. */
    private static List<Integer> blanks(SheetForm form) {
        int asked = form.question().size();
        return asked == 0 ? List.of(0, 1) : asked < AskedQuestion.MOST ? List.of(asked) : List.of();
    }

    private View view(Offering offering, List<Session> sessions, List<Finding> findings, Instant now) {
        Map<Long, SeatCount> taken =
                counts.of(sessions.stream().map(Session::id).toList());
        Map<Long, List<Host>> leaders = hosts.of(sessions);
        return new View(
                offering.id(),
                offering.title(),
                offering.status(),
                offering.rules().pattern(),
                address.of("/p/" + offering.slug()),
                Markdown.toSafeHtml(offering.description()),
                offering.front().picture(),
                Times.city(offering.zone()),
                sessions.stream()
                        .map(s -> date(s, taken.get(s.id()), leaders.get(s.id()), now))
                        .toList(),
                outbox.plan(offering.id()).stream().map(SheetAssembler::words).toList(),
                findings.stream().noneMatch(f -> f.kind().severity() == Finding.Severity.STOPS),
                words(offering.style()));
    }

    private static Date date(Session s, SeatCount count, List<Host> hosts, Instant now) {
        SeatStrip strip = SeatStrip.ofCounts(s.seats(), s.keptBack(), count.taken(), count.waitingPeople(), 7);
        return new Date(
                s.id(),
                Times.range(s.start(), s.end(), s.zone(), now.atZone(s.zone()).toLocalDate()),
                !s.end().isAfter(now),
                s.cancelled(),
                count.taken() + " of " + s.seats()
                        + (count.waitingParties() > 0 ? ", " + count.waitingPeople() + " waiting" : ""),
                differs(s, hosts),
                OutlookWords.of(s, count.taken(), now),
                strip,
                count.equals(SeatCount.NONE));
    }

    private static String differs(Session s, List<Host> hosts) {
        String venue = s.own().venue().map(Venue::name).orElse("");
        String with = s.own().hosts() ? "with " + HostQueries.names(hosts, "") : "";
        return venue + (venue.isEmpty() || with.isEmpty() ? "" : ", ") + with;
    }

    private static String words(PlanLine line) {
        return switch (line.anchor()) {
            case BEFORE_START -> amount(line.offset()) + " before";
            default -> "At once, on registering";
        };
    }

    private static String amount(Offset offset) {
        String plural = offset.unit().name().toLowerCase(Locale.ROOT);
        return offset.amount() + " " + (offset.amount() == 1 ? plural.substring(0, plural.length() - 1) : plural);
    }

    private static List<Week> weeks(Offering offering, List<Session> sessions, Instant now) {
        var today = now.atZone(offering.zone()).toLocalDate();
        var monday = today.minusDays(today.getDayOfWeek().getValue() - 1L);
        var taken = sessions.stream()
                .filter(s -> !s.cancelled())
                .map(s -> s.start().atZone(offering.zone()).toLocalDate())
                .distinct()
                .toList();
        return IntStream.range(0, WEEKS_TO_PICK_FROM)
                .mapToObj(week -> IntStream.range(0, 7)
                        .mapToObj(day -> monday.plusDays(week * 7L + day))
                        .map(date -> new Day(
                                date.toString(),
                                date.getDayOfMonth(),
                                Times.dayAndYear(date),
                                Times.dayAndYear(date),
                                date.isBefore(today),
                                taken.contains(date)))
                        .toList())
                .map(days -> new Week(month(days), days))
                .toList();
    }

    /** The name of the month that begins in this week; empty when none does. */
    private static String month(List<Day> days) {
        return days.stream()
                .filter(day -> day.number() == 1)
                .findFirst()
                .map(day -> day.words().split(" ")[2])
                .orElse("");
    }
}
