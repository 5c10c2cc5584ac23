package jollyroster.outbox;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.MustacheException;
import com.samskivert.mustache.Template;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import jollyroster.core.messages.Anchor;
import org.springframework.stereotype.Component;

/**
 * The texts that ship with the program. A template is Mustache over Markdown; the text part of a letter shows the
 * Markdown without its asterisks, the HTML part renders it. Values are escaped for Markdown before they are rendered, so that nobody's name becomes
 * a link.
 */
@Component
class Templates {

    private static final Pattern MARKDOWN_SIGNS = Pattern.compile("([\\\\`*_{}\\[\\]()#+.!<>|~&-])");
    private static final Pattern ANGLES = Pattern.compile("<(https?://[^>]+)>");
    private static final String SUBJECT = "Subject: ";
    private static final String STRONG = "**";

    /** Whose words come with the message. */
    private static final Set<Anchor> WITHOUT = EnumSet.of(
            Anchor.LETTER,
            Anchor.WRITTEN,
            Anchor.SILENT,
            Anchor.SHORT,
            Anchor.INVITED,
            Anchor.INVITED_AGAIN,
            Anchor.NO_ROOM);

    private final Mustache.Compiler plain =
            Mustache.compiler().escapeHTML(false).strictSections(true).emptyStringIsFalse(true);
    private final Mustache.Compiler marked =
            plain.withEscaper(value -> MARKDOWN_SIGNS.matcher(value).replaceAll("\\\\$1"));
    private final Map<Anchor, Body> bodies = new EnumMap<>(Anchor.class);
    private final Map<Anchor, Template> texts = new EnumMap<>(Anchor.class);
    private final Map<LetterKind, Standing> letters = new EnumMap<>(LetterKind.class);

    Templates() {
        EnumSet.complementOf(EnumSet.copyOf(WITHOUT))
                .forEach(anchor -> bodies.put(anchor, compile(read(code(anchor) + ".md"))));
        Stream.of(Anchor.values())
                .filter(Anchor::isTexted)
                .forEach(anchor -> texts.put(anchor, line(textSource(anchor))));
        for (LetterKind kind : LetterKind.values()) {
            letters.put(kind, standing(read("letters/" + kind.code() + ".md")));
        }
    }

    private static String code(Anchor anchor) {
        return anchor.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** One text, for both parts of a letter. */
    record Body(Template asText, Template asMarkdown) {

        String text(Map<String, ?> values) {
            return ANGLES.matcher(asText.execute(values)).replaceAll("$1");
        }

        String html(Map<String, ?> values) {
            return FilledMarkdown.html(asMarkdown, values);
        }
    }

    /** A letter with a subject of its own. */
    private record Standing(Template subject, Body body) {}

    private Standing standing(String source) {
        int end = source.indexOf('\n');
        if (!source.startsWith(SUBJECT)) {
            throw new IllegalStateException("A letter begins with its subject: " + source.substring(0, end));
        }
        return new Standing(plain.compile(source.substring(SUBJECT.length(), end)), compile(source.substring(end + 2)));
    }

    /** @throws MustacheException where a section is not closed */
    Body compile(String source) {
        return new Body(plain.compile(source.replace(STRONG, "")), marked.compile(source));
    }

    Body of(Anchor anchor) {
        return bodies.get(anchor);
    }

    Body of(LetterKind kind) {
        return letters.get(kind).body();
    }

    String subject(LetterKind kind, Map<String, ?> values) {
        return letters.get(kind).subject().execute(values);
    }

    /** One line, such as a subject: nothing in it is Markdown. */
    Template line(String source) {
        return plain.compile(source);
    }

    /** The words that ship for a message as a text; empty where it never is one. */
    Optional<Template> textOf(Anchor anchor) {
        return Optional.ofNullable(texts.get(anchor));
    }

    /** The same as they were written. */
    String textSource(Anchor anchor) {
        return anchor.isTexted() ? read("texts/" + code(anchor) + ".txt").strip() : "";
    }

    /** The words that ship for a message, as they were written. */
    String source(Anchor anchor) {
        return Anchor.INVITING.contains(anchor)
                ? letter(anchor).substring(letter(anchor).indexOf('\n') + 2)
                : read(code(anchor) + ".md");
    }

    /** The subject that ships for a letter to somebody who is on no session yet, as it was written. */
    String subjectSource(Anchor anchor) {
        return letter(anchor).substring(SUBJECT.length(), letter(anchor).indexOf('\n'));
    }

    private static String letter(Anchor anchor) {
        return read("letters/" + code(anchor) + ".md");
    }

    static String read(String file) {
        try (InputStream in = Templates.class.getResourceAsStream("/messages/" + file)) {
            if (in == null) {
                throw new IllegalStateException("No message template " + file);
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
