package jollyroster.desk;

import java.util.List;
import java.util.stream.Stream;
import jollyroster.chart.StateMark;
import jollyroster.outbox.MailChannel;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.OwnTimeQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.team.TeamQueries;
import org.springframework.stereotype.Component;

/** What somebody does first on an installation in which nothing is published yet. */
@Component
class FirstSteps {

    private final ProgrammeQueries programme;
    private final OwnTimeQueries ownTime;
    private final TeamQueries team;
    private final MailChannel mail;

    FirstSteps(ProgrammeQueries programme, OwnTimeQueries ownTime, TeamQueries team, MailChannel mail) {
        this.programme = programme;
        this.ownTime = ownTime;
        this.team = team;
        this.mail = mail;
    }

    /** One step. @param done whether it has been taken @param why what it is good for */
    public record Step(boolean done, String words, String why, String address) {
        public String mark() {
            return done ? StateMark.of("taken", "done") : StateMark.of("free", "to do");
        }
    }

    /** In order; empty once something has been published. */
    List<Step> left() {
        List<Offering> offerings = programme.offerings();
        if (offerings.stream().anyMatch(o -> o.status() != OfferingStatus.DRAFT)) {
            return List.of();
        }
        boolean dated = offerings.stream()
                .anyMatch(o -> !programme.sessionsOf(o.id()).isEmpty()
                        || !ownTime.of(o.id()).hours().isEmpty());
        String draft = offerings.stream()
                .findFirst()
                .map(o -> "/desk/offerings/" + o.id())
                .orElse("/desk/offerings#new");
        return Stream.of(
                        new Step(
                                !programme.venues().isEmpty(),
                                "Add a venue",
                                "A place, a phone line or a link; picked once, used for every date.",
                                "/desk/setup/venues"),
                        new Step(
                                !offerings.isEmpty(),
                                "Create an offering",
                                "Give it a title; everything else is on its page.",
                                "/desk/offerings#new"),
                        new Step(
                                dated,
                                "Type its dates or open hours",
                                "As you would write them: Tue 6 Apr 19-21 x6, or Mon–Fri 14-16:30.",
                                draft),
                        new Step(false, "Publish it", "The checks beside it say what is missing.", draft),
                        new Step(
                                team.members().size() > 1,
                                "Invite your team",
                                "Hosts see their own sessions, helpers those of today.",
                                "/desk/setup/team"),
                        new Step(
                                mail.reachesPeople(),
                                "Set a mail server",
                                "Until then e-mails stay in the outbox and reach nobody.",
                                "/desk/outbox"))
                .toList();
    }
}
