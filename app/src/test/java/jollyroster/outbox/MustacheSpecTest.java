package jollyroster.outbox;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Cases of the published Mustache specification (github.com/mustache/spec, version 1.4: interpolation, sections, inverted), as far as
 * words may use them, spelled out. What it says of escaping for HTML does not apply: words are Markdown, and escaped as such.
 */
class MustacheSpecTest {

    private static Arguments of(String name, Map<String, ?> data, String template, String expected) {
        return Arguments.of(name, data, template, expected);
    }

    static Stream<Arguments> cases() {
        return Stream.of(
                of("No Interpolation", Map.of(), "Hello from {Mustache}!\n", "Hello from {Mustache}!\n"),
                of("Basic Interpolation", Map.of("subject", "world"), "Hello, {{subject}}!\n", "Hello, world!\n"),
                of(
                        "Basic Integer Interpolation",
                        Map.of("mph", 85),
                        "\"{{mph}} miles an hour!\"",
                        "\"85 miles an hour!\""),
                of("Triple Mustache", Map.of("power", "1.210"), "\"{{{power}}} jiggawatts!\"", "\"1.210 jiggawatts!\""),
                of(
                        "Dotted Names - Basic Interpolation",
                        Map.of("person", Map.of("name", "Joe")),
                        "\"{{person.name}}\" == \"{{#person}}{{name}}{{/person}}\"",
                        "\"Joe\" == \"Joe\""),
                of("Interpolation - Surrounding Whitespace", Map.of("string", "---"), "| {{string}} |", "| --- |"),
                of("Interpolation With Padding", Map.of("string", "---"), "|{{ string }}|", "|---|"),
                of(
                        "Truthy",
                        Map.of("boolean", true),
                        "\"{{#boolean}}This should be rendered.{{/boolean}}\"",
                        "\"This should be rendered.\""),
                of(
                        "Falsey",
                        Map.of("boolean", false),
                        "\"{{#boolean}}This should not be rendered.{{/boolean}}\"",
                        "\"\""),
                of(
                        "List",
                        Map.of("list", List.of(Map.of("item", 1), Map.of("item", 2), Map.of("item", 3))),
                        "\"{{#list}}{{item}}{{/list}}\"",
                        "\"123\""),
                of("Empty List", Map.of("list", List.of()), "\"{{#list}}Yay lists!{{/list}}\"", "\"\""),
                of(
                        "Implicit Iterator - String",
                        Map.of("list", List.of("a", "b", "c", "d", "e")),
                        "\"{{#list}}({{.}}){{/list}}\"",
                        "\"(a)(b)(c)(d)(e)\""),
                of(
                        "Standalone Lines",
                        Map.of("boolean", true),
                        "| This Is\n{{#boolean}}\n|\n{{/boolean}}\n| A Line\n",
                        "| This Is\n|\n| A Line\n"),
                of(
                        "Nested (Truthy)",
                        Map.of("bool", true),
                        "| A {{#bool}}B {{#bool}}C{{/bool}} D{{/bool}} E |",
                        "| A B C D E |"),
                of(
                        "Inverted: Falsey",
                        Map.of("boolean", false),
                        "\"{{^boolean}}This should be rendered.{{/boolean}}\"",
                        "\"This should be rendered.\""),
                of(
                        "Inverted: Truthy",
                        Map.of("boolean", true),
                        "\"{{^boolean}}This should not be rendered.{{/boolean}}\"",
                        "\"\""),
                of(
                        "Inverted: Empty List",
                        Map.of("list", List.of()),
                        "\"{{^list}}Empty list{{/list}}\"",
                        "\"Empty list\""),
                of(
                        "Inverted: Doubled",
                        Map.of("bool", false, "two", "second"),
                        "{{^bool}}\n* first\n{{/bool}}\n* {{two}}\n{{^bool}}\n* third\n{{/bool}}\n",
                        "* first\n* second\n* third\n"));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("cases")
    void a_case_of_the_specification_comes_out_as_it_says(
            String name, Map<String, ?> data, String template, String expected) {
        assertThat(new Templates().line(template).execute(data)).isEqualTo(expected);
    }
}
