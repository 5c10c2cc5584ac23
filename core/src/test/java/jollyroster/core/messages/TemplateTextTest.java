package jollyroster.core.messages;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.core.messages.TemplateText.Fault;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.Chars;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TemplateTextTest {

    private static final Set<String> KNOWN = Set.of("first_name", "online", "join_link", "other_dates", "is_series");

    private static String said(String words) {
        return TemplateText.problems(words, KNOWN).stream()
                .map(p -> p.fault() + " " + p.line() + ":" + p.column() + " " + p.name()
                        + p.meant().map(m -> " -> " + m).orElse(""))
                .map(String::strip)
                .collect(Collectors.joining("; "));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "none",
            value = {
                "Hello {{first_name}}, {{{join_link}}} {{& join_link}} {{! a remark {} | none",
                "{{#online}}here{{/online}}{{^online}}there{{/online}} | ''",
                "{{#other_dates}}- {{.}}{{/other_dates}} | ''",
                "Hello {{ firstname }} | UNKNOWN_NAME 1:7 firstname -> first_name",
                "{{frist_name}} | UNKNOWN_NAME 1:1 frist_name -> first_name",
                "{{nonsense}} | UNKNOWN_NAME 1:1 nonsense",
                "{{.}} | UNKNOWN_NAME 1:1 .",
                "{{#online}} here | PART_NOT_CLOSED 1:1 online",
                "here {{/online}} | PART_NOT_OPEN 1:6 online",
                "{{#online}}{{#is_series}}{{/online}}{{/is_series}} | PART_NOT_OPEN 1:26 online; PART_NOT_CLOSED 1:1 online",
                "Hello {{first_name | TAG_NOT_CLOSED 1:7",
                "Hello {{first_name and {{join_link}} | TAG_NOT_CLOSED 1:7",
                "{{{join_link}} | TAG_NOT_CLOSED 1:1",
                "{{> other}} | NOT_ALLOWED 1:1 > other",
                "{{=<% %>=}} | NOT_ALLOWED 1:1 =<% %>=",
                "{{{first_name}}} | NOT_A_LINK 1:1 first_name",
                "{{& first_name}} {{{ join_link }}} | NOT_A_LINK 1:1 first_name",
                "no braces { } } at all | ''"
            })
    void what_is_wrong_is_said_with_its_place(String words, String expected) {
        if (expected != null) {
            assertThat(said(words)).isEqualTo(expected);
        } else {
            assertThat(said(words)).startsWith("TAG_NOT_CLOSED");
        }
    }

    @Test
    void lines_and_columns_count_from_one() {
        assertThat(said("Hello,\n\nyour {{lnk}} is\nhere: {{join_lnk}}"))
                .isEqualTo("UNKNOWN_NAME 3:6 lnk; UNKNOWN_NAME 4:7 join_lnk -> join_link");
        assertThat(said("{{lnk}}\n{{lnk}}")).isEqualTo("UNKNOWN_NAME 1:1 lnk; UNKNOWN_NAME 2:1 lnk");
    }

    @Test
    void too_much_is_said_once() {
        assertThat(said("x".repeat(1_000_000))).isEqualTo("TOO_LONG 1:1");
        assertThat(TemplateText.problems("{{x1}}".repeat(3000), KNOWN)).hasSize(10);
        assertThat(said("{{#online}}".repeat(9) + "{{/online}}".repeat(9))).isEqualTo("TOO_DEEP 1:89 online");
    }

    @Test
    void the_names_that_are_asked_for_are_known_beforehand() {
        assertThat(TemplateText.names("{{#online}}{{{ join_link }}}{{/online}} {{first_name}} {{#x}}{{.}}{{/x}}"))
                .containsExactlyInAnyOrder("online", "join_link", "first_name", "x");
    }

    @Property
    void nothing_that_is_typed_breaks_it(
            @ForAll
                    @StringLength(max = 60)
                    @Chars({'{', '}', '#', '/', '^', '>', '=', '.', ' ', '\n'})
                    @CharRange(from = 'a', to = 'c')
                    String words) {
        for (TemplateText.Problem problem : TemplateText.problems(words, Set.of("a", "b"))) {
            assertThat(problem.line()).isBetween(1, 1 + (int) words.lines().count() + 1);
            assertThat(problem.column()).isBetween(1, words.length() + 1);
            assertThat(problem.fault()).isNotEqualTo(Fault.TOO_LONG);
            assertThat(problem.meant()).isNotEqualTo(Optional.of(problem.name()));
        }
    }
}
