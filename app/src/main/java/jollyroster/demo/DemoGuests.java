package jollyroster.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.guests.GuestCommands;
import jollyroster.guests.GuestQueries;
import jollyroster.guests.Reply;
import jollyroster.guests.ReplyCommands;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.seating.Application;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** Who is invited to the open evening and the briefing, and what they answer. */
@Component
@Profile("demo")
class DemoGuests {

    private static final long SEED = 20270326;
    private static final int INVITED = 34;
    private final GuestCommands guests;
    private final GuestQueries list;
    private final ReplyCommands replies;
    private final ProgrammeQueries programme;

    DemoGuests(GuestCommands guests, GuestQueries list, ReplyCommands replies, ProgrammeQueries programme) {
        this.guests = guests;
        this.list = list;
        this.replies = replies;
        this.programme = programme;
    }

    /** @param evening the open evening's session @param briefing the briefing's */
    List<DemoLife.Happening> happenings(long evening, long briefing) {
        long offering = programme.session(evening).orElseThrow().offering().id();
        long closed = programme.session(briefing).orElseThrow().offering().id();
        Crew crew = new Crew(SEED);
        List<Crew.Member> invited =
                IntStream.range(0, INVITED).mapToObj(i -> crew.next()).toList();
        List<DemoLife.Happening> happenings = new ArrayList<>();
        happenings.add(new DemoLife.Happening(Instant.parse("2027-03-04T14:00:00Z"), () -> {
            guests.invite(offering, people(invited), DemoActor.PROGRAM);
            guests.sendInvitations(offering, DemoActor.PROGRAM);
        }));
        for (int i = 0; i < INVITED * 2 / 3; i++) {
            Crew.Member member = invited.get(i).nearby();
            Reply reply = i % 7 == 3 ? Reply.NO : i % 5 == 4 ? Reply.MAYBE : Reply.YES;
            int party = reply == Reply.YES ? crew.party(3) : 1;
            Instant at = Instant.parse("2027-03-04T15:00:00Z").plus(Duration.ofMinutes(60 + crew.upTo(5 * 24 * 60)));
            happenings.add(new DemoLife.Happening(at, () -> answer(evening, offering, member, reply, party)));
        }
        happenings.add(new DemoLife.Happening(Instant.parse("2027-03-08T12:00:00Z"), () -> {
            guests.invite(closed, people(invited.subList(0, 9)), DemoActor.PROGRAM);
            guests.sendInvitations(closed, DemoActor.PROGRAM);
            guests.invite(closed, people(invited.subList(9, 11)), DemoActor.PROGRAM);
        }));
        happenings.add(new DemoLife.Happening(
                Instant.parse("2027-03-09T20:12:00Z"),
                () -> guests.ask(
                        closed,
                        new GuestCommands.Guest("Lorcan Strand", "lorcan.strand@crew.example"),
                        "I stand in for Ottoline on the 12th.",
                        DemoActor.PROGRAM)));
        return happenings;
    }

    private static List<GuestCommands.Guest> people(List<Crew.Member> members) {
        return members.stream()
                .map(m -> new GuestCommands.Guest(m.name(), m.email()))
                .toList();
    }

    private void answer(long session, long offering, Crew.Member member, Reply reply, int party) {
        Optional<Link> link = list.list(offering).stream()
                .filter(i -> i.email().equals(member.email()))
                .findFirst()
                .map(i -> new Link(i.id(), i.generation()));
        replies.answer(
                Application.plain(session, member.name(), member.email(), party, ZoneId.of(member.zone())),
                reply,
                link,
                DemoActor.PROGRAM);
    }
}
