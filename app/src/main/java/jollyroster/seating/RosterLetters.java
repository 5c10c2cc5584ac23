package jollyroster.seating;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.RegistrationState;
import jollyroster.exchange.CalendarEntry;
import jollyroster.outbox.EntryWords;
import jollyroster.outbox.Letters;
import jollyroster.platform.Address;
import jollyroster.platform.Names;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** Tells the outbox what a letter to a registered person can say. */
@Component
public class RosterLetters implements Letters {

    private final RegistrationQueries roster;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final OrganisationQueries organisation;
    private final EntryWords words;
    private final PersonalLinks links;
    private final Address address;

    RosterLetters(
            RegistrationQueries roster,
            ProgrammeQueries programme,
            HostQueries hosts,
            OrganisationQueries organisation,
            EntryWords words,
            PersonalLinks links,
            Address address) {
        this.roster = roster;
        this.programme = programme;
        this.hosts = hosts;
        this.organisation = organisation;
        this.words = words;
        this.links = links;
        this.address = address;
    }

    @Override
    public Sender sender() {
        return new Sender(
                organisation.organisation().name(), organisation.organisation().contactEmail());
    }

    @Override
    public Map<Asked, Facts> facts(Collection<Asked> asked) {
        Map<Long, Registration> registrations =
                roster.registrations(asked.stream().map(Asked::registration).collect(Collectors.toSet()));
        Set<Long> knownBefore = before(registrations.values());
        Map<Asked, Facts> facts = new HashMap<>();
        for (Asked one : asked) {
            Registration registration = registrations.get(one.registration());
            if (registration != null) {
                session(one, registration)
                        .ifPresent(session ->
                                facts.put(one, facts(registration, session, !knownBefore.contains(registration.id()))));
            }
        }
        return facts;
    }

    /** Which of these are not the only one of their person. */
    private Set<Long> before(Collection<Registration> registrations) {
        Set<Long> before = new HashSet<>();
        registrations.stream()
                .collect(Collectors.groupingBy(Registration::session))
                .forEach((book, all) -> {
                    Map<Long, Integer> others = roster.registrationsBefore(
                            all.stream().map(Registration::person).toList(), book);
                    all.stream()
                            .filter(one -> others.containsKey(one.person()))
                            .map(Registration::id)
                            .forEach(before::add);
                });
        return before;
    }

    private Optional<Session> session(Asked asked, Registration registration) {
        return programme
                .session(asked.session())
                .filter(session -> session.book() == registration.session())
                .or(() -> programme.session(registration.session()));
    }

    private Facts facts(Registration registration, Session session, boolean firstTime) {
        Link link = new Link(registration.id(), registration.generation());
        List<Session> dates = programme.datesOf(session);
        List<HostQueries.Host> leaders = hosts.of(session);
        return new Facts(
                registration.name(),
                registration.email(),
                registration.zone(),
                standing(registration.state()),
                registration.party(),
                registration.state() == RegistrationState.WAITLISTED ? roster.placeInLine(registration) : 0,
                session.cancelled(),
                session.offering().title(),
                session.start(),
                session.end(),
                session.zone(),
                session.isOnline() ? "online" : session.place(),
                session.isOnline(),
                links.ownPage(link),
                registration.state().mayJoin() ? links.join(link) : links.ownPage(link),
                organisation.organisation().name(),
                contact(session),
                calendarEntries(session, registration),
                dates.stream()
                        .filter(date -> date.id() != session.id() && !date.cancelled())
                        .map(date -> Times.dayAndTime(date.start(), registration.zone()))
                        .toList(),
                new Offer(
                        registration.hold().until(),
                        registration.hold().racing(),
                        session.offering().signUp().freedSeats() == FreedSeats.SEAT_AT_ONCE,
                        links.confirm(link),
                        registration
                                .hold()
                                .until()
                                .map(until -> links.confirmCode(link, until))
                                .orElse("")),
                new About(
                        session.offering().id(),
                        leaders.stream().map(HostQueries.Host::id).toList(),
                        HostQueries.names(leaders, session.offering().hostName()),
                        session.offering().bring(),
                        firstTime,
                        Locale.forLanguageTag(session.offering().front().language())));
    }

