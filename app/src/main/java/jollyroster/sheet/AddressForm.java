package jollyroster.sheet;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;

/** Its name in addresses. */
record AddressForm(String slug) implements PartForm {

    private static final Pattern PLAIN = Pattern.compile("[a-z0-9]+(-[a-z0-9]+)*");

    AddressForm {
        slug = Typed.orEmpty(slug).strip().toLowerCase(Locale.ROOT);
    }

    static AddressForm of(Offering o) {
        return new AddressForm(o.slug());
    }

    @Override
    public Map<String, String> problems() {
        return new Checks()
                .that(
                        slug.length() <= 60 && PLAIN.matcher(slug).matches(),
                        "slug",
                        "Address: letters a to z, digits, and single hyphens between them; at most 60.")
                .problems();
    }

    @Override
    public Section section() {
        return new Section.Address(slug);
    }
}
