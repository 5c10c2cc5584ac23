package jollyroster.standin;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Base64;
import java.util.Optional;
import jollyroster.platform.ServiceSignature;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * A way into a room of the meeting stand-in, for one person: it carries all that is to be known and is signed, so that nothing is written
 * before somebody comes.
 *
 * @param visit names the stay
 * @param guest the pass as it was given
 */
record MeetingTicket(String visit, String room, String title, String name, String guest, Instant made, Instant closes) {

    private static final int LONGEST = 4000;
    private static final Base64.Encoder TEXT = Base64.getUrlEncoder().withoutPadding();

    String signed(JsonMapper json, ServiceSignature signature) {
        String body = json.writeValueAsString(this);
        return TEXT.encodeToString(body.getBytes(StandardCharsets.UTF_8)) + "." + seal(body, signature);
    }

    private static String seal(String body, ServiceSignature signature) {
        String signed = signature.sign("ticket", "0", body).substring("v1,".length());
        return TEXT.encodeToString(Base64.getDecoder().decode(signed));
    }

    /** Empty for what was not signed here. */
    static Optional<MeetingTicket> read(String text, JsonMapper json, ServiceSignature signature) {
        int dot = text.indexOf('.');
        if (dot < 0 || text.length() > LONGEST) {
            return Optional.empty();
        }
        try {
            String body = new String(Base64.getUrlDecoder().decode(text.substring(0, dot)), StandardCharsets.UTF_8);
            String claimed = "v1,"
                    + Base64.getEncoder().encodeToString(Base64.getUrlDecoder().decode(text.substring(dot + 1)));
            return signature.matches("ticket", "0", body, claimed)
                    ? Optional.of(json.readValue(body, MeetingTicket.class))
                    : Optional.empty();
        } catch (IllegalArgumentException | JacksonException notATicket) {
            return Optional.empty();
        }
    }
}
