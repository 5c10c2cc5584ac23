package jollyroster.outbox;

import com.samskivert.mustache.Template;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.intake.Text;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.TemplateText;
import jollyroster.outbox.WordingQueries.Of;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import org.springframework.stereotype.Component;

/** The words of messages, ready to be filled in: an offering's own, those of the house, or those that ship. */
@Component
class Wordings {

    /** Before the name of a question. */
    static final String ANSWER = "answer.";

    private static final int MOST = 200;
    private static final int LONGEST_SUBJECT = 250;
    private final Templates templates;
    private final WordingQueries kept;
    private final Remembered<Of, Words> ready;

    Wordings(Templates templates, WordingQueries kept, TableChanges changes) {
        this.templates = templates;
        this.kept = kept;
        this.ready = new Remembered<>(changes, MOST, "wording");
    }

    /**
     * Words that can be filled in.
     *
     * @param subject empty where a message has its subject from the day it was planned
     * @param asText empty where a message never goes as a text
     */
    record Words(
            Optional<Template> subject,
            Optional<Template> preheader,
            Templates.Body body,
            Optional<Template> asText,
            Set<String> names) {

        /** What is named of a kind, by how such names begin; without that. */
        List<String> named(String kind) {
            return names.stream()
                    .filter(name -> name.startsWith(kind))
                    .map(name -> name.substring(kind.length()))
                    .toList();
        }

        /** Words that have no subject of their own and name no answers. */
        static Words plain(Templates.Body body) {
            return new Words(Optional.empty(), Optional.empty(), body, Optional.empty(), Set.of());
        }

        /** @param otherwise the subject it was planned with */
        String subject(Map<String, ?> values, String otherwise) {
            return subject.map(some -> Text.oneLine(some.execute(values), LONGEST_SUBJECT))
                    .orElse(otherwise);
        }

        String preheader(Map<String, ?> values) {
            return preheader
                    .map(some -> Text.oneLine(some.execute(values), LONGEST_SUBJECT))
                    .orElse("");
        }
    }

    Words of(Anchor anchor, long offering) {
        return ready.get(new Of(anchor, offering), this::read);
    }

    /** Whether an offering words a message itself, in its own language. */
    boolean isOwn(Anchor anchor, long offering) {
        return offering != WordingQueries.HOUSE && kept.current().containsKey(new Of(anchor, offering));
    }

    /** The words of a letter to somebody who is on no session yet, where they are other than what ships. */
    Optional<Words> ofLetter(LetterKind kind, long offering) {
        return Anchor.INVITING.stream()
                .filter(anchor -> anchor.name().equals(kind.name()))
                .filter(anchor -> kept.counting(new Of(anchor, offering)).isPresent())
                .map(anchor -> of(anchor, offering))
                .findFirst();
    }

    private Words read(Of of) {
        return kept.counting(of)
                .map(version -> compile(of.anchor(), version.words()))
                .orElseGet(() -> new Words(
                        Optional.empty(),
                        Optional.empty(),
                        templates.of(of.anchor()),
                        templates.textOf(of.anchor()),
                        Set.of()));
    }

    /** @param words without faults; where they have none as a text, those that ship count */
    Words compile(Anchor anchor, Wording words) {
        Optional<Template> preheader =
                words.preheader().isEmpty() ? Optional.empty() : Optional.of(templates.line(words.preheader()));
        Set<String> names = names(words);
        return new Words(
                Optional.of(templates.line(words.subject())),
                preheader,
                templates.compile(words.body()),
                words.asText().isEmpty() ? templates.textOf(anchor) : Optional.of(templates.line(words.asText())),
                names);
    }

    /** All that words name. */
    static Set<String> names(Wording words) {
        return Stream.of(words.subject(), words.preheader(), words.body(), words.asText())
                .flatMap(text -> TemplateText.names(text).stream())
                .collect(Collectors.toSet());
    }

    /** The words that ship. */
    Wording shipped(Anchor anchor) {
        if (Anchor.INVITING.contains(anchor)) {
            return new Wording(templates.subjectSource(anchor), "", templates.source(anchor));
        }
        return new Wording(
                Subjects.of(anchor, "{{title}}"), "", templates.source(anchor), templates.textSource(anchor));
    }
}
