package jollyroster.guests;

import java.time.Instant;
import java.util.List;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.exchange.CalendarEntry;
import jollyroster.exchange.Calendars;
import jollyroster.outbox.LetterCheck;
import jollyroster.outbox.LetterKind;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Address;
import jollyroster.platform.Facts;
import jollyroster.platform.Names;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** What is written to people on a guest list, or who asked to be. Part of the write that causes it. */
@Component
class InvitationLetters {

    private final OutboxCommands outbox;
    private final LetterCheck check;
    private final PersonalLinks links;
    private final Calendars calendars;
    private final Address address;

    InvitationLetters(
            OutboxCommands outbox, LetterCheck check, PersonalLinks links, Calendars calendars, Address address) {
        this.outbox = outbox;
        this.check = check;
        this.links = links;
        this.calendars = calendars;
        this.address = address;
    }

    /** @param link theirs, with their number. @param before whether they have been invited before */
    record Addressee(Link link, String name, String email, boolean before) {}

    /** @param dates to come, at least one */
    void invite(Addressee to, List<Session> dates, String words, Instant now) {
        String key = "invite-" + to.link().id() + "-" + to.link().generation();
        outbox.letter(
                LetterKind.INVITED,
                to.before() ? key + "-" + now.getEpochSecond() : key,
                to.email(),
                particulars(to, dates).and("words", words),
                calendar(to, dates),
                now);
    }

    /** The same once more, in other words, to somebody who has not answered. */
    void remind(Addressee to, List<Session> dates, String words, Instant now) {
        outbox.letter(
                LetterKind.INVITED_AGAIN,
                "invite-again-" + to.link().id() + "-" + now.getEpochSecond(),
                to.email(),
                particulars(to, dates).and("words", words),
                calendar(to, dates),
                now);
    }

    /** Either of them as it would be read. */
    LetterCheck.Read preview(boolean again, Addressee to, List<Session> dates, String words) {
        return check.preview(
                again ? LetterKind.INVITED_AGAIN : LetterKind.INVITED,
                particulars(to, dates).and("words", words));
    }

    /** Tells somebody who asked to come that there is no room. */
    void refuse(long plea, String name, String email, Offered offering, Instant now) {
        Facts given = Facts.of("first_name", Names.first(name))
                .and("name", name)
                .and("offering", offering.id())
                .and("title", offering.title());
        outbox.letter(LetterKind.NO_ROOM, "plea-" + plea, email, given, "", now);
    }

    /** What somebody asked to come to. */
    record Offered(long id, String title) {}

    private Facts particulars(Addressee to, List<Session> dates) {
        Session first = dates.get(0);
        String starts = Times.longDay(first.zonedStart()) + ", "
                + Times.hours(first.zonedStart(), first.end().atZone(first.zone())) + " " + Times.city(first.zone())
                + " time";
        return Facts.of("first_name", Names.first(to.name()))
                .and("name", to.name())
                .and("offering", first.offering().id())
                .and("title", first.offering().title())
                .and("starts", starts)
                .and("more_dates", dates.size() > 1)
                .and("place", first.isOnline() ? "online" : first.place())
                .and("answer_link", links.invited(to.link()))
                .and("answer_by", Times.dayAndTime(first.cutOff(), first.zone()));
    }

    /** A calendar request that a calendar program can answer; nothing when there are several dates to choose from. */
    private String calendar(Addressee to, List<Session> dates) {
        if (dates.size() > 1) {
            return "";
        }
        Session s = dates.get(0);
        CalendarEntry entry = new CalendarEntry(
                "invitee-" + to.link().id() + "." + to.link().generation() + "-" + s.id() + "@" + address.host(),
                s.sequence(),
                s.offering().title(),
                s.offering().summary() + "\n\nYour answer: " + links.invited(to.link()),
                s.placeOr(links.invited(to.link())),
                links.invited(to.link()),
                s.start(),
                s.end(),
                s.zone(),
                s.createdAt(),
                false);
        return calendars.request(entry, to.name(), to.email());
    }
}
