package jollyroster.core.intake;

import com.google.i18n.phonenumbers.NumberParseException;
import com.google.i18n.phonenumbers.PhoneNumberUtil;
import com.google.i18n.phonenumbers.Phonenumber.PhoneNumber;
import java.text.Normalizer;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Name, e-mail and phone as people enter them, and as they are kept. */
public final class Contact {

    /** In characters (code points). */
    public static final int LONGEST_NAME = 120;

    /** RFC 5321, section 4.5.3.1.3, less the angle brackets. */
    public static final int LONGEST_EMAIL = 254;

    private static final int LONGEST_PHONE = 40;
    private static final Pattern EMAIL =
            Pattern.compile("[A-Za-z0-9.!#$%&'*+/=?^_`{|}~-]{1,64}@[A-Za-z0-9](?:[A-Za-z0-9-]{0,61}[A-Za-z0-9])?"
                    + "(?:\\.[A-Za-z0-9](?:[A-Za-z0-9-]{0,61}[A-Za-z0-9])?)+");

    /** Whatever a mail program might make a link of: {@code a://b}, {@code www.b}, {@code a@b}, {@code word.word}. */
    private static final Pattern ADDRESS =
            Pattern.compile("://|\\bwww\\.|\\S@\\S|[\\p{L}\\p{N}-]{2,}\\.\\p{L}{2,}", Pattern.CASE_INSENSITIVE);

    private Contact() {}

    /**
     * The name on one line, or empty when there is none or it is longer than {@value #LONGEST_NAME}. A name must hold a
     * letter; which letters is nobody's business. It must hold no web or mail address: names stand in letters to others.
     */
    public static Optional<String> name(String entered) {
        return nameFault(entered).isPresent() ? Optional.empty() : Optional.of(Text.oneLine(entered));
    }

    /** Why something is no name. */
    public enum NameFault {
        MISSING,
        TOO_LONG,
        HOLDS_AN_ADDRESS
    }

    /** What keeps it from being a name; empty when it is one. */
    public static Optional<NameFault> nameFault(String entered) {
        String name = Text.oneLine(entered);
        if (name.codePointCount(0, name.length()) > LONGEST_NAME) {
            return Optional.of(NameFault.TOO_LONG);
        }
        if (name.codePoints().noneMatch(Character::isLetter)) {
            return Optional.of(NameFault.MISSING);
        }
        return holdsAddress(name) ? Optional.of(NameFault.HOLDS_AN_ADDRESS) : Optional.empty();
    }

    /** No address is without a point, a colon or an at sign, and hardly any name has one. */
    private static boolean holdsAddress(String name) {
        boolean possible = name.indexOf('.') >= 0 || name.indexOf(':') >= 0 || name.indexOf('@') >= 0;
        return possible && ADDRESS.matcher(name).find();
    }

    /** The name, or empty when it is not one or has fewer than two words. */
    public static Optional<String> fullName(String entered) {
        return name(entered).filter(name -> name.split(" ").length >= 2);
    }

    /** A name as it is compared: without accents, in lower case, its words in order of the alphabet. */
    public static String folded(String name) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{N}]+", " ")
                .strip();
        return Arrays.stream(plain.split(" ")).sorted().collect(Collectors.joining(" "));
    }

    /**
     * The address in lower case, or empty when it is not one. The shape is that of the HTML standard's e-mail input,
     * with a dot in the domain. An address with a line break anywhere is refused, not repaired.
     */
    public static Optional<String> email(String entered) {
        String address = entered.strip();
        boolean valid =
                address.length() <= LONGEST_EMAIL && EMAIL.matcher(address).matches();
        return valid ? Optional.of(address.toLowerCase(Locale.ROOT)) : Optional.empty();
    }

    /**
     * The number in E.164 form ({@code +19025550147}), or empty when it cannot be a number.
     *
     * @param region the two-letter country whose national form is also read, e.g. {@code CA}
     */
    public static Optional<String> phone(String entered, String region) {
        if (entered.length() > LONGEST_PHONE) {
            return Optional.empty();
        }
        PhoneNumberUtil numbers = PhoneNumberUtil.getInstance();
        try {
            PhoneNumber number = numbers.parse(entered, region);
            return numbers.isPossibleNumber(number)
                    ? Optional.of(numbers.format(number, PhoneNumberUtil.PhoneNumberFormat.E164))
                    : Optional.empty();
        } catch (NumberParseException notANumber) {
            return Optional.empty();
        }
    }
}
