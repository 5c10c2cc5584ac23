package jollyroster.platform;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jooq.Param;
import org.jooq.Query;
import org.jooq.conf.ParamType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.RowMapper;

/**
 * A question to the store whose text is written once. For the few of the hottest write, where writing the text anew takes
 * longer than running it. Its values are named: {@code DSL.param("email", PERSON.EMAIL)}; one name may stand in several
 * places.
 */
public final class KeptQuery {

    private static final Pattern PLACE = Pattern.compile(":([a-z_]+)");
    private final Kept kept;
    private final List<Param<?>> places = new ArrayList<>();

    KeptQuery(JdbcTemplate store, Query written) {
        Map<String, Param<?>> known = written.getParams();
        Matcher names = PLACE.matcher(written.getSQL(ParamType.NAMED));
        StringBuilder text = new StringBuilder();
        while (names.find()) {
            places.add(known.get(names.group(1)));
            names.appendReplacement(text, "?");
        }
        names.appendTail(text);
        this.kept = new Kept(store, text.toString());
    }

    String text() {
        return kept.text();
    }

    /** The first row of what it finds. @param values by name, all of them */
    public <T> Optional<T> first(RowMapper<T> read, Map<String, ?> values) {
        return kept.first(read, inOrder(values));
    }

    /** Runs a write. @param values by name, all of them */
    public void run(Map<String, ?> values) {
        kept.run(inOrder(values));
    }

    private Object[] inOrder(Map<String, ?> values) {
        Object[] ordered = new Object[places.size()];
        for (int i = 0; i < ordered.length; i++) {
            ordered[i] = stored(places.get(i), values);
        }
        return ordered;
    }

    @SuppressWarnings("unchecked")
    private static <T> Object stored(Param<T> place, Map<String, ?> values) {
        Object value = values.get(place.getParamName());
        if (value == null) {
            throw new IllegalArgumentException("No value for " + place.getParamName());
        }
        return place.getBinding().converter().to((T) value);
    }
}
