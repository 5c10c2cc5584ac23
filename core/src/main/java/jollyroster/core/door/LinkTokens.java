package jollyroster.core.door;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.Arrays;
import java.util.Base64;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;

/**
 * Makes and reads the tokens of personal links: id, generation and a 128-bit HMAC-SHA-256 over purpose, id and
 * generation (RFC 2104, truncated as in its section 5). A token of one purpose is worthless for another; a new
 * generation revokes the older ones, which is checked by whoever knows the current generation.
 *
 * <p>Tokens are URL-safe: {@code <id>.<generation>.<22 characters>}, the numbers in base 36.
 */
public final class LinkTokens {

    private static final int MAC_BYTES = 16;
    private static final Base64.Encoder TEXT = Base64.getUrlEncoder().withoutPadding();
    private static final Pattern TOKEN = Pattern.compile("([0-9a-z]{1,12})\\.([0-9a-z]{1,6})\\.([A-Za-z0-9_-]{22})");
    private final Mac keyed;

    /** What a link is for. */
    public enum Purpose {
        /** A person's own page. */
        OWN_PAGE,
        /** Confirms the address of somebody whose seats are held. */
        CONFIRM,
        /** Into the session. */
        JOIN,
        /** Into the meeting, handed over by the door. */
        MEETING_PASS,
        /** To the door, for whoever has it. */
        GUEST,
        /** Shown at the entrance; only the check-in reads it. */
        TICKET,
        /** Into a session, for whoever leads it. */
        HOST,
        /** Kept by a browser that has typed the code which was mailed to somebody who leads. */
        HOST_BROWSER,
        /** Kept by a browser that was let in with a personal link. */
        LET_IN,
        /** Kept by the browser of somebody who has knocked. */
        ARRIVAL,
        /** Kept by the browser of somebody who came to a standing room, and their pass into its meetings. */
        ROOM_VISIT,
        /** A code by mail for a standing room that is for certain people. */
        ROOM_CODE,
        /** To a file that is laid out for a session. */
        MATERIAL,
        /** To the meetings of a standing room that somebody was in. */
        ROOM_PAST,
        /** Onto the team. */
        INVITATION,
        /** To all registrations of a person. */
        PERSON,
        /** Confirms an address a person wants to have instead. */
        NEW_ADDRESS,
        /** Says yes, maybe or no to an invitation. */
        RSVP,
        /** Gives one person one time. */
        ONE_TIME,
        /** The calendar of what a member of the team leads. */
        HOST_FEED,
        /** A person's own calendar feed. */
        OWN_FEED,
        /** Kept by a browser that has signed in to an account. */
        KNOWN_BROWSER
    }

    /**
     * @param id of the registration, of the account for an invitation, or of the person
     * @param generation from 1; counts up when the link is revoked
     */
    public record Link(long id, int generation) {}

    /** @param secret at least 16 bytes */
    public LinkTokens(byte[] secret) {
        if (secret.length < MAC_BYTES) {
            throw new IllegalArgumentException("The secret needs at least 16 bytes");
        }
        this.keyed = keyed(new SecretKeySpec(secret, "HmacSHA256"));
    }

    public String issue(Purpose purpose, Link link) {
        return numbers(link) + "." + TEXT.encodeToString(mac(purpose, link));
    }

    private static String numbers(Link link) {
        return Long.toString(link.id(), 36) + "." + Integer.toString(link.generation(), 36);
    }

    /** The link that {@code token} was issued for, or empty when it was not issued here for this purpose. */
    public Optional<Link> read(Purpose purpose, String token) {
        Matcher m = TOKEN.matcher(token);
        if (!m.matches()) {
            return Optional.empty();
        }
        long generation = Long.parseLong(m.group(2), 36);
        if (generation > Integer.MAX_VALUE) {
            return Optional.empty();
        }
        Link link = new Link(Long.parseLong(m.group(1), 36), (int) generation);
        byte[] claimed = Base64.getUrlDecoder().decode(m.group(3));
        boolean asIssued = token.equals(numbers(link) + "." + TEXT.encodeToString(claimed));
        return asIssued && MessageDigest.isEqual(claimed, mac(purpose, link)) ? Optional.of(link) : Optional.empty();
    }

    /**
     * Six digits that only whoever reads a letter can know, for people who would rather type than follow a link.
     *
     * @param until when what it is for ends; the code changes with it
     */
    public String code(Purpose purpose, Link link, Instant until) {
        String text = "CODE|" + purpose + "|" + link.id() + "|" + link.generation() + "|" + until.getEpochSecond();
        return truncated(copy().doFinal(text.getBytes(StandardCharsets.UTF_8)));
    }

    /** Dynamic truncation to six digits (RFC 4226, section 5.3). */
    static String truncated(byte[] mac) {
        int offset = mac[mac.length - 1] & 0xf;
        int number = ByteBuffer.wrap(mac, offset, Integer.BYTES).getInt() & Integer.MAX_VALUE;
        return String.format(Locale.ROOT, "%06d", number % 1_000_000);
    }

    private byte[] mac(Purpose purpose, Link link) {
        String text = purpose + "|" + link.id() + "|" + link.generation();
        return Arrays.copyOf(copy().doFinal(text.getBytes(StandardCharsets.UTF_8)), MAC_BYTES);
    }

    /** The key is taken in once; a copy takes a text. */
    private Mac copy() {
        try {
            return (Mac) keyed.clone();
        } catch (CloneNotSupportedException everyPlatformCopiesIt) {
            throw new IllegalStateException(everyPlatformCopiesIt);
        }
    }

    static byte[] hmacSha256(SecretKeySpec key, byte[] text) {
        return keyed(key).doFinal(text);
    }

    private static Mac keyed(SecretKeySpec key) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(key);
            return mac;
        } catch (GeneralSecurityException everyPlatformHasIt) {
            throw new IllegalStateException(everyPlatformHasIt);
        }
    }
}
