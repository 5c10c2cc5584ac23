package jollyroster.platform;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/**
 * Pieces of pages whose markup follows from one value alone: written once for each value and known from then on, whoever
 * asks. A piece must not use anything else: no token of a form, no clock, not who is signed in. As the value is the key,
 * nothing can be stale.
 */
@Component
public class Pieces {

    private static final long MOST_CHARACTERS = 6_000_000;
    /** Stands for the token until the piece is sent; nobody can know it and have it written into a page. */
    private static final String TOKEN = UUID.randomUUID().toString();

    private final ITemplateEngine templates;
    private final LoadingCache<Piece, String> known;

    private record Piece(String template, String name, Object value) {}

    Pieces(ITemplateEngine templates) {
        this.templates = templates;
        this.known = Caffeine.newBuilder()
                .maximumWeight(MOST_CHARACTERS)
                .weigher((Piece piece, String markup) -> markup.length())
                .build(this::written);
    }

    /** The markup of a piece for each of these values, one after the other. */
    public String writeAll(String template, String name, List<?> values) {
        return values.stream().map(value -> write(template, name, value)).collect(Collectors.joining("\n"));
    }

    /** Markup of pieces with forms in it, made the own of the page's reader. */
    public String own(String markup, String token) {
        return markup.replace(TOKEN, token);
    }

    /**
     * The markup of a piece.
     *
     * @param name of the fragment in the template, which finds the value as {@code it}
     * @param value one that is equal to another only if both show the same, such as a record
     */
    public String write(String template, String name, Object value) {
        return known.get(new Piece(template, name, value));
    }

    private String written(Piece piece) {
        Context only = new Context(Locale.ENGLISH, Map.of("it", piece.value(), "token", TOKEN));
        return templates.process(piece.template(), Set.of(piece.name()), only).strip();
    }
}
