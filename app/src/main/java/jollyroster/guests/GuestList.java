package jollyroster.guests;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.intake.Text;
import jollyroster.guests.GuestQueries.Invitee;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.programme.Visibility;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.server.ResponseStatusException;

/** The guest list as the desk shows it: a page of those who are sought, and the counts of all. */
@Component
public class GuestList {

    private static final int PAGE = 20;
    private final ProgrammeQueries programme;
    private final GuestQueries guests;
    private final PersonalLinks links;
    private final Clock clock;

    GuestList(ProgrammeQueries programme, GuestQueries guests, PersonalLinks links, Clock clock) {
        this.programme = programme;
        this.guests = guests;
        this.links = links;
        this.clock = clock;
    }

    GuestsView view(Offering o, String show, String sought, int page) {
        List<Invitee> all = guests.list(o.id());
        List<Invitee> found = all.stream()
                .filter(i -> show.isEmpty() || answer(i).equals(show))
                .filter(i -> Text.folded(i.name() + " " + i.email()).contains(Text.folded(sought)))
                .toList();
        int at = Math.max(0, Math.min(page, (found.size() - 1) / PAGE));
        Optional<Session> next = next(o.id());
        return new GuestsView(
                o.id(),
                o.title(),
                o.rules().visibility() == Visibility.INVITED,
                next.map(s -> Times.dayAndTime(s.cutOff(), s.zone())).orElse(""),
                GuestsView.tabs(all.stream().map(GuestList::answer).toList(), show),
                new GuestsView.Shown(show, sought, at, found.size() > (at + 1L) * PAGE),
                found.stream()
                        .skip((long) at * PAGE)
                        .limit(PAGE)
                        .map(i -> line(i, o.zone()))
                        .toList(),
                asking(o),
                remindable(all, next).size());
    }

    Offering known(long id) {
        return programme
                .offering(id)
                .filter(o -> !o.rules().pattern())
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    static String back(long offering) {
        return "redirect:/desk/offerings/" + offering + "/guests";
    }

    /** Those who may be written to once more; nobody when no date takes answers. */
    public List<Invitee> remindable(long offering) {
        return remindable(guests.list(offering), next(offering));
    }

    /** Those who have not been written to. */
    List<Invitee> fresh(long offering) {
        return guests.list(offering).stream().filter(i -> i.invited().isEmpty()).toList();
    }

    private List<Invitee> remindable(List<Invitee> all, Optional<Session> next) {
        return next.isEmpty()
                ? List.of()
                : all.stream().filter(this::mayBeReminded).toList();
    }

    /** The next date that still takes answers. */
    private Optional<Session> next(long offering) {
        return programme.sessionsOf(offering).stream()
                .filter(s -> s.isOpenAt(clock.instant()))
                .findFirst();
    }

    /** Not answered, and not written to for a while. */
    private boolean mayBeReminded(Invitee i) {
        Instant rested = clock.instant().minus(GuestCommands.REST);
        return i.state().isEmpty()
                && i.invited().filter(at -> !at.isAfter(rested)).isPresent()
                && i.reminded().filter(at -> at.isAfter(rested)).isEmpty();
    }

    /** The code of a reply, {@code silent}, or {@code new} for somebody who has not been written to. */
    private static String answer(Invitee i) {
        return i.reply().map(Reply::code).orElse(i.invited().isPresent() ? "silent" : "new");
    }

    private List<GuestsView.Asking> asking(Offering o) {
        return guests.pleas(o.id()).stream()
                .map(p -> new GuestsView.Asking(
                        p.id(), p.name(), p.email(), p.words(), Times.dayAndTime(p.askedAt(), o.zone())))
                .toList();
    }

    private GuestsView.Line line(Invitee i, ZoneId zone) {
        Instant last = i.reminded().or(i::invited).orElse(null);
        return new GuestsView.Line(
                i.id(),
                i.called(),
                i.email(),
                answer(i),
                i.state().map(s -> s.word()).orElse(last == null ? "not written to" : "no answer yet"),
                i.party(),
                last == null ? "" : Times.dayAndTime(last, zone),
                links.invited(new Link(i.id(), i.generation())),
                i.session(),
                i.registration());
    }
}
