package jollyroster.sheet;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.dates.TypedDates;
import jollyroster.core.dates.TypedDatesText;
import jollyroster.core.dates.TypedLine;
import jollyroster.platform.OrganisationQueries;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.SessionCommands.NewDate;
import jollyroster.programme.Venue;
import jollyroster.team.TeamQueries;
import org.springframework.stereotype.Component;

/** Typed dates with the names in them looked up: which venue, which host. And sessions written back as such text. */
@Component
class TypedProgramme {

    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final TeamQueries team;
    private final OrganisationQueries organisation;
    private final Clock clock;

    TypedProgramme(
            ProgrammeQueries programme,
            HostQueries hosts,
            TeamQueries team,
            OrganisationQueries organisation,
            Clock clock) {
        this.programme = programme;
        this.hosts = hosts;
        this.team = team;
        this.organisation = organisation;
        this.clock = clock;
    }

    /** The lines as read, and the sessions they come to; none when any line is wrong. */
    record Read(List<TypedLine> lines, List<NewDate> dates) {
        boolean isWrong() {
            return lines.stream().anyMatch(TypedLine::isError);
        }
    }

    Read read(Offering offering, String text) {
        LocalDate today = clock.instant().atZone(offering.zone()).toLocalDate();
        TypedDates grammar = new TypedDates(
                today,
                offering.zone(),
                Duration.ofMinutes(offering.minutes()),
                organisation.organisation().dayBegins());
        Names<Venue> venues = new Names<>(programme.venues(), Venue::name);
        Names<TeamQueries.Mate> people = new Names<>(team.hosts(), TeamQueries.Mate::name);
        List<TypedLine> lines = grammar.read(text).stream()
                .map(line -> checked(line, venues, people))
                .toList();
        boolean wrong = lines.stream().anyMatch(TypedLine::isError);
        return new Read(
                lines,
                wrong
                        ? List.of()
                        : lines.stream()
                                .flatMap(line -> dates(line, venues, people))
                                .toList());
    }

    private static TypedLine checked(TypedLine line, Names<Venue> venues, Names<TeamQueries.Mate> people) {
        TypedLine.Named venue = line.options().venue();
        if (venue != null && venues.find(venue.name()).isEmpty()) {
            return line.refused(venue.column(), TypedLine.Problem.UNKNOWN_VENUE, venue.name());
        }
        return line.options().hosts().stream()
                .filter(host -> people.find(host.name()).isEmpty())
                .findFirst()
                .map(host -> line.refused(host.column(), TypedLine.Problem.UNKNOWN_HOST, host.name()))
                .orElse(line);
    }

    private static Stream<NewDate> dates(TypedLine line, Names<Venue> venues, Names<TeamQueries.Mate> people) {
        Long venue = venues.find(line.options().venueName()).map(Venue::id).orElse(null);
        List<Long> hosts = line.options().hostNames().stream()
                .map(name -> people.find(name).orElseThrow().id())
                .distinct()
                .toList();
        return line.sessions().stream()
                .map(time -> new NewDate(time, line.options().seats(), venue, hosts));
    }

    /** The sessions to come as text that reads to the same. */
    String coming(Offering offering) {
        List<Session> coming = programme.sessionsOf(offering.id()).stream()
                .filter(s -> s.start().isAfter(clock.instant()) && !s.cancelled())
                .toList();
        return write(coming, s -> s.zonedStart().toLocalDateTime());
    }

    /** The dates of an offering, so many weeks later, as text. */
    String shifted(long offering, int weeks) {
        List<Session> held = programme.sessionsOf(offering).stream()
                .filter(s -> !s.cancelled())
                .toList();
        return write(held, s -> s.zonedStart().toLocalDateTime().plusWeeks(weeks));
    }

    private String write(List<Session> sessions, Function<Session, java.time.LocalDateTime> start) {
        Map<Long, List<Host>> known = hosts.of(sessions);
        return TypedDatesText.write(sessions.stream()
                .map(s -> new TypedDatesText.Entry(
                        SessionTime.resolve(start.apply(s), s.zone(), s.length()),
                        s.seats() == s.offering().seats() || s.seats() == 0
                                ? OptionalInt.empty()
                                : OptionalInt.of(s.seats()),
                        s.own().venue().map(Venue::name).orElse(""),
                        s.own().hosts()
                                ? known.get(s.id()).stream().map(Host::name).toList()
                                : List.of()))
                .toList());
    }

    /** Things by name: the whole name in any case, or the beginning of just one. */
    private static final class Names<T> {
        private final Map<String, T> byName;

        Names(List<T> all, Function<T, String> name) {
            this.byName = all.stream()
                    .collect(Collectors.toMap(t -> name.apply(t).toLowerCase(Locale.ROOT), t -> t, (a, b) -> a));
        }

        Optional<T> find(String typed) {
            String low = typed.toLowerCase(Locale.ROOT);
            if (low.isEmpty() || byName.containsKey(low)) {
                return Optional.ofNullable(byName.get(low));
            }
            List<T> begin = new ArrayList<>();
            byName.forEach((name, thing) -> {
                if (name.startsWith(low)) {
                    begin.add(thing);
                }
            });
            return begin.size() == 1 ? Optional.of(begin.get(0)) : Optional.empty();
        }
    }
}
