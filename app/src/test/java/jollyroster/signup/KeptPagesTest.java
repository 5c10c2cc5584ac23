package jollyroster.signup;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class KeptPagesTest {

    private static final String NUMBER = "<input name=\"form\" value=\"01234567-89ab-cdef-0123-456789abcdef\">";

    @Test
    void a_page_is_kept_only_if_all_that_is_its_readers_own_was_found() {
        String form = "<form method=\"post\"><input value=\"TOKEN\">";
        assertThat(KeptPages.gaps(form + NUMBER, "TOKEN")).isPresent();
        assertThat(KeptPages.gaps(form, "TOKEN")).as("no number").isEmpty();
        assertThat(KeptPages.gaps("<form method=\"post\">" + NUMBER, "TOKEN"))
                .as("no token")
                .isEmpty();
        assertThat(KeptPages.gaps("<p>closed</p>", "TOKEN")).isPresent();
        assertThat(KeptPages.gaps("<p>TOKEN</p>", "TOKEN"))
                .as("a token outside of any form")
                .isEmpty();
    }
}
