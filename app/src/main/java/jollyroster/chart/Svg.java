package jollyroster.chart;

/**
 * Writes the markup of a drawing. What is written many times on a page is written here rather than by a template, which
 * takes a hundred times as long for each attribute. Whatever comes from people is encoded; nothing else gets in as text.
 */
final class Svg {

    private final StringBuilder markup = new StringBuilder(1024);

    /** Begins an element; attributes follow, then {@link #inside} or {@link #end()}. */
    Svg begin(String element) {
        markup.append('<').append(element);
        return this;
    }

    /** @param value words or path data; encoded for a quoted attribute (HTML, 13.1.2.3) */
    Svg with(String attribute, String value) {
        markup.append(' ').append(attribute).append("=\"");
        encode(value);
        markup.append('"');
        return this;
    }

    Svg with(String attribute, double value) {
        markup.append(' ')
                .append(attribute)
                .append("=\"")
                .append(PathData.shortest(value))
                .append('"');
        return this;
    }

    /** The attributes are done; what follows is inside. */
    Svg inside() {
        markup.append('>');
        return this;
    }

    /** The attributes are done, and nothing is inside. */
    Svg end() {
        markup.append("/>");
        return this;
    }

    Svg text(String words) {
        encode(words);
        return this;
    }

    /** A path drawn as its class says; none where there is nothing to draw. */
    Svg path(String drawnAs, String data) {
        return data.isEmpty()
                ? this
                : begin("path").with("class", drawnAs).with("d", data).end();
    }

    /** Words at a place. */
    Svg words(String drawnAs, double x, double y, String words) {
        begin("text").with("class", drawnAs).with("x", x).with("y", y).inside();
        return text(words).end("text");
    }

    /** Ends an element that something was inside of. */
    Svg end(String element) {
        markup.append("</").append(element).append('>');
        return this;
    }

    private void encode(String words) {
        for (int i = 0; i < words.length(); i++) {
            char c = words.charAt(i);
            switch (c) {
                case '<' -> markup.append("&lt;");
                case '>' -> markup.append("&gt;");
                case '&' -> markup.append("&amp;");
                case '"' -> markup.append("&quot;");
                case '\'' -> markup.append("&#39;");
                default -> markup.append(c);
            }
        }
    }

    @Override
    public String toString() {
        return markup.toString();
    }
}
