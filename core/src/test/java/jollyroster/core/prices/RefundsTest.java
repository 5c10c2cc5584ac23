package jollyroster.core.prices;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import jollyroster.core.prices.Refunds.Back;
import jollyroster.core.prices.Refunds.Held;
import jollyroster.core.prices.Refunds.Leaving;
import jollyroster.core.prices.Refunds.Paid;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class RefundsTest {

    private static final Currency CAD = Currency.getInstance("CAD");
    private static final Instant START = Instant.parse("2027-03-16T22:00:00Z");

    private static Price cad(long minor) {
        return new Price(minor, CAD);
    }

    @Test
    void money_goes_back_until_the_moment_the_rule_names_and_not_from_it_on() {
        RefundRule rule = RefundRule.until(2880);
        assertThat(rule.ends(START)).isEqualTo("2027-03-14T22:00:00Z");
        assertThat(rule.isOwed(START, Instant.parse("2027-03-14T21:59:59Z"))).isTrue();
        assertThat(rule.isOwed(START, Instant.parse("2027-03-14T22:00:00Z"))).isFalse();
        assertThat(RefundRule.NONE.isOwed(START, Instant.EPOCH)).isFalse();
        assertThat(RefundRule.until(0).isOwed(START, START.minusSeconds(1))).isTrue();
        assertThatIllegalArgumentException().isThrownBy(() -> RefundRule.until(-1));
        assertThatIllegalArgumentException().isThrownBy(() -> RefundRule.until(525_601));
    }

    @Test
    void the_last_payment_goes_back_first_and_of_an_earlier_one_only_what_is_too_much() {
        List<Paid> paid = List.of(new Paid(1, 2, 0, cad(36_000)), new Paid(2, 1, 0, cad(20_000)));
        assertThat(Refunds.of(paid, 1)).containsExactly(new Back(2, 1, cad(20_000)), new Back(1, 1, cad(18_000)));
        assertThat(Refunds.of(paid, 3)).isEmpty();
        assertThat(Refunds.of(List.of(new Paid(1, 2, 2, cad(36_000))), 0))
                .as("what went back does not go back again")
                .isEmpty();
    }

    @Test
    void of_what_is_about_to_go_back_the_latest_stays_until_all_who_come_are_paid_for() {
        List<Paid> paid = List.of(new Paid(1, 3, 3, cad(54_000)));
        List<Leaving> leaving = List.of(new Leaving(7, 1), new Leaving(8, 2));
        assertThat(Refunds.heldAgain(paid, leaving, 2)).isEqualTo(new Held(List.of(8L), 2));
        assertThat(Refunds.heldAgain(paid, leaving, 3)).isEqualTo(new Held(List.of(8L, 7L), 3));
        assertThat(Refunds.heldAgain(paid, leaving, 1))
                .as("a part stays as a whole")
                .isEqualTo(new Held(List.of(8L), 2));
        assertThat(Refunds.heldAgain(paid, List.of(), 2)).isEqualTo(new Held(List.of(), 0));
        assertThat(Refunds.heldAgain(List.of(new Paid(1, 3, 1, cad(54_000))), List.of(new Leaving(7, 1)), 2))
                .as("enough is paid")
                .isEqualTo(new Held(List.of(), 2));
    }

    /** Whatever was paid and however many still come: asked until nothing more goes back, exactly those stay paid for. */
    @Property
    void what_stays_is_paid_for_and_no_more(
            @ForAll @Size(max = 6) List<@IntRange(min = 1, max = 20) Integer> parties,
            @ForAll @IntRange(max = 130) int still) {
        List<Paid> paid = new ArrayList<>();
        for (int i = 0; i < parties.size(); i++) {
            paid.add(new Paid(i + 1L, parties.get(i), 0, cad(1250L * parties.get(i))));
        }
        int all = parties.stream().mapToInt(Integer::intValue).sum();
        List<Back> back = Refunds.of(paid, still);
        int people = back.stream().mapToInt(Back::people).sum();
        assertThat(all - people).isEqualTo(Math.min(all, still));
        assertThat(back.stream().mapToLong(b -> b.amount().minor()).sum()).isEqualTo(1250L * people);
        assertThat(Refunds.of(after(paid, back), still)).isEmpty();
    }

    private static List<Paid> after(List<Paid> paid, List<Back> back) {
        return paid.stream()
                .map(p -> new Paid(
                        p.id(),
                        p.people(),
                        back.stream()
                                .filter(b -> b.payment() == p.id())
                                .mapToInt(Back::people)
                                .sum(),
                        p.amount()))
                .toList();
    }
}
