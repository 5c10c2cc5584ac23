package jollyroster.roster;

import java.time.Instant;
import java.time.ZoneId;

/**
 * One person, with companions, on a session.
 *
 * @param party people in all
 * @param passedOver how often others went before it on the waitlist
 * @param generation of its personal links
 * @param phone E.164, or empty
 * @param zone the person's own
 */
public record Registration(
        long id,
        long session,
        long person,
        RegistrationState state,
        int party,
        int passedOver,
        int generation,
        String name,
        String email,
        String phone,
        ZoneId zone,
        Instant registeredAt) {}
