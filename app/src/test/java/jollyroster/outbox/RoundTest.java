package jollyroster.outbox;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Audience;
import jollyroster.core.messages.Channel;
import jollyroster.platform.Facts;
import jollyroster.platform.NotDelivered;
import org.junit.jupiter.api.Test;

class RoundTest {

    private final List<Long> taken = new ArrayList<>();

    private static Claim claim(long id) {
        return new Claim(
                id,
                "r" + id,
                id,
                1,
                Anchor.REGISTERED,
                Channel.EMAIL,
                Audience.EVERYBODY,
                "crew@crew.example",
                "",
                "",
                Optional.empty(),
                Facts.none(),
                "",
                0,
                Instant.EPOCH);
    }

    private Round.Ready going(long id) {
        return new Round.Ready(claim(id), () -> taken.add(id));
    }

    private static Round.Ready refused(long id, NotDelivered.Kind kind) {
        return new Round.Ready(claim(id), () -> {
            throw new NotDelivered("no", kind);
        });
    }

    private static Round of(Round.Ready... messages) {
        return new Round(List.of(messages), claim -> Optional.empty());
    }

    @Test
    void one_that_is_refused_holds_up_no_other() {
        Round round = of(going(1), refused(2, NotDelivered.Kind.LASTING), going(3));
        assertThat(round.call()).isTrue();
        assertThat(taken).containsExactly(1L, 3L);
        assertThat(round.outcomes()).extracting(Round.Outcome::gone).containsExactly(true, false, true);
    }

    @Test
    void an_outage_ends_it_and_leaves_the_rest_untried() {
        Round round = of(going(1), refused(2, NotDelivered.Kind.OUTAGE), going(3));
        assertThat(round.call()).isFalse();
        assertThat(taken).containsExactly(1L);
        assertThat(round.rest(round.outcomes().size())).extracting(Claim::id).containsExactly(3L);
    }

    @Test
    void a_stopped_round_begins_no_further_message() {
        Round round = of(going(1));
        round.stop();
        assertThat(round.call()).isFalse();
        assertThat(taken).isEmpty();
    }

    @Test
    void what_was_written_a_while_ago_is_written_anew_and_may_not_go_any_longer() {
        long longAgo = System.nanoTime() - 60_000_000_000L;
        Round.Ready old = new Round.Ready(claim(1), () -> taken.add(1L), longAgo);
        Round anew = new Round(List.of(old), claim -> Optional.of(new Round.Ready(claim, () -> taken.add(100L))));
        anew.call();
        assertThat(taken).containsExactly(100L);

        Round withdrawn = of(old);
        withdrawn.call();
        assertThat(taken).containsExactly(100L);
        assertThat(withdrawn.outcomes()).extracting(Round.Outcome::gone).containsExactly(false);
    }
}
