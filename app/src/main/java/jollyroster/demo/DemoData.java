package jollyroster.demo;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import jollyroster.door.LinkWorker;
import jollyroster.outbox.OutboxWorker;
import jollyroster.outbox.UnsentQueries;
import jollyroster.platform.OrganisationQueries;
import jollyroster.seating.HoldWorker;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * Saltmarrow Sea School: nine offerings, a draft and a pattern, a team of five, six venues, past and coming sessions. The
 * data is lived, not made up: the clock is set back and everything happens through the same commands that people use.
 */
@Component
@Profile("demo")
@Order(1)
class DemoData implements ApplicationRunner {

    static final ZoneId HOME = ZoneId.of("America/Halifax");
    private static final Instant BEGINNING = Instant.parse("2027-01-25T15:00:00Z");
    private final DemoClock clock;
    private final OrganisationQueries organisation;
    private final DemoProgramme programme;
    private final LinkWorker links;
    private final DemoLife life;
    private final DemoTill till;
    private final DemoGuests guests;
    private final DemoClinic clinic;
    private final DemoQuay quay;
    private final DemoHour hour;
    private final DemoRoom room;
    private final DemoMessages messages;
    private final HoldWorker holds;
    private final UnsentQueries unsent;
    private final OutboxWorker worker;
    private final DemoOrganisation set;
    private final DemoClockCommands memory;
    private final DemoCopy copy;
    private final DemoGate gate;

    /** Whether the demo begins once more with data that were lived before. */
    private final boolean again;

    DemoData(
            DemoClock clock,
            OrganisationQueries organisation,
            DemoProgramme programme,
            LinkWorker links,
            DemoLife life,
            DemoTill till,
            DemoGuests guests,
            DemoClinic clinic,
            DemoQuay quay,
            DemoHour hour,
            DemoRoom room,
            DemoMessages messages,
            HoldWorker holds,
            UnsentQueries unsent,
            OutboxWorker worker,
            DemoOrganisation set,
            DemoClockCommands memory,
            DemoCopy copy,
            DemoGate gate,
            @Value("${jolly.demo.again:false}") boolean again) {
        this.clock = clock;
        this.organisation = organisation;
        this.programme = programme;
        this.links = links;
        this.life = life;
        this.till = till;
        this.guests = guests;
        this.clinic = clinic;
        this.quay = quay;
        this.hour = hour;
        this.room = room;
        this.messages = messages;
        this.holds = holds;
        this.unsent = unsent;
        this.worker = worker;
        this.set = set;
        this.memory = memory;
        this.copy = copy;
        this.gate = gate;
        this.again = again;
    }

    @Override
    public void run(ApplicationArguments args) {
        prepare();
        gate.open();
    }

    private void prepare() {
        if (organisation.isSetUp() && again) {
            begin();
            return;
        }
        if (organisation.isSetUp()) {
            memory.remembered().ifPresent(clock::resume);
            return;
        }
        clock.stopAt(BEGINNING);
        set.up();
        programme.venues();
        List<Long> radio = programme.radio();
        List<Long> knots = programme.knots();
        long evening = programme.openEvening();
        programme.draft();
        List<DemoLife.Happening> happenings =
                new ArrayList<>(life.happenings(radio, knots, programme.navigation(), programme.drill()));
        happenings.addAll(guests.happenings(evening, programme.briefing()));
        happenings.addAll(till.happenings(programme.refresher()));
        programme.pattern(2);
        messages.set();
        long moorings = clinic.mooring();
        long plans = clinic.clinic();
        happenings.addAll(clinic.happenings(plans, moorings));
        happenings.addAll(quay.happenings());
        happenings.addAll(hour.happenings());
        happenings.addAll(room.happenings());
        programme.busyElsewhere();
        links.makeWanted();
        happenings.stream().sorted(Comparator.comparing(DemoLife.Happening::at)).forEach(this::live);
        sendUntil(DemoClock.START);
        messages.wroteBack();
        clinic.attend(plans, moorings);
        clock.stopAt(DemoClock.START);
        copy.keep();
        begin();
    }

    private void begin() {
        clock.stopAt(DemoClock.START);
        clock.go();
        memory.remember(clock.ahead());
    }

    private void live(DemoLife.Happening happening) {
        sendUntil(happening.at());
        clock.stopAt(happening.at());
        life.answerCallUps(happening.at());
        holds.letRunOut();
        happening.what().run();
        links.makeWanted();
        worker.sendDue();
    }

    /** Sends each message at the minute it was due. */
    private void sendUntil(Instant end) {
        for (Instant due = next(); due.isBefore(end); due = next()) {
            clock.stopAt(due);
            worker.sendDue();
        }
    }

    private Instant next() {
        return unsent.nextDue(clock.instant()).orElse(Instant.MAX);
    }
}
