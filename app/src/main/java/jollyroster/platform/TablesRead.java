package jollyroster.platform;

import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jooq.ExecuteContext;
import org.jooq.ExecuteListener;
import org.jspecify.annotations.Nullable;

/**
 * Notes the tables that are read on a thread, so that what was made of them can be kept until one changes. Nobody has to
 * keep a list by hand: each statement of the readers says which tables it reads, and so does what is {@link Remembered}.
 */
public final class TablesRead implements ExecuteListener {

    private static final long serialVersionUID = 1L;
    private static final Pattern TABLE = Pattern.compile("(?:\\bfrom|\\bjoin|,)\\s*\\(?\\s*\"?([a-z_]+)\"?");
    private static final ThreadLocal<@Nullable Set<String>> NOTED = new ThreadLocal<>();

    /** What is done while tables are noted. */
    public interface Reading<E extends Exception> {
        void run() throws E;
    }

    /** Does something and says which tables it read. Names that are no tables may be among them; they never change. */
    public static <E extends Exception> Set<String> during(Reading<E> reading) throws E {
        Set<String> noted = new TreeSet<>();
        NOTED.set(noted);
        try {
            reading.run();
            return noted;
        } finally {
            NOTED.remove();
        }
    }

    static void note(String... tables) {
        Set<String> noted = NOTED.get();
        if (noted != null) {
            noted.addAll(Set.of(tables));
        }
    }

    static void noteStatement(@Nullable String statement) {
        Set<String> noted = NOTED.get();
        if (noted != null && statement != null) {
            Matcher m = TABLE.matcher(statement.toLowerCase(Locale.ROOT));
            while (m.find()) {
                noted.add(m.group(1));
            }
        }
    }

    @Override
    public void renderEnd(ExecuteContext context) {
        noteStatement(context.sql());
    }
}
