package jollyroster.sheet;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import jollyroster.core.dates.Slices;
import jollyroster.core.readiness.Finding;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.outbox.HoursQueries;
import jollyroster.outbox.PlanQueries;
import jollyroster.platform.Address;
import jollyroster.platform.MarginNote;
import jollyroster.platform.Markdown;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.Part;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.ReadinessCheck;
import jollyroster.programme.SeatCounts;
import jollyroster.programme.SectionQueries;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Puts an offering's sheet together: every section as it reads, and the one that is open with its form. */
@Component
class SheetAssembler {

    private final ProgrammeQueries queries;
    private final SectionQueries versions;
    private final HostQueries hosts;
    private final OwnTimeQueries ownTime;
    private final SeatCounts counts;
    private final ReadinessCheck readiness;
    private final PlanQueries plans;
    private final HoursQueries hours;
    private final SheetChoices choices;
    private final Address address;
    private final Clock clock;

    SheetAssembler(
            ProgrammeQueries queries,
            SectionQueries versions,
            HostQueries hosts,
            OwnTimeQueries ownTime,
            SeatCounts counts,
            ReadinessCheck readiness,
            PlanQueries plans,
            HoursQueries hours,
            SheetChoices choices,
            Address address,
            Clock clock) {
        this.queries = queries;
        this.versions = versions;
        this.hosts = hosts;
        this.ownTime = ownTime;
        this.counts = counts;
        this.readiness = readiness;
        this.plans = plans;
        this.hours = hours;
        this.choices = choices;
        this.address = address;
        this.clock = clock;
    }

    /** The head of the sheet. @param sessions how many dates it has @param ownTime whether people pick a time of their own @param slices whether dates are slices */
    record Head(
            long id,
            String title,
            String summary,
            OfferingStatus status,
            boolean template,
            String publicAddress,
            int sessions,
            boolean ownTime,
            boolean slices) {}

    /** A section. @param version how often it was kept @param troubled whether something is missing or looks odd */
    record PartView(Part part, Sentence reads, List<MarginNote> checks, boolean troubled, boolean open, int version) {

        public String code() {
            return part.code();
        }

        public String title() {
            return part.title();
        }
    }

    /** Fills the model of {@code sheet/sheet}. @param opened the part that is open and its form */
    String page(Model model, Offering offering, Opened opened, Instant now) {
        List<Session> sessions = queries.sessionsOf(offering.id());
        List<Finding> findings = offering.rules().pattern() ? List.of() : readiness.of(offering, sessions, now);
        model.addAttribute("sheet", head(offering, sessions));
        model.addAttribute("ready", findings.isEmpty());
        model.addAttribute("parts", parts(offering, sessions, findings, opened, now));
        model.addAttribute("form", opened.form());
        model.addAttribute("problems", opened.problems());
        opened.part().ifPresent(part -> choices.add(model, part, offering, opened, now));
        return "sheet/sheet";
    }

    private Head head(Offering o, List<Session> sessions) {
        return new Head(
                o.id(),
                o.title(),
                o.summary(),
                o.status(),
                o.rules().pattern(),
                address.of("/p/" + o.slug()),
                sessions.size(),
                o.style() == SignUpStyle.OWN_TIME,
                Slices.areCut(sessions.stream().map(Session::span).toList()));
    }

    private List<PartView> parts(
            Offering offering, List<Session> sessions, List<Finding> findings, Opened opened, Instant now) {
        Map<Part, Integer> kept = versions.versions(offering.id());
        return Stream.of(Part.values())
                .filter(part -> !offering.rules().pattern() || part != Part.DATES && part != Part.SHARING)
                .filter(part -> part != (offering.style() == SignUpStyle.OWN_TIME ? Part.DATES : Part.HOURS))
                .map(part -> {
                    List<Finding> its = findings.stream()
                            .filter(f -> ReadinessView.part(f) == part)
                            .toList();
                    return new PartView(
                            part,
                            reads(part, offering, sessions, now),
                            its.stream()
                                    .map(f -> ReadinessView.note(f, offering.zone()))
                                    .toList(),
                            its.stream().anyMatch(f -> f.kind().severity() != Finding.Severity.REMARK),
                            opened.is(part),
                            opened.seen(part).orElse(kept.get(part)));
                })
                .toList();
    }

    private Sentence reads(Part part, Offering o, List<Session> sessions, Instant now) {
        return switch (part) {
            case WORDS -> SheetWords.words(o, Markdown.words(o.description()));
            case DATES -> dates(o, sessions, now);
            case HOURS -> HoursWords.of(o, ownTime.of(o.id()));
            case PLACE -> SheetWords.place(o, HostQueries.names(leaders(o), o.hostName()));
            case ACCESS -> SheetWords.access(o);
            case SEATS -> SheetWords.seats(o);
            case ASKING -> SheetWords.asking(o, queries.questions(o.id()));
            case PRICE -> SheetWords.price(o);
            case MESSAGES ->
                SheetWords.messages(
                        o, plans.plan(o.id()).lines(), hours.of(o.id()).hours());
            case DOOR -> SheetWords.door(o);
            case LOOK -> SheetWords.look(o);
            case SHARING ->
                Sentence.strong(address.of("/p/" + o.slug()))
                        .and(". The link, a QR code, the calendar feed and what to embed are on its Share page.");
        };
    }

    private List<Host> leaders(Offering o) {
        return hosts.ofOffering(o.id());
    }

    private Sentence dates(Offering o, List<Session> sessions, Instant now) {
        List<Long> coming =
                DatesWords.coming(sessions, now).stream().map(Session::id).toList();
        return DatesWords.of(o, sessions, counts.of(coming), now);
    }

    /** The section as it is kept, ready to be typed over. */
    PartForm form(Part part, Offering o) {
        return switch (part) {
            case WORDS -> WordsForm.of(o);
            case DATES -> LengthForm.of(o);
            case HOURS ->
                HoursForm.of(
                        ownTime.of(o.id()),
                        o.minutes(),
                        clock.instant().atZone(o.zone()).toLocalDate());
            case PLACE -> PlaceForm.of(o, leaders(o).stream().map(Host::id).toList());
            case ACCESS -> AccessForm.of(o);
            case SEATS -> SeatsForm.of(o);
            case ASKING -> AskingForm.of(o, queries.questions(o.id()));
            case PRICE -> PriceForm.of(o);
            case MESSAGES -> AfterForm.of(o);
            case DOOR -> DoorForm.of(o);
            case LOOK -> LookForm.of(o);
            case SHARING -> AddressForm.of(o);
        };
    }
}
