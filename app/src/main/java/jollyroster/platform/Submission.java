package jollyroster.platform;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Names a form that somebody fills in, so that sending it twice, as with a double press, counts once. */
public final class Submission {

    private static final int LONGEST = 64;

    private Submission() {}

    public static String fresh() {
        return UUID.randomUUID().toString();
    }

    /** @param sent as it came with the form @return empty where none came, or none that was given */
    public static String read(@Nullable String sent) {
        return sent == null || sent.length() > LONGEST ? "" : sent;
    }

    /** The same of a page that may be used again for somebody else, as one that is kept by the browser. @param who it is about, and where */
    public static String read(@Nullable String sent, List<?> who) {
        String form = read(sent);
        return form.isEmpty() ? "" : read(form + Integer.toHexString(who.hashCode()));
    }
}
