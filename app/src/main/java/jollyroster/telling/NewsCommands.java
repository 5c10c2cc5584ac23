package jollyroster.telling;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntSupplier;
import java.util.stream.Collectors;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Address;
import jollyroster.platform.Facts;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Role;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.Session;
import jollyroster.seating.SeatNews;
import jollyroster.team.TeamQueries;
import jollyroster.texting.AgreementQueries;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Writes to members of the team what they wish to be told of. */
@Component
public class NewsCommands implements SeatNews {

    private final TellingQueries wishes;
    private final TellingCommands tellings;
    private final OutboxCommands outbox;
    private final TeamQueries team;
    private final HostQueries hosts;
    private final AgreementQueries numbers;
    private final OrganisationQueries organisation;
    private final Address address;
    private final Clock clock;

    NewsCommands(
            TellingQueries wishes,
            TellingCommands tellings,
            OutboxCommands outbox,
            TeamQueries team,
            HostQueries hosts,
            AgreementQueries numbers,
            OrganisationQueries organisation,
            Address address,
            Clock clock) {
        this.wishes = wishes;
        this.tellings = tellings;
        this.outbox = outbox;
        this.team = team;
        this.hosts = hosts;
        this.numbers = numbers;
        this.organisation = organisation;
        this.address = address;
        this.clock = clock;
    }

    @Override
    public void happened(Session session, Who who, boolean came, IntSupplier taken, Instant now) {
        List<Wish> about = about(session);
        if (about.isEmpty()) {
            return;
        }
        String person = who.party() == 1 ? who.name() : who.name() + " and " + (who.party() - 1) + " more";
        String occasion = who.registration() + "-" + now.toEpochMilli();
        about.stream()
                .filter(Wish::each)
                .forEach(wish -> tell(wish, session, came ? "Registered" : "Cancelled", person, occasion));
        boolean fills = came
                && session.seats() > 0
                && about.stream().anyMatch(Wish::full)
                && taken.getAsInt() >= session.seats();
        if (fills) {
            about.stream()
                    .filter(Wish::full)
                    .forEach(wish -> tell(wish, session, "Full", "the last seat is taken", "full-" + occasion));
        }
    }

    /** What is wished by those who may see a session: organisers, and whoever leads it. */
    private List<Wish> about(Session session) {
        List<Wish> about = wishes.about(session.offering().id());
        if (about.isEmpty()) {
            return about;
        }
        Set<Long> leaders = hosts.of(session).stream().map(HostQueries.Host::id).collect(Collectors.toSet());
        return about.stream()
                .filter(wish -> leaders.contains(wish.account()) || isOrganiser(wish.account()))
                .toList();
    }

    private boolean isOrganiser(long account) {
        return team.member(account).filter(m -> m.role() == Role.ORGANISER).isPresent();
    }

    private void tell(Wish wish, Session session, String what, String words, String occasion) {
        Optional<TeamQueries.Mate> found = team.member(wish.account()).filter(TeamQueries.Mate::active);
        if (found.isEmpty()) {
            return;
        }
        TeamQueries.Mate mate = found.get();
        String title = session.offering().title();
        String starts = Times.dayAndTime(session.start(), session.zone());
        String key = "news-" + mate.id() + "-" + session.id() + "-" + occasion;
        if (wish.text() && hears(mate.phone())) {
            outbox.text(key, mate.phone(), what, what + ": " + words + ". " + title + ", " + starts, clock.instant());
            return;
        }
        write(mate.email(), key, session, what, words);
    }

    private void write(String to, String key, Session session, String what, String words) {
        Facts given = Facts.of("what", what)
                .and("words", words)
                .and("title", session.offering().title())
                .and("starts", Times.dayAndTime(session.start(), session.zone()))
                .and("session", session.id())
                .and("session_link", address.of("/desk/sessions/" + session.id()))
                .and("telling_link", address.of("/desk/telling"));
        outbox.letter(LetterKind.TEAM_NEWS, key, to, given, "", clock.instant());
    }

    private boolean hears(String phone) {
        return !phone.isEmpty() && numbers.silent(List.of(phone)).isEmpty();
    }

    /** Tells the organiser that a session is short of its minimum, as a plan says, once for an occasion. */
    @Transactional
    public void tooFew(Session session, String words, String occasion, Actor actor) {
        actor.requireOrganiser();
        String contact =
                session.offering().front().contactOr(organisation.organisation().contactEmail());
        write(contact, "short-" + session.id() + "-" + occasion, session, "Too few", words);
    }

    /** Tells whoever wishes it that a session is short of its minimum on the day it is decided, once. */
    @Transactional
    public void missed(Session session, String words, Actor actor) {
        actor.requireOrganiser();
        about(session).stream().filter(Wish::missed).forEach(wish -> tell(wish, session, "Too few", words, "decide"));
    }

    /** Tells a member in one letter, once for a day; nothing where there is nothing to tell. */
    @Transactional
    public void ofDay(TeamQueries.Mate mate, LetterKind kind, Optional<Facts> given, Instant due, Actor actor) {
        actor.requireOrganiser();
        given.ifPresent(facts -> outbox.letter(
                kind,
                kind.name() + "-" + mate.id() + "-" + due.getEpochSecond(),
                mate.email(),
                facts.and("desk_link", address.of("/desk")).and("telling_link", address.of("/desk/telling")),
                "",
                clock.instant()));
        tellings.told(mate.id(), kind.name(), due);
    }
}
