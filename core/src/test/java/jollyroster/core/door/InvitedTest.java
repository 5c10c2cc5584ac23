package jollyroster.core.door;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class InvitedTest {

    private static Invited invited(String typed) {
        return Invited.read(typed).invited();
    }

    @Test
    void addresses_and_domains_are_read_however_they_are_typed() {
        Invited.Typed read = Invited.read("Ada@Crew.example, @saltmarrow.example;\n ben@crew.example @ nonsense @x");
        assertThat(read.invited().entries())
                .containsExactly("ada@crew.example", "@saltmarrow.example", "ben@crew.example");
        assertThat(read.odd()).containsExactly("@", "nonsense", "@x");
    }

    @Test
    void a_domain_holds_for_itself_and_for_nothing_that_looks_like_it() {
        Invited crew = invited("@crew.example");
        assertThat(crew.holds("Ada@CREW.example")).isTrue();
        assertThat(crew.holds("ada@other.crew.example")).isFalse();
        assertThat(crew.holds("ada@notcrew.example")).isFalse();
        assertThat(crew.holds("ada@crew.example.elsewhere")).isFalse();
        assertThat(crew.holds("@crew.example@elsewhere.example")).isFalse();
    }

    @Test
    void where_nobody_is_named_everybody_may_come() {
        assertThat(invited("  \n ").isEverybody()).isTrue();
        assertThat(invited("").holds("")).isTrue();
        assertThat(invited("ada@crew.example").holds("")).isFalse();
    }
}
