package jollyroster.roster;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import jollyroster.core.intake.Text;
import jollyroster.core.seats.RegistrationState;
import jollyroster.roster.RosterPageQueries.Filter;
import jollyroster.roster.RosterPageQueries.Sort;
import org.jspecify.annotations.Nullable;

/**
 * What is looked for on a roster, as it stands in the address of the page.
 *
 * @param state the code of a state, or empty for all
 * @param question number of a question, or empty
 * @param is the answer to it
 */
record RollQuery(String q, String state, String question, String is, String marked, String sort) {

    private static final int LONGEST = 200;

    RollQuery {
        q = cut(q);
        state = cut(state);
        question = cut(question).matches("\\d{1,15}") ? cut(question) : "";
        is = cut(is);
        marked = cut(marked);
        sort = cut(sort);
    }

    private static String cut(@Nullable String text) {
        return text == null ? "" : Text.oneLine(text, LONGEST);
    }

    Filter filter() {
        return new Filter(
                q,
                false,
                states(),
                question.isEmpty() ? 0 : Long.parseLong(question),
                is,
                !marked.isEmpty(),
                Arrays.stream(Sort.values())
                        .filter(s -> s.name().equals(sort.toUpperCase(Locale.ROOT)))
                        .findFirst()
                        .orElse(Sort.STATE));
    }

    /** What a helper can look for: names and states. */
    Filter namesOnly() {
        Filter asked = filter();
        return new Filter(q, true, asked.states(), 0, "", false, asked.sort());
    }

    private List<RegistrationState> states() {
        return Arrays.stream(RegistrationState.values())
                .filter(s -> s.code().equals(state))
                .toList();
    }

    RollQuery in(String otherState) {
        return new RollQuery(q, otherState, question, is, marked, sort);
    }

    /** The query as it stands in an address, without a leading question mark. */
    String inAddress() {
        return "q=" + encoded(q) + "&state=" + encoded(state) + "&question=" + question + "&is=" + encoded(is)
                + "&marked=" + encoded(marked) + "&sort=" + encoded(sort);
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
