package jollyroster.outbox;

import static org.assertj.core.api.Assertions.assertThat;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import jollyroster.platform.Markdown;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.web.util.HtmlUtils;

/** Letters to many are rendered once; each must read as if it had been rendered by itself. */
class FilledMarkdownTest {

    private static final Pattern SIGNS = Pattern.compile("([\\\\`*_{}\\[\\]()#+.!<>|~&-])");
    private static final String OWN = "https://localhost/r/abc.def-1_2?x=1&y=%20";

    private static Template words(String source) {
        return Mustache.compiler()
                .escapeHTML(false)
                .emptyStringIsFalse(true)
                .withEscaper(value -> SIGNS.matcher(value).replaceAll("\\\\$1"))
                .compile(source);
    }

    private static Map<String, Object> values(String name) {
        Map<String, Object> values = new LinkedHashMap<>();
        values.put("name", name);
        values.put("own_link", OWN);
        values.put("no_link", "#here");
        values.put("empty", "");
        values.put("online", true);
        values.put("dates", List.of(name, "Tue 16 Mar"));
        values.put("answer", Map.of("boots", name));
        return values;
    }

    /** What a reader sees of HTML and where it leads, however its signs are written. */
    private static String read(String html) {
        return HtmlUtils.htmlUnescape(html.replace("{<!-- -->", "{"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Wren Skerry",
                "*Wren* & <b>Bo</b> \"x\" 'y'",
                "1. Wren",
                "- Wren",
                "# Wren",
                "(Wren)",
                "[click](https://evil.example)",
                "https://evil.example",
                "javascript:alert(1)",
                "{{name}} {{{own_link}}}",
                "مرحبا \u202E🚣",
                "&amp; \\ ` ~~ | _a_",
                "two\nlines",
                "two\n\nparagraphs",
                " space ",
                "\uE000\uE001",
                "https://mark-0.invalid/",
                ""
            })
    void it_reads_as_if_it_had_been_rendered_by_itself(String name) {
        for (String source : List.of(
                "Hello {{name}},\n\n**{{name}}** of *{{name}}*\n\n<{{{own_link}}}>",
                "{{name}}\n\n- {{name}}\n- [here]({{{own_link}}})\n\n{{#online}}On {{name}}{{/online}}{{^empty}}none{{/empty}}",
                "{{#dates}}\n- {{.}}\n{{/dates}}\n\n{{answer.boots}} {{{no_link}}}",
                "# {{name}}\n\n> {{name}}: [{{name}}]({{{own_link}}})")) {
            Template words = words(source);
            for (int time = 0; time < 2; time++) {
                assertThat(read(FilledMarkdown.html(words, values(name))))
                        .as(source)
                        .isEqualTo(read(Markdown.render(words.execute(values(name)))));
            }
        }
    }

    @Test
    void a_value_never_becomes_a_tag_nor_where_a_link_leads() {
        Template words = words("Hello {{name}}, [page]({{name}}) [two](https://saltmarrow.example/{{name}})");
        for (String name : List.of("<img src=x onerror=alert(1)>", "javascript:alert(1)", "\" onclick=\"alert(1)")) {
            assertThat(FilledMarkdown.html(words, values(name)))
                    .doesNotContain("<img", "href=\"javascript", " onclick=\"");
        }
    }

    @Test
    void as_code_it_reads_as_typed() {
        assertThat(FilledMarkdown.html(words("`{{name}}`"), values("a*b"))).isEqualTo("<p><code>a*b</code></p>\n");
    }

    @Test
    void what_differs_is_each_ones_own() {
        Template words = words("Hello {{name}}");
        assertThat(FilledMarkdown.html(words, values("Wren"))).isEqualTo("<p>Hello Wren</p>\n");
        assertThat(FilledMarkdown.html(words, values("Bo & Co"))).isEqualTo("<p>Hello Bo &amp; Co</p>\n");
    }
}
