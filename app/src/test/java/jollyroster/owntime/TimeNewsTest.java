package jollyroster.owntime;

import static jollyroster.Saltmarrow.HALIFAX;
import static jollyroster.platform.tables.Tables.MESSAGE;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.TestClock;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.guests.DigestWorker;
import jollyroster.owntime.PickCommands.Pick;
import jollyroster.platform.Actor;
import jollyroster.platform.Reads;
import jollyroster.programme.Offering;
import jollyroster.programme.OwnTime;
import jollyroster.programme.Section;
import jollyroster.programme.Tell;
import jollyroster.seating.Application;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registering;
import jollyroster.team.TeamQueries;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Organiser and host hear of each time, or once a day, or never, as the offering says. */
@AppTest
class TimeNewsTest extends AtTheClinic {

    @Autowired
    ChangeSeatCommands seats;

    @Autowired
    DigestWorker digest;

    @Autowired
    TeamQueries team;

    @Autowired
    Reads reads;

    private Offering telling(Tell tell, Long... hosts) {
        Offering o = clinic(OwnTime.in(hours("Wed 10-11")), 1, 1, hosts);
        Section.Access plain = Section.Access.OPEN.by(SignUpStyle.OWN_TIME);
        offerings.save(
                o.id(),
                List.of(new Section.Access(
                        plain.style(),
                        plain.visibility(),
                        0,
                        plain.cutOff(),
                        0,
                        plain.moves(),
                        plain.cancels(),
                        false,
                        false,
                        tell)),
                Saltmarrow.ORGANISER);
        return programme.offering(o.id()).orElseThrow();
    }

    private Link register(Offering o, String time) {
        Application asked = new Application(
                0,
                "Wren Skerry",
                "wren" + o.id() + "@crew.example",
                "",
                1,
                HALIFAX,
                List.of(),
                List.of(),
                UUID.randomUUID().toString());
        return ((Registering.Done) picks.pick(
                        new Pick(o, at(WEDNESDAY, time), Optional.empty(), ""),
                        asked,
                        Optional.empty(),
                        Actor.visitor("Wren Skerry")))
                .link();
    }

    /** Subjects of what was written to an address about an offering, in order. */
    private List<String> written(String email, Offering o) {
        return reads.sql()
                .select(MESSAGE.SUBJECT)
                .from(MESSAGE)
                .where(MESSAGE.RECIPIENT.eq(email))
                .and(MESSAGE.SUBJECT.contains(o.title()))
                .orderBy(MESSAGE.ID)
                .fetch(MESSAGE.SUBJECT);
    }

    @Test
    void organiser_and_host_are_told_of_each_time_once() {
        long host = host();
        String hers = team.member(host).orElseThrow().email();
        Offering o = telling(Tell.EACH, host);
        Link wren = register(o, "10:00");
        Actor self = new Actor.Person("Wren Skerry", wren.id());
        picks.move(new Pick(o, at(WEDNESDAY, "10:20"), Optional.empty(), ""), wren.id(), self);
        seats.cancel(wren.id(), "", self);
        List<String> told = List.of(
                "Wren Skerry picked Wed 17 Mar 10:00: " + o.title(),
                "Wren Skerry moved to Wed 17 Mar 10:20: " + o.title(),
                "Wren Skerry gave back Wed 17 Mar 10:20: " + o.title());
        assertThat(written(hers, o)).isEqualTo(told);
        assertThat(written("office@saltmarrow.example", o)).isEqualTo(told);
    }

    @Test
    void once_a_day_organiser_and_host_read_what_was_picked_and_never_nothing() {
        long host = host();
        Offering daily = telling(Tell.DAILY, host);
        Offering never = telling(Tell.NEVER, host());
        digest.tellDue();
        clock.set(TestClock.START.plus(Duration.ofHours(1)));
        register(daily, "10:00");
        register(never, "10:00");
        clock.set(TestClock.START.plus(Duration.ofDays(1)));
        digest.tellDue();
        digest.tellDue();
        assertThat(written("office@saltmarrow.example", daily)).containsExactly("Times picked: " + daily.title());
        assertThat(written(team.member(host).orElseThrow().email(), daily)).hasSize(1);
        assertThat(written("office@saltmarrow.example", never)).isEmpty();
    }
}
