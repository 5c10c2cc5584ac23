package jollyroster.leading;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import jollyroster.core.door.DoorHours.Phase;
import jollyroster.core.door.LinkTokens.Purpose;
import jollyroster.door.Entrances;
import jollyroster.door.MeetingProvider.Coming;
import jollyroster.platform.Actor;
import jollyroster.platform.CodeLimit;
import jollyroster.platform.PersonalLinks;
import jollyroster.platform.SignedIn;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.util.WebUtils;

/** The link of somebody who leads: signing in once, or a mailed code, makes it good in a browser. */
@Controller
class HostController {

    private final LeaderQueries leaders;
    private final LeaderCommands commands;
    private final CodeLimit limit;
    private final ProgrammeQueries programme;
    private final Entrances entrances;
    private final PersonalLinks links;
    private final SignedIn signedIn;
    private final Clock clock;

    HostController(
            LeaderQueries leaders,
            LeaderCommands commands,
            CodeLimit limit,
            ProgrammeQueries programme,
            Entrances entrances,
            PersonalLinks links,
            SignedIn signedIn,
            Clock clock) {
        this.leaders = leaders;
        this.commands = commands;
        this.limit = limit;
        this.programme = programme;
        this.entrances = entrances;
        this.links = links;
        this.signedIn = signedIn;
        this.clock = clock;
    }

    private record AtStage(Leader who, Session session, boolean known) {}

    /** A session to somebody who leads it. @param desk where the team looks after the door; empty for others */
    record View(
            String title,
            String starts,
            String name,
            String part,
            String email,
            boolean known,
            boolean open,
            boolean over,
            boolean hasRehearsal,
            String desk,
            String address) {}

    private Optional<AtStage> stage(String token, HttpServletRequest request) {
        return leaders.read(token)
                .flatMap(who -> programme
                        .session(who.session())
                        .map(session -> new AtStage(who, session, isKnown(who, request))));
    }

    private boolean isKnown(Leader who, HttpServletRequest request) {
        boolean asMember = signedIn.member()
                .filter(m -> who.account() != 0 && m.id() == who.account())
                .isPresent();
        return asMember
                || Optional.ofNullable(WebUtils.getCookie(request, cookie(who)))
                        .flatMap(kept -> links.read(Purpose.HOST_BROWSER, kept.getValue()))
                        .filter(who.link()::equals)
                        .isPresent();
    }

    private static String cookie(Leader who) {
        return "host-" + who.id();
    }

    @GetMapping("/host/{token}")
    String page(@PathVariable String token, Model model, HttpServletRequest request, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        Optional<AtStage> at = stage(token, request);
        if (at.isEmpty()) {
            response.setStatus(HttpStatus.NOT_FOUND.value());
            return "door/unknown";
        }
        model.addAttribute("host", view(at.get(), token));
        return "leading/host";
    }

    @PostMapping("/host/{token}/code")
    String sendCode(@PathVariable String token, HttpServletRequest request, RedirectAttributes flash) {
        stage(token, request).ifPresent(at -> {
            commands.sendCode(at.who(), at.session(), Actor.visitor(at.who().name()));
            flash.addFlashAttribute("asked", true);
        });
        return "redirect:/host/" + token;
    }

    @PostMapping("/host/{token}/prove")
    String prove(
            @PathVariable String token,
            @RequestParam(defaultValue = "") String code,
            HttpServletRequest request,
            HttpServletResponse response,
            RedirectAttributes flash) {
        stage(token, request).ifPresent(at -> {
            boolean right = limit.mayTry("host-" + at.who().id())
                    && commands.take(at.who(), code, Actor.visitor(at.who().name()));
            if (right) {
                keep(at, request, response);
            } else {
                flash.addFlashAttribute("asked", true);
                flash.addFlashAttribute("problem", "That is not the code, or it is no longer valid.");
            }
        });
        return "redirect:/host/" + token;
    }

    private void keep(AtStage at, HttpServletRequest request, HttpServletResponse response) {
        Duration until =
                Duration.between(clock.instant(), at.session().doorHours().closes());
        response.addHeader(
                "Set-Cookie",
                ResponseCookie.from(
                                cookie(at.who()),
                                links.issue(Purpose.HOST_BROWSER, at.who().link()))
                        .httpOnly(true)
                        .secure(request.isSecure())
                        .sameSite("Lax")
                        .path("/host/")
                        .maxAge(until)
                        .build()
                        .toString());
    }

    /** Into the meeting, also before the door opens. */
    @GetMapping("/host/{token}/meeting")
    String meeting(@PathVariable String token, HttpServletRequest request, RedirectAttributes flash) {
        return go(token, allowed(token, request).flatMap(at -> entrances.way(at.session(), coming(at))), flash);
    }

    /** Into the room where those who lead meet before the door opens. */
    @GetMapping("/host/{token}/rehearsal")
    String rehearsal(@PathVariable String token, HttpServletRequest request, RedirectAttributes flash) {
        return go(
                token,
                allowed(token, request)
                        .filter(at -> Entrances.isReported(at.session()))
                        .flatMap(at -> entrances.teamRoom(at.session(), coming(at))),
                flash);
    }

    private Optional<AtStage> allowed(String token, HttpServletRequest request) {
        return stage(token, request)
                .filter(at -> at.known() && !at.session().cancelled())
                .filter(at -> at.session().isOnline() && phase(at) != Phase.AFTER);
    }

    private Phase phase(AtStage at) {
        return at.session().doorHours().at(clock.instant());
    }

    private Coming coming(AtStage at) {
        return Coming.leading(at.who().name());
    }

    private static String go(String token, Optional<String> way, RedirectAttributes flash) {
        if (way.isEmpty()) {
            flash.addFlashAttribute(
                    "warned", "The meeting is not open to you right now. Please try again in a moment.");
        }
        return "redirect:" + way.orElse("/host/" + token);
    }

    private View view(AtStage at, String token) {
        Session session = at.session();
        Leader who = at.who();
        return new View(
                session.offering().title(),
                Times.range(
                                session.start(),
                                session.end(),
                                session.zone(),
                                clock.instant().atZone(session.zone()).toLocalDate())
                        + " " + Times.city(session.zone()) + " time",
                who.name(),
                who.part().word(),
                veiled(who.email()),
                at.known(),
                session.isOnline() && !session.cancelled() && phase(at) != Phase.AFTER,
                phase(at) == Phase.AFTER,
                phase(at) == Phase.BEFORE && Entrances.isReported(session),
                who.account() == 0 ? "" : "/desk/door/" + session.id(),
                "/host/" + token);
    }

    /** {@code o…@saltmarrow.example}. */
    static String veiled(String email) {
        int at = email.indexOf('@');
        return email.substring(0, Math.min(1, at)) + "…" + email.substring(at);
    }
}
