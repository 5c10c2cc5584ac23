package jollyroster.platform;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** The numbers and names of something that happened; kept as JSON, made words of when shown or sent. */
public final class Facts {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private final Map<String, Object> values;

    private Facts(Map<String, Object> values) {
        this.values = values;
    }

    public static Facts none() {
        return new Facts(new LinkedHashMap<>());
    }

    public static Facts of(String name, @Nullable Object value) {
        return none().and(name, value);
    }

    /** The same with one more. @param value a number, a truth or text; times are kept as text (ISO 8601) */
    public Facts and(String name, @Nullable Object value) {
        Map<String, Object> more = new LinkedHashMap<>(values);
        if (value != null) {
            more.put(name, value instanceof Number || value instanceof Boolean ? value : value.toString());
        }
        return new Facts(more);
    }

    /** The same with lines of text, over which a template can go. */
    public Facts andLines(String name, List<String> lines) {
        Map<String, Object> more = new LinkedHashMap<>(values);
        more.put(name, List.copyOf(lines));
        return new Facts(more);
    }

    /** The same with several of something, over which a template can go. */
    public Facts andEach(String name, List<Facts> each) {
        Map<String, Object> more = new LinkedHashMap<>(values);
        more.put(name, each.stream().map(Facts::values).toList());
        return new Facts(more);
    }

    /** The same with all of the others. */
    public Facts and(Facts others) {
        Map<String, Object> more = new LinkedHashMap<>(values);
        more.putAll(others.values);
        return new Facts(more);
    }

    /** Reads what {@link #json()} wrote; nothing from what was not written by it. */
    public static Facts read(String json) {
        try {
            return json.isEmpty()
                    ? none()
                    : new Facts(JSON.readValue(
                            json,
                            JSON.getTypeFactory().constructMapType(LinkedHashMap.class, String.class, Object.class)));
        } catch (JacksonException notOurs) {
            return none();
        }
    }

    public String json() {
        return values.isEmpty() ? "" : JSON.writeValueAsString(values);
    }

    public boolean isEmpty() {
        return values.isEmpty();
    }

    /** All of them by name. */
    public Map<String, Object> values() {
        return Map.copyOf(values);
    }

    /** 0 when it is not there. */
    public int number(String name) {
        return values.get(name) instanceof Number n ? n.intValue() : 0;
    }

    /** Empty when it is not there. */
    public String text(String name) {
        Object value = values.get(name);
        return value == null ? "" : value.toString();
    }

    public boolean is(String name) {
        return Boolean.TRUE.equals(values.get(name));
    }

    public Optional<Instant> time(String name) {
        return text(name).isEmpty() ? Optional.empty() : Optional.of(Instant.parse(text(name)));
    }
}
