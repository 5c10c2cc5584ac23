package jollyroster.roster;

import java.time.ZoneId;
import java.util.Map;

/**
 * What a person asks for, checked and ready for the seat rule.
 *
 * @param email in lower case
 * @param phone E.164, or empty
 * @param party number of people, 1 = alone
 * @param answers accepted answers by question key; empty ones included
 * @param submission names this very form, so that sending it twice registers once; empty when unknown
 */
public record Application(
        long session,
        String name,
        String email,
        String phone,
        int party,
        ZoneId zone,
        Map<String, String> answers,
        String submission) {}
