package jollyroster.core.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import javax.crypto.spec.SecretKeySpec;
import jollyroster.core.dates.Interval;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DoorTest {

    private static final LinkTokens TOKENS = new LinkTokens("a secret of some length".getBytes(StandardCharsets.UTF_8));
    private static final DoorHours HOURS = DoorHours.of(
            new Interval(Instant.parse("2027-03-16T22:00:00Z"), Instant.parse("2027-03-17T00:00:00Z")),
            Duration.ofMinutes(15),
            Duration.ofMinutes(15));

    /** RFC 4231, test cases 1, 2 and 3. */
    @ParameterizedTest
    @CsvSource({
        "0b0b0b0b0b0b0b0b0b0b0b0b0b0b0b0b0b0b0b0b,4869205468657265,b0344c61d8db38535ca8afceaf0bf12b881dc200c9833da726e9376c2e32cff7",
        "4a656665,7768617420646f2079612077616e7420666f72206e6f7468696e673f,5bdcc146bf60754e6a042426089575c75a003f089d2739839dec58b964ec3843",
        "aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa,dddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddd,773ea91e36800e46854db8ebd09181a72959098b3ef8c122d9635514ced565fe"
    })
    void hmac_matches_the_published_vectors(String key, String data, String mac) {
        HexFormat hex = HexFormat.of();
        byte[] computed = LinkTokens.hmacSha256(new SecretKeySpec(hex.parseHex(key), "HmacSHA256"), hex.parseHex(data));
        assertThat(hex.formatHex(computed)).isEqualTo(mac);
    }

    @Property
    void what_was_issued_is_read_back(
            @ForAll @LongRange(min = 1, max = 1L << 50) long id,
            @ForAll @IntRange(min = 1, max = 9999) int generation) {
        Link link = new Link(id, generation);
        assertThat(TOKENS.read(Purpose.JOIN, TOKENS.issue(Purpose.JOIN, link))).contains(link);
    }

    @ParameterizedTest
    @CsvSource({"21:44:00,60", "21:44:59.001,1", "21:44:59.999,1", "21:45:00,0", "23:59:00,0", "20:45:00,3600"})
    void a_countdown_ends_when_the_door_opens_and_never_before(String now, long seconds) {
        assertThat(HOURS.secondsUntilOpen(Instant.parse("2027-03-16T" + now + "Z")))
                .isEqualTo(seconds);
    }

    @Test
    void a_token_is_good_for_one_purpose_only() {
        String token = TOKENS.issue(Purpose.JOIN, new Link(7, 1));
        assertThat(TOKENS.read(Purpose.OWN_PAGE, token)).isEmpty();
    }

    @Property
    void a_changed_character_spoils_the_token(@ForAll @IntRange(min = 0, max = 25) int at) {
        String token = TOKENS.issue(Purpose.JOIN, new Link(7, 1));
        char other = token.charAt(at) == 'b' ? 'c' : 'b';
        String changed = token.substring(0, at) + other + token.substring(at + 1);
        assertThat(TOKENS.read(Purpose.JOIN, changed)).isEmpty();
    }

    @Test
    void rubbish_is_not_a_token() {
        for (String rubbish : new String[] {
            "", "7.1", "7.1.short", "../..", "zzzzzzzzzzzzzzzz.1." + "A".repeat(22), "7.zzzzzz." + "A".repeat(22)
        }) {
            assertThat(TOKENS.read(Purpose.JOIN, rubbish)).isEmpty();
        }
    }

    /** RFC 4226, section 5.4. */
    @Test
    void a_code_is_truncated_as_the_standard_does() {
        byte[] mac = HexFormat.of().parseHex("1f8698690e02ca16618550ef7f19da8e945b555a");
        assertThat(LinkTokens.truncated(mac)).isEqualTo("872921");
    }

    @Test
    void a_code_is_its_own_for_each_registration_and_each_hold() {
        Instant until = Instant.parse("2027-03-10T14:10:00Z");
        String code = TOKENS.code(Purpose.CONFIRM, new Link(7, 1), until);
        assertThat(code).matches("\\d{6}").isEqualTo(TOKENS.code(Purpose.CONFIRM, new Link(7, 1), until));
        assertThat(List.of(
                        TOKENS.code(Purpose.CONFIRM, new Link(8, 1), until),
                        TOKENS.code(Purpose.CONFIRM, new Link(7, 2), until),
                        TOKENS.code(Purpose.JOIN, new Link(7, 1), until),
                        TOKENS.code(Purpose.CONFIRM, new Link(7, 1), until.plusSeconds(1))))
                .doesNotContain(code);
    }

    @ParameterizedTest
    @CsvSource({
        "2027-03-16T21:44:59Z,BEFORE",
        "2027-03-16T21:45:00Z,OPEN",
        "2027-03-17T00:14:59Z,OPEN",
        "2027-03-17T00:15:00Z,AFTER"
    })
    void the_door_opens_and_shuts_sharp(Instant now, DoorHours.Phase phase) {
        assertThat(HOURS.at(now)).isEqualTo(phase);
    }

    @ParameterizedTest
    @CsvSource({
        "REGISTERED,BEFORE,false,COUNTDOWN",
        "REGISTERED,OPEN,false,COME_IN",
        "REGISTERED,AFTER,false,OVER",
        "WAITLISTED,BEFORE,false,PLACE_IN_LINE",
        "WAITLISTED,OPEN,false,PLACE_IN_LINE",
        "WAITLISTED,AFTER,false,OVER",
        "HELD,BEFORE,false,NOT_YET_YOURS",
        "HELD,OPEN,false,NOT_YET_YOURS",
        "HELD,AFTER,false,OVER",
        "CANCELLED,OPEN,false,GIVEN_BACK",
        "CANCELLED,AFTER,true,GIVEN_BACK",
        "REGISTERED,OPEN,true,SESSION_CANCELLED",
    })
    void the_door_table(Admission.Standing who, DoorHours.Phase when, boolean cancelled, Admission meets) {
        assertThat(Admission.decide(who, when, cancelled)).isEqualTo(meets);
    }
}
