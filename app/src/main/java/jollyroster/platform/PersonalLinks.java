package jollyroster.platform;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import jollyroster.core.door.LinkTokens;
import jollyroster.core.door.LinkTokens.Link;
import jollyroster.core.door.LinkTokens.Purpose;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Personal links as whole addresses, and the tokens in them. Tokens are never written to a log. */
@Component
public class PersonalLinks {

    private static final Instant BEGINNING = Instant.parse("2020-01-01T00:00:00Z");
    private final OrganisationQueries organisation;
    private final Address address;
    private volatile @Nullable Keyed keyed;

    /** @param secret the very array they were made of */
    private record Keyed(byte[] secret, LinkTokens tokens) {}

    PersonalLinks(OrganisationQueries organisation, Address address) {
        this.organisation = organisation;
        this.address = address;
    }

    /**
     * The generation with which links to a new row begin, where rows can be deleted: the second it is made in. The store
     * gives a number that has become free to the next row, and no link of the one before may be good for it.
     */
    public static int firstGeneration(Instant now) {
        return Math.toIntExact(Math.max(1, Duration.between(BEGINNING, now).toSeconds()));
    }

    public String ownPage(Link link) {
        return address.of("/my/" + issue(Purpose.OWN_PAGE, link));
    }

    /** Confirms the address of somebody whose seats are held. */
    public String confirm(Link link) {
        return address.of("/confirm/" + issue(Purpose.CONFIRM, link));
    }

    /** The same as six digits to type, until what is held is let go. */
    public String confirmCode(Link link, Instant until) {
        return code(Purpose.CONFIRM, link, until);
    }

    /** Six digits that go to somebody by mail. */
    public String code(Purpose purpose, Link link, Instant until) {
        return tokens().code(purpose, link, until);
    }

    /** The calendar of one registration, which follows what becomes of it. */
    public String ownFeed(Link link) {
        return address.of("/feeds/mine/" + issue(Purpose.OWN_FEED, link) + ".ics");
    }

    /** The calendar of what a member of the team leads; private, as it names people. */
    public String hostFeed(Link account) {
        return address.of("/feeds/host/" + issue(Purpose.HOST_FEED, account) + ".ics");
    }

    /** To all registrations of a person. */
    public String allOf(Link person) {
        return address.of("/mine/" + issue(Purpose.PERSON, person));
    }

    /** Confirms an address that is to be written to instead of another. */
    public String newAddress(Link person) {
        return address.of("/new-address/" + issue(Purpose.NEW_ADDRESS, person));
    }

    /** Leads somebody on a guest list to the page where they answer. */
    public String invited(Link invitee) {
        return address.of("/invited/" + issue(Purpose.RSVP, invitee));
    }

    /** Leads one person to the times of an offering, to pick one. */
    public String oneTime(String slug, Link link) {
        return address.of("/p/" + slug + "?once=" + issue(Purpose.ONE_TIME, link));
    }

    public String join(Link link) {
        return address.of("/join/" + issue(Purpose.JOIN, link));
    }

    /** Leads a new member of the team to where they choose a password. */
    public String invitation(Link link) {
        return address.of("/team/join/" + issue(Purpose.INVITATION, link));
    }

    public String issue(Purpose purpose, Link link) {
        return tokens().issue(purpose, link);
    }

    /** The link a token was issued for; empty for any other text, and before anything is set up. */
    public Optional<Link> read(Purpose purpose, String token) {
        return organisation.isSetUp() ? tokens().read(purpose, token) : Optional.empty();
    }

    private LinkTokens tokens() {
        byte[] secret = organisation.linkSecret();
        Keyed known = keyed;
        if (known == null || known.secret() != secret) {
            known = new Keyed(secret, new LinkTokens(secret));
            keyed = known;
        }
        return known.tokens();
    }
}
