package jollyroster.guests;

import java.time.Instant;
import java.util.List;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.exchange.CalendarEntry;
import jollyroster.exchange.Calendars;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Address;
import jollyroster.platform.Markdown;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import org.springframework.stereotype.Component;

/** What is written to people on a guest list, or who asked to be. Part of the write that causes it. */
@Component
class InvitationLetters {

    private final OutboxCommands outbox;
    private final OrganisationQueries organisation;
    private final PersonalLinks links;
    private final Calendars calendars;
    private final Address address;

    InvitationLetters(
            OutboxCommands outbox,
            OrganisationQueries organisation,
            PersonalLinks links,
            Calendars calendars,
            Address address) {
        this.outbox = outbox;
        this.organisation = organisation;
        this.links = links;
        this.calendars = calendars;
        this.address = address;
    }

    /** @param link theirs, with their number. @param before whether they have been invited before */
    record Addressee(Link link, String name, String email, boolean before) {}

    /** @param dates to come, at least one */
    void invite(Addressee to, List<Session> dates, Instant now) {
        Session first = dates.get(0);
        String key = "invite-" + to.link().id() + "-" + to.link().generation();
        outbox.letter(
                to.before() ? key + "-" + now.getEpochSecond() : key,
                to.email(),
                "You are invited: " + first.offering().title(),
                hello(to.name()) + organisation.organisation().name() + " invites you to " + particulars(to, dates),
                calendar(to, dates),
                now);
    }

    /** The same once more, in other words, to somebody who has not answered. */
    void remind(Addressee to, List<Session> dates, Instant now) {
        Session first = dates.get(0);
        outbox.letter(
                "invite-again-" + to.link().id() + "-" + now.getEpochSecond(),
                to.email(),
                "Will you come? " + first.offering().title(),
                hello(to.name()) + "we have not heard from you yet, and would like to know whether you come to "
                        + particulars(to, dates),
                calendar(to, dates),
                now);
    }

    /** Tells somebody who asked to come that there is no room. */
    void refuse(long plea, String name, String email, String title, Instant now) {
        outbox.letter(
                "plea-" + plea,
                email,
                "About " + title,
                hello(name) + "thank you for asking about **" + Markdown.plain(title)
                        + "**. We are sorry, this time there is no room for you.\n\n"
                        + organisation.organisation().name() + "\n",
                now);
    }

    private static String hello(String name) {
        String first = name.split(" ", 2)[0];
        return "Hello" + (first.isEmpty() ? "" : " " + Markdown.plain(first)) + ",\n\n";
    }

    private String particulars(Addressee to, List<Session> dates) {
        Session first = dates.get(0);
        return "**" + Markdown.plain(first.offering().title()) + "**.\n\n**When:** "
                + Times.longDay(first.zonedStart()) + ", "
                + Times.hours(first.zonedStart(), first.end().atZone(first.zone()))
                + " " + Times.city(first.zone()) + " time" + (dates.size() > 1 ? ", and on other dates" : "")
                + "\n\n**Where:** " + Markdown.plain(first.isOnline() ? "online" : first.place())
                + "\n\n**Please answer here:** <" + links.invited(to.link())
                + ">\n\nThe link is yours alone. Please answer by "
                + Times.dayAndTime(first.cutOff(), first.zone()) + ".\n\n"
                + organisation.organisation().name() + "\n";
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
                s.place(),
                links.invited(to.link()),
                s.start(),
                s.end(),
                s.createdAt(),
                false);
        return calendars.request(entry, to.name(), to.email());
    }
}
