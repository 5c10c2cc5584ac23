package jollyroster.outbox;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import com.samskivert.mustache.Template;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import jollyroster.platform.Markdown;
import org.springframework.web.util.HtmlUtils;

/**
 * The HTML of a letter to many. Letters of one kind differ in their values alone, so that a mark stands for each value while the words
 * are rendered; what comes out is kept, and the values are put in, escaped, where their marks are. Values of more than one line can
 * change how words are laid out and are rendered with them.
 */
final class FilledMarkdown {

    private static final String LINK = "https://mark-";
    private static final char FIRST = '\uE000';
    private static final char LAST = '\uF8FF';
    private static final int MOST = 200;
    private static final List<String> LINKS =
            IntStream.range(0, MOST).mapToObj(i -> LINK + i + ".invalid/").toList();
    private static final Pattern MARKS = Pattern.compile("([\uE000-\uE0FF])|https://mark-(\\d{1,3})\\.invalid/");
    private static final Pattern TEXT_MARKS = Pattern.compile("[\uE000-\uE0FF]");
    private static final Pattern TAGS = Pattern.compile("<[^>]*>");
    private static final Pattern WHOLE_LINK = Pattern.compile("https?://[!-~&&[^<>\\\\\"]]+");
    private static final LoadingCache<String, Form> FORMS = Caffeine.newBuilder()
            .maximumWeight(2_000_000)
            .weigher((String words, Form form) -> 2 * words.length())
            .build(words -> Form.of(words, Markdown.render(words)));

    private final List<String> marked = new ArrayList<>();

    private FilledMarkdown() {}

    static String html(Template words, Map<String, ?> values) {
        if (values.values().stream().anyMatch(value -> hasOwnMarks(value.toString()))) {
            return Markdown.render(words.execute(values));
        }
        FilledMarkdown filled = new FilledMarkdown();
        Form form = FORMS.get(words.execute(filled.marks(values)));
        return form.isSure() ? form.filled(filled.marked) : Markdown.render(words.execute(values));
    }

    private static boolean hasOwnMarks(String value) {
        return value.contains(LINK) || value.chars().anyMatch(c -> c >= FIRST && c <= LAST);
    }

    private Map<String, Object> marks(Map<String, ?> values) {
        Map<String, Object> marks = new LinkedHashMap<>();
        values.forEach((name, value) -> marks.put(name, mark(name, value)));
        return marks;
    }

    private Object mark(Object name, Object value) {
        if (value instanceof Map<?, ?> some) {
            Map<Object, Object> marks = new LinkedHashMap<>();
            some.forEach((inner, each) -> marks.put(inner, mark(inner, each)));
            return marks;
        }
        if (value instanceof List<?> some) {
            return some.stream().map(each -> mark(name, each)).toList();
        }
        return value instanceof String text && isOneLine(text) && marked.size() < MOST
                ? mark(name.toString(), text)
                : value;
    }

    /** What is called a link and is none stays as it is: names of links may be written without escaping. */
    private String mark(String name, String text) {
        boolean link = text.startsWith("http") && WHOLE_LINK.matcher(text).matches();
        if (!link && name.endsWith("_link")) {
            return text;
        }
        marked.add(text);
        int number = marked.size() - 1;
        return link ? LINKS.get(number) : String.valueOf((char) (FIRST + number));
    }

    private static boolean isOneLine(String text) {
        return !text.isEmpty() && text.equals(text.strip()) && text.chars().noneMatch(Character::isISOControl);
    }

    /**
     * HTML in pieces.
     *
     * @param numbers of the value after each piece but the last
     * @param isSure whether every mark is still there and, unless it is a link, stands in the text and not within a tag
     */
    private record Form(List<String> pieces, List<Integer> numbers, boolean isSure) {

        private static boolean isSure(String words, String html) {
            String seen = TAGS.matcher(html).replaceAll("");
            return TEXT_MARKS.matcher(words).results().count()
                            == TEXT_MARKS.matcher(seen).results().count()
                    && TEXT_MARKS.matcher(html).results().count()
                            == TEXT_MARKS.matcher(seen).results().count();
        }

        static Form of(String words, String html) {
            List<String> pieces = new ArrayList<>();
            List<Integer> numbers = new ArrayList<>();
            Matcher marks = MARKS.matcher(html);
            int from = 0;
            while (marks.find()) {
                pieces.add(html.substring(from, marks.start()));
                numbers.add(
                        marks.group(1) == null
                                ? Integer.parseInt(marks.group(2))
                                : marks.group(1).charAt(0) - FIRST);
                from = marks.end();
            }
            pieces.add(html.substring(from));
            return new Form(pieces, numbers, isSure(words, html));
        }

        String filled(List<String> values) {
            StringBuilder html = new StringBuilder();
            for (int i = 0; i < numbers.size(); i++) {
                html.append(pieces.get(i)).append(HtmlUtils.htmlEscape(values.get(numbers.get(i)), "UTF-8"));
            }
            return html.append(pieces.get(pieces.size() - 1)).toString();
        }
    }
}
