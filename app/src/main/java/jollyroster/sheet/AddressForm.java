package jollyroster.sheet;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;

/** Its names in addresses. */
record AddressForm(String slug, String shortName) implements PartForm {

    private static final Pattern PLAIN = Pattern.compile("[a-z0-9]+(-[a-z0-9]+)*");

    private static final int FEWEST = 2;
    private static final int MOST = 30;

    AddressForm {
        slug = Typed.orEmpty(slug).strip().toLowerCase(Locale.ROOT);
        shortName = Typed.orEmpty(shortName).strip().toLowerCase(Locale.ROOT);
    }

    static AddressForm of(Offering o) {
        return new AddressForm(o.slug(), o.front().shortCode());
    }

    @Override
    public Map<String, String> problems() {
        return new Checks()
                .that(
                        slug.length() <= 60 && PLAIN.matcher(slug).matches(),
                        "slug",
                        "Address: letters a to z, digits, and single hyphens between them; at most 60.")
                .that(
                        shortName.length() >= FEWEST
                                && shortName.length() <= MOST
                                && PLAIN.matcher(shortName).matches(),
                        "shortName",
                        "Short link: 2 to 30 letters a to z, digits, and single hyphens between them.")
                .problems();
    }

    @Override
    public Section section() {
        return new Section.Address(slug, shortName);
    }
}
