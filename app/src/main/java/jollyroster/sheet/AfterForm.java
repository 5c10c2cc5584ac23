package jollyroster.sheet;

import java.util.Map;
import java.util.regex.Pattern;
import jollyroster.programme.Offering;
import jollyroster.programme.Section;

/** What is said after registering. @param address an https address to go on from; empty for none */
record AfterForm(String text, String address) implements PartForm {

    private static final Pattern HTTPS = Pattern.compile("https://[A-Za-z0-9.-]+\\.[A-Za-z]{2,}(:\\d{1,5})?(/[!-~]*)?");

    AfterForm {
        text = Typed.line(text);
        address = Typed.orEmpty(address).strip();
    }

    static AfterForm of(Offering o) {
        return new AfterForm(o.signUp().afterText(), o.signUp().afterAddress());
    }

    @Override
    public Map<String, String> problems() {
        boolean safe = address.isEmpty()
                || address.length() <= 500 && HTTPS.matcher(address).matches();
        return new Checks()
                .atMost(600, "text", "After registering", text)
                .that(safe, "address", "Address to go on from: one that begins with https://.")
                .problems();
    }

    @Override
    public Section section() {
        return new Section.After(text, address);
    }
}
