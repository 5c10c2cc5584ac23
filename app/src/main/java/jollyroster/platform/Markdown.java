package jollyroster.platform;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.util.stream.Collectors;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.Node;
import org.commonmark.node.SoftLineBreak;
import org.commonmark.node.Text;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.commonmark.renderer.text.LineBreakRendering;
import org.commonmark.renderer.text.TextContentRenderer;
import org.owasp.html.PolicyFactory;
import org.owasp.html.Sanitizers;

/** Markdown (CommonMark 0.31) as HTML that cannot harm: raw HTML is shown as text and what is left is sanitised. */
public final class Markdown {

    private static final Parser PARSER = Parser.builder().build();
    private static final HtmlRenderer RENDERER =
            HtmlRenderer.builder().escapeHtml(true).sanitizeUrls(true).build();
    private static final TextContentRenderer WORDS = TextContentRenderer.builder()
            .lineBreakRendering(LineBreakRendering.COMPACT)
            .build();
    private static final PolicyFactory POLICY =
            Sanitizers.FORMATTING.and(Sanitizers.BLOCKS).and(Sanitizers.LINKS);

    /** A line that was only broken to be read in a box goes on. */
    private static final AbstractVisitor ON_ONE_LINE = new AbstractVisitor() {
        @Override
        public void visit(SoftLineBreak lineBreak) {
            lineBreak.insertAfter(new Text(" "));
            lineBreak.unlink();
        }
    };

    private Markdown() {}

    private static final LoadingCache<String, String> RENDERED = Caffeine.newBuilder()
            .maximumWeight(2_000_000)
            .weigher((String text, String html) -> text.length() + html.length())
            .build(Markdown::render);

    public static String toSafeHtml(String markdown) {
        return RENDERED.get(markdown);
    }

    /** A text as Markdown in which nothing is marked up. */
    public static String plain(String text) {
        return text.replaceAll("([\\\\`*_{}\\[\\]()#+!<>|~&-])", "\\\\$1");
    }

    /** The words alone, on one line; what were lines of their own are parted by dots. */
    public static String words(String markdown) {
        Node document = PARSER.parse(markdown);
        document.accept(ON_ONE_LINE);
        return WORDS.render(document)
                .lines()
                .map(line -> line.strip().replaceFirst("^[-*] ", ""))
                .filter(line -> !line.isEmpty())
                .collect(Collectors.joining(" · "));
    }

    /** {@link #toSafeHtml} without keeping the result, for text that is rendered once. */
    public static String render(String markdown) {
        Node document = PARSER.parse(markdown);
        return POLICY.sanitize(RENDERER.render(document));
    }
}