    private String contact(Session session) {
        return session.offering().front().contactOr(organisation.organisation().contactEmail());
    }

    /** An entry for each date of the book, so that a whole series stands in the calendar; with the way in once it is theirs. */
    public List<CalendarEntry> calendarEntries(Session session, Registration registration) {
        Link link = new Link(registration.id(), registration.generation());
        return entries(
                session,
                registration,
                registration.state().mayJoin() ? links.join(link) : "",
                "To change or cancel: " + links.ownPage(link));
    }

    /** The same without any link: a feed is read by others than the person, and goes on for long. */
    public List<CalendarEntry> feedEntries(Session session, Registration registration) {
        return entries(session, registration, "", "");
    }

    private List<CalendarEntry> entries(Session session, Registration registration, String joinLink, String changing) {
        return programme.datesOf(session).stream()
                .map(date -> calendarEntry(date, registration, joinLink, changing))
                .toList();
    }

    /**
     * The entry a person keeps: its own for each registration and date, so that giving a seat back takes it away again.
     *
     * @param joinLink empty for none
     * @param changing how the entry is changed; empty where others read it
     */
    private CalendarEntry calendarEntry(Session session, Registration registration, String joinLink, String changing) {
        boolean gone = session.cancelled() || standing(registration.state()) == Standing.GONE;
        long offering = session.offering().id();
        String shipped = Stream.of(
                        session.offering().summary(), joinLink.isEmpty() ? "" : "Your link: " + joinLink, changing)
                .filter(text -> !text.isBlank())
                .collect(Collectors.joining("\n\n"));
        Map<String, String> values = entryValues(session, registration, joinLink, changing);
        String date = session.lead() == null ? "" : "-" + session.id();
        return new CalendarEntry(
                "registration-" + registration.id() + date + "@" + address.host(),
                session.sequence() + registration.stamps().sequence(),
                words.title(offering, values, session.offering().title()),
                words.description(offering, values, shipped),
                session.placeOr(joinLink),
                joinLink,
                session.start(),
                session.end(),
                session.zone(),
                registration.stamps().changedAt(),
                gone);
    }

    private Map<String, String> entryValues(
            Session session, Registration registration, String joinLink, String changing) {
        return Map.of(
                "title",
                session.offering().title(),
                "summary",
                session.offering().summary(),
                "name",
                registration.name(),
                "first_name",
                Names.first(registration.name()),
                "hosts",
                HostQueries.names(hosts.of(session), session.offering().hostName()),
                "place",
                session.isOnline() ? "online" : session.place(),
                "join_link",
                joinLink,
                "own_link",
                changing.isEmpty() ? "" : links.ownPage(new Link(registration.id(), registration.generation())),
                "organisation",
                organisation.organisation().name());
    }

    private static Standing standing(RegistrationState state) {
        return switch (state) {
            case REGISTERED, MAYBE -> Standing.SEATED;
            case UNCONFIRMED, CALLED_UP, WAITLISTED -> Standing.WAITING;
            case CANCELLED, DECLINED -> Standing.GONE;
        };
    }

    @Override
    public Map<Long, Line> lines(Collection<Long> registrations) {
        Map<Long, RegistrationQueries.Named> known = roster.named(registrations);
        Map<Long, String> titles =
                programme
                        .sessions(known.values().stream()
                                .map(RegistrationQueries.Named::session)
                                .distinct()
                                .toList())
                        .stream()
                        .collect(Collectors.toMap(
                                Session::id, session -> session.offering().title()));
        Map<Long, Line> lines = new HashMap<>();
        known.forEach((id, named) -> lines.put(id, new Line(named.name(), titles.get(named.session()))));
        return lines;
    }
}
