package jollyroster.texting;

import jollyroster.platform.NotDelivered;

/**
 * Takes text messages to phones. One ships with the program; a real one can stand behind the same lines. What becomes of a text,
 * and what is answered, a gateway reports to {@code /hooks/texts}, signed as Standard Webhooks describes; a report may come late,
 * twice, or before {@link #send} has returned.
 */
public interface TextGateway {

    /**
     * Hands a text over. Doing so twice with one key sends it once. When it returns, the gateway has taken responsibility.
     *
     * @param key names the text, in letters, digits and hyphens
     * @param number E.164
     * @param words at most ten parts long
     * @return by what the gateway names the text in its reports
     * @throws NotDelivered if it was not taken
     */
    String send(String key, String number, String words) throws NotDelivered;
}
