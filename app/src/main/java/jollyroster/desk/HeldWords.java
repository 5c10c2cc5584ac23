package jollyroster.desk;

import java.util.List;
import jollyroster.outbox.DepartureCommands.Which;
import jollyroster.outbox.DepartureQueries;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.OutboxQueries;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Times;
import jollyroster.programme.ProgrammeQueries;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What is held beside the whole outbox, in words, each with the way to let it go. */
@Component
class HeldWords {

    private final DepartureQueries departures;
    private final OutboxQueries outbox;
    private final ProgrammeQueries programme;
    private final OrganisationQueries organisation;

    HeldWords(
            DepartureQueries departures,
            OutboxQueries outbox,
            ProgrammeQueries programme,
            OrganisationQueries organisation) {
        this.departures = departures;
        this.outbox = outbox;
        this.programme = programme;
        this.organisation = organisation;
    }

    /** Something held. @param batch how a form names it; empty where its address says it all */
    public record Line(String words, String address, OutboxLines.@Nullable Batch batch) {}

    List<Line> inWords() {
        return departures.some().stream().map(this::line).toList();
    }

    private Line line(DepartureQueries.Some some) {
        String since = ", by " + some.by() + " since "
                + Times.dayAndTime(some.since(), organisation.organisation().zone());
        Which which = some.which();
        if (which instanceof Which.Offering all) {
            String title =
                    programme.offering(all.offering()).map(o -> o.title()).orElse("an offering that is gone");
            return new Line(
                    "All messages of " + title + since, "/desk/offerings/" + all.offering() + "/plan/hold", null);
        }
        if (which instanceof Which.Batch batch) {
            String title = programme
                    .session(batch.session())
                    .map(s -> s.offering().title() + ", " + Times.dayAndTime(s.start(), s.zone()))
                    .orElse("a session that is gone");
            OutboxLines.Batch named = new OutboxLines.Batch(
                    batch.session(),
                    batch.anchor().name(),
                    batch.offset().amount(),
                    batch.offset().unit().name(),
                    batch.channel().name(),
                    true,
                    false);
            String what = MessageWords.of(batch.anchor(), batch.offset(), batch.channel());
            return new Line(what + " on " + title + since, "/desk/outbox/batch", named);
        }
        long message = ((Which.One) which).message();
        String what = outbox.item(message)
                .map(item -> MessageWords.of(item) + " to " + item.recipient())
                .orElse("a message that is gone");
        return new Line(what + since, "/desk/outbox/" + message + "/depart", null);
    }
}
