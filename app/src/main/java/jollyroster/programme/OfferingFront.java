package jollyroster.programme;

import java.util.List;
import jollyroster.core.seats.SeatsShown;

/**
 * What an offering shows of itself beside its words.
 *
 * @param audience who it is for; empty for nothing said
 * @param language in which it is held, as an ISO 639-1 code
 * @param labels to find it by, on the desk and in the public list
 * @param price as people read it; empty for nothing said
 * @param contact an address for questions; empty for the organisation's
 * @param picture the name of its picture; empty for none
 * @param embedOrigins the web addresses whose pages may show it, such as {@code https://club.example}
 * @param shortCode names it in short links
 * @param seatsShown what people read about the seats that are left
 * @param button what the button by which people register says; empty as everywhere
 */
public record OfferingFront(
        String audience,
        String language,
        Tint tint,
        List<String> labels,
        String price,
        String contact,
        String picture,
        List<String> embedOrigins,
        String shortCode,
        SeatsShown seatsShown,
        String button) {
    public OfferingFront {
        labels = List.copyOf(labels);
        embedOrigins = List.copyOf(embedOrigins);
    }

    /** The address for questions. @param otherwise the organisation's */
    public String contactOr(String otherwise) {
        return contact.isEmpty() ? otherwise : contact;
    }
}
