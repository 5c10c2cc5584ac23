package jollyroster.outbox;

import com.samskivert.mustache.MustacheException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import jollyroster.core.intake.Text;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.TemplateText;
import jollyroster.platform.Facts;
import jollyroster.platform.OrganisationQueries;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;

/** Checks what is to be written to people, before it is kept. */
@Component
public class LetterCheck {

    /** In characters. */
    public static final int LONGEST_SUBJECT = 150;

    /** In characters. */
    public static final int LONGEST_TEXT = 1000;

    /** In characters. */
    public static final int LONGEST_BODY = 20_000;

    private static final String SAMPLE_LINK = "https://link.example/way-in";
    private final LetterPreviews previews;

    private final Letters letters;

    private final OrganisationQueries organisation;
    private final AnswersGiven answers;
    private final NamedTextQueries texts;
    private final WordingQueries kept;
    private final Wordings wordings;

    LetterCheck(
            LetterPreviews previews,
            @Lazy Letters letters,
            OrganisationQueries organisation,
            @Lazy AnswersGiven answers,
            NamedTextQueries texts,
            WordingQueries kept,
            Wordings wordings) {
        this.answers = answers;
        this.texts = texts;
        this.kept = kept;
        this.wordings = wordings;
        this.previews = previews;
        this.letters = letters;
        this.organisation = organisation;
    }

    /** A letter before it is sent. */
    public record Read(String subject, String html) {}

    /** A letter to somebody who is on no session, as they would read it. */
    public Read preview(LetterKind kind, Facts given) {
        return previews.preview(kind, given, organisation.organisation().name());
    }

    /** A text without problems as somebody who is registered would read it; empty when they are not. */
    public Optional<String> preview(String body, long registration, long session) {
        return letters.facts(registration, session).map(facts -> previews.preview(body, facts));
    }

    /** What is wrong, in words; empty when it can be sent. Names such as {@code {{first_name}}} must be known. */
    public Optional<String> problem(String subject, String body) {
        if (subject.isBlank() || subject.length() > LONGEST_SUBJECT) {
            return Optional.of("A subject of at most 150 characters.");
        }
        if (body.isBlank() || body.length() > LONGEST_BODY) {
            return Optional.of("A text of at most 20,000 characters.");
        }
        return TemplateText.problems(body, LetterValues.names()).stream()
                .findFirst()
                .map(fault -> FaultWords.of(fault) + " Known are first_name, name, title, starts, place, join_link, "
                        + "own_link, seats, place_in_line, organisation.");
    }

    /** The names the words of a message may use, those of the questions of its offering included. */
    public Set<String> names(long offering) {
        return Stream.of(
                        LetterValues.names().stream(),
                        texts.names().stream(),
                        answers.names(offering).stream().map(name -> Wordings.ANSWER + name))
                .flatMap(names -> names)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** The names the words of one message may use. */
    public Set<String> names(WordingQueries.Of of) {
        return Anchor.INVITING.contains(of.anchor()) ? LetterPreviews.SAMPLE_INVITED.keySet() : names(of.offering());
    }

    /** What is wrong with the words of a message, in words, where it is and why; nothing when they can be kept. */
    public List<String> faults(WordingQueries.Of of, Wording words) {
        List<String> faults = new ArrayList<>();
        if (words.subject().isBlank() || words.subject().length() > Wording.LONGEST_LINE) {
            faults.add("The subject is missing, or longer than 150 characters.");
        }
        if (words.preheader().length() > Wording.LONGEST_LINE) {
            faults.add("The line beside the subject is longer than 150 characters.");
        }
        if (words.body().isBlank()) {
            faults.add("The text is missing.");
        }
        Set<String> known = names(of);
        TemplateText.problems(words.subject(), known).forEach(p -> faults.add("Subject: " + FaultWords.of(p)));
        TemplateText.problems(words.preheader(), known)
                .forEach(p -> faults.add("Beside the subject: " + FaultWords.of(p)));
        TemplateText.problems(words.body(), known).forEach(p -> faults.add(FaultWords.of(p)));
        TemplateText.problems(words.asText(), known).forEach(p -> faults.add("As a text: " + FaultWords.of(p)));
        if (words.asText().length() > LONGEST_TEXT) {
            faults.add("As a text it is longer than 1,000 characters.");
        }
        return faults.isEmpty() ? filledIn(of, words) : faults;
    }

    /** What shows only when the words are filled in: for whoever it may be, the way in has to come out. */
    private List<String> filledIn(WordingQueries.Of of, Wording words) {
        Set<String> named = answers.names(of.offering());
        if (Anchor.INVITING.contains(of.anchor())) {
            boolean missing = WayIn.of(of.anchor()).isPresent()
                    && !previews.previewInvited(words, SAMPLE_LINK).text().contains(SAMPLE_LINK);
            return missing ? List.of(WayIn.of(of.anchor()).orElseThrow()) : List.of();
        }
        try {
            boolean lost = WayIn.of(of.anchor()).isPresent()
                    && everyCase()
                            .anyMatch(holding -> !previews.sample(words, SAMPLE_LINK, holding, named)
                                    .contains(SAMPLE_LINK));
            return lost ? List.of(WayIn.of(of.anchor()).orElseThrow()) : List.of();
        } catch (MustacheException broken) {
            return List.of("It cannot be filled in: " + Text.oneLine(String.valueOf(broken.getMessage()), 120));
        }
    }

    /** Every choice of the conditions, as those that hold. */
    private static Stream<Set<String>> everyCase() {
        List<String> all = LetterPreviews.CONDITIONS;
        return IntStream.range(0, 1 << all.size())
                .mapToObj(choice -> all.stream()
                        .filter(condition -> (choice >> all.indexOf(condition) & 1) == 1)
                        .collect(Collectors.toSet()));
    }

    /** A message as it arrives. @param asText as a text message; empty where it never is one */
    public record Mail(String subject, String preheader, String text, String html, String asText) {}

    /** Words without faults as somebody who is registered would read them; empty when they are not. */
    public Optional<Mail> preview(WordingQueries.Of of, Wording words, long registration, long session) {
        return letters.facts(registration, session)
                .map(facts -> previews.preview(
                        of.anchor(), words, of.offering() != WordingQueries.HOUSE, facts, registration));
    }

    /** Words for somebody who is on no session yet, as somebody made up would read them. */
    public Mail previewInvited(Wording words) {
        return previews.previewInvited(words, SAMPLE_LINK);
    }

    /** A message with the words that count now as somebody made up would read it. */
    public Mail rehearse(Anchor anchor, Letters.Facts made) {
        long offering = made.about().offering();
        Wording words = counting(new WordingQueries.Of(anchor, offering));
        return previews.preview(anchor, words, wordings.isOwn(anchor, offering), made, 0);
    }

    /** The words that count for a message now: the offering's, those of the house, or those that ship. */
    public Wording counting(WordingQueries.Of of) {
        return kept.counting(of).map(WordingQueries.Version::words).orElseGet(() -> wordings.shipped(of.anchor()));
    }

    /** The words that name something, of messages other than they ship. */
    public List<WordingQueries.Of> naming(String name) {
        return kept.current().values().stream()
                .filter(version -> Wordings.names(version.words()).contains(name))
                .map(WordingQueries.Version::of)
                .toList();
    }

    /** What words name of other things: texts, and answers to questions. */
    public static Set<String> named(Wording words) {
        return Wordings.names(words).stream()
                .filter(name -> name.indexOf('.') > 0)
                .collect(Collectors.toSet());
    }
}
