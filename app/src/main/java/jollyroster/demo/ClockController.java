package jollyroster.demo;

import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import jollyroster.outbox.OutboxWorker;
import jollyroster.outbox.UnsentQueries;
import jollyroster.platform.DeskPage;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.context.annotation.Profile;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Winds the demo's clock on. What falls due on the way is sent before the page comes back. */
@DeskPage
@Profile("demo")
class ClockController {

    private static final Duration REACH = Duration.ofDays(60);
    private final DemoClock clock;
    private final DemoClockCommands memory;
    private final DemoDay day;
    private final ProgrammeQueries programme;
    private final UnsentQueries unsent;
    private final OutboxWorker worker;

    ClockController(
            DemoClock clock,
            DemoClockCommands memory,
            DemoDay day,
            ProgrammeQueries programme,
            UnsentQueries unsent,
            OutboxWorker worker) {
        this.clock = clock;
        this.memory = memory;
        this.day = day;
        this.programme = programme;
        this.unsent = unsent;
        this.worker = worker;
    }

    @PostMapping("/desk/clock")
    String wind(
            @RequestParam(defaultValue = "next") String by,
            @RequestParam(defaultValue = "/desk") String back,
            RedirectAttributes flash) {
        switch (by) {
            case "15m" -> clock.windOn(Duration.ofMinutes(15));
            case "1h" -> clock.windOn(Duration.ofHours(1));
            default -> next(clock.instant()).ifPresent(clock::windTo);
        }
        memory.remember(clock.ahead());
        day.goOn();
        int sent = worker.sendDue();
        if (sent > 0) {
            flash.addFlashAttribute("said", sent == 1 ? "One message went." : sent + " messages went.");
        }
        return "redirect:" + local(back);
    }

    /** The next message, door, start or end. */
    private Optional<Instant> next(Instant now) {
        Stream<Instant> moments = programme.between(now, now.plus(REACH)).stream()
                .filter(s -> !s.cancelled())
                .flatMap(s -> Stream.of(s.doorHours().opens(), s.start(), s.end()));
        return Stream.concat(moments, unsent.nextDue(now).stream())
                .filter(at -> at.isAfter(now))
                .min(Comparator.naturalOrder());
    }

    /** Back to the page the button was on, and nowhere else. */
    private static String local(String back) {
        try {
            URI uri = URI.create(back);
            boolean desk = uri.getScheme() == null && uri.getHost() == null && back.startsWith("/desk");
            return desk ? back : "/desk";
        } catch (IllegalArgumentException notAnAddress) {
            return "/desk";
        }
    }
}
