package jollyroster.outbox;

import com.samskivert.mustache.Template;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import jollyroster.core.messages.Segments;
import jollyroster.texting.AgreementQueries;
import jollyroster.texting.ShortLinkCommands;
import org.springframework.stereotype.Component;

/** Writes text messages: the words of a message as a text, and how things stand when it leaves. */
@Component
class TextWriter {

    /** No text is sent in more parts. */
    static final int MOST_PARTS = 10;

    private static final List<String> LINKS = List.of("join_link", "own_link");
    private final LetterWriter letters;
    private final Wordings wordings;
    private final AgreementQueries agreements;
    private final ShortLinkCommands links;
    private final DispatchCommands dispatch;

    TextWriter(
            LetterWriter letters,
            Wordings wordings,
            AgreementQueries agreements,
            ShortLinkCommands links,
            DispatchCommands dispatch) {
        this.dispatch = dispatch;
        this.letters = letters;
        this.wordings = wordings;
        this.agreements = agreements;
        this.links = links;
    }

    /** A text ready to go. */
    record Written(String number, String words, int parts) {}

    /** The text of a message about somebody who agreed to texts; its links are short. */
    Written about(Claim claim, Letters.Facts facts) {
        String words = words(claim, facts, link -> dispatch.shorten(claim.id(), link));
        int parts = Segments.of(words).parts();
        if (parts == 0 || parts > MOST_PARTS) {
            throw new IllegalStateException("A text of " + parts + " parts");
        }
        return new Written(agreements.numberFor(claim.registration()).orElseThrow(), words, parts);
    }

    /** A text about no registration, in the words it brings. */
    Written standing(Claim claim) {
        String words = Segments.narrowed(claim.body());
        return new Written(claim.recipient(), words, Segments.of(words).parts());
    }

    /** The same to look at, without links that work. */
    String preview(Claim claim, Letters.Facts facts) {
        return words(claim, facts, link -> links.sample());
    }

    private String words(Claim claim, Letters.Facts facts, UnaryOperator<String> shorten) {
        Wordings.Words words = wordings.of(claim.anchor(), facts.about().offering());
        Template text = words.asText().orElseThrow(() -> new IllegalStateException("No text for " + claim.anchor()));
        return fill(text, letters.filled(claim, words, facts), shorten);
    }

    /** Fills in words as a text. Signs that phones write wide are replaced where nothing else in it is wide. */
    static String fill(Template text, Map<String, Object> values, UnaryOperator<String> shorten) {
        Map<String, Object> all = new HashMap<>(values);
        LINKS.forEach(name -> all.computeIfPresent(name, (n, link) -> shortened(String.valueOf(link), shorten)));
        return Segments.narrowed(text.execute(all).strip());
    }

    private static String shortened(String link, UnaryOperator<String> shorten) {
        return link.isEmpty() ? "" : shorten.apply(link);
    }
}
