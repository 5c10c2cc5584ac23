package jollyroster.outbox;

import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import jollyroster.core.messages.Anchor;

/** What the words of messages may name, and which messages there are to word. */
public final class LetterNames {

    /** The messages whose words can be changed, in the order of a registration's life. */
    public static final List<Anchor> MESSAGES =
            EnumSet.complementOf(EnumSet.of(Anchor.WRITTEN, Anchor.LETTER, Anchor.SILENT, Anchor.SHORT)).stream()
                    .toList();

    /** Each name with what it stands for. */
    public static final Map<String, String> WORDS = words();

    /** The names that words to people who are on no session yet may use. */
    public static final Map<String, String> INVITED = invited();

    private LetterNames() {}

    private static Map<String, String> invited() {
        Map<String, String> words = new LinkedHashMap<>();
        words.put("first_name", "their first name");
        words.put("name", "their whole name");
        words.put("title", "what they are invited to");
        words.put("starts", "when it is, on the session's clock");
        words.put("place", "where it is held");
        words.put("answer_link", "where they answer");
        words.put("answer_by", "by when");
        words.put("words", "what was added when they were invited");
        words.put("more_dates", "condition: there are other dates");
        words.put("organisation", "your name");
        return Collections.unmodifiableMap(words);
    }

    private static Map<String, String> words() {
        Map<String, String> words = new LinkedHashMap<>();
        words.put("first_name", "their first name");
        words.put("name", "their whole name");
        words.put("title", "what they registered for");
        words.put("starts", "when it is, on their clock and where it is held");
        words.put("starts_short", "the same for texts: day, time and city");
        words.put("place", "where it is held");
        words.put("hosts", "who leads it");
        words.put("bring", "what to bring");
        words.put("seats", "how many seats they hold");
        words.put("join_link", "their way in");
        words.put("own_link", "their own page");
        words.put("ticket_link", "their ticket on paper, for what is held in person");
        words.put("organisation", "your name");
        words.put("online", "condition: it is held online");
        words.put("is_series", "condition: there are other dates");
        words.put("first_time", "condition: they register for the first time");
        words.put("other_dates", "the other dates, a list");
        words.put("place_in_line", "their place in the waitlist");
        words.put("reply_by", "until when an offer stands");
        words.put("racing", "condition: others are offered the same");
        words.put("at_once", "condition: freed seats are given without asking");
        words.put("confirm_link", "confirms their address");
        words.put("confirm_code", "the same as a code");
        words.put("was", "when it was before it was moved");
        words.put("was_place", "where it was before it was moved");
        words.put("words", "what was added to a change or a call-off");
        words.put("other_date", "condition: another date is offered");
        words.put("offered", "the date that is offered in a swap");
        words.put("amount", "money paid or going back");
        words.put("number", "the number of a receipt");
        words.put("back", "money that goes back");
        words.put("kept", "money that is kept");
        return Collections.unmodifiableMap(words);
    }
}
