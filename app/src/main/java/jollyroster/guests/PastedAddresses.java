package jollyroster.guests;

import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import jollyroster.exchange.Cards;

/**
 * Reads a line of addresses as they are pasted from a mail program (RFC 5322, 3.4): with names, quoted or not, with
 * comments, in groups, parted by commas or, as some programs have it, by semicolons.
 */
final class PastedAddresses {

    private PastedAddresses() {}

    /** One contact an address; a part that is none is given back as it was written, in the place of an address. */
    static List<Cards.Contact> of(String line) {
        return parsed(commas(line))
                .orElseGet(() -> parts(line).stream()
                        .map(String::strip)
                        .filter(part -> !part.isEmpty())
                        .map(part -> parsed(part)
                                .filter(contacts -> contacts.size() == 1)
                                .map(contacts -> contacts.get(0))
                                .orElse(new Cards.Contact("", part, "", "")))
                        .toList());
    }

    /** Semicolons between addresses become commas; those in quotes stay, and those that end a group. */
    private static String commas(String line) {
        StringBuilder text = new StringBuilder(line);
        boolean quoted = false;
        boolean group = false;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            quoted = c == '"' && (i == 0 || text.charAt(i - 1) != '\\') ? !quoted : quoted;
            if (c == ';' && !quoted && !group) {
                text.setCharAt(i, ',');
            }
            group = !quoted && (c == ':' || c != ';' && group);
        }
        return text.toString();
    }

    /** The line cut at commas and semicolons outside quotation marks; one that is never closed quotes nothing. */
    private static List<String> parts(String line) {
        List<String> parts = new ArrayList<>();
        int from = 0;
        int closing = -1;
        for (int i = 0; i < line.length(); i++) {
            char c = line.charAt(i);
            if (c == '"' && i > closing) {
                closing = Math.max(i, line.indexOf('"', i + 1));
            } else if ((c == ',' || c == ';') && i > closing) {
                parts.add(line.substring(from, i));
                from = i + 1;
            }
        }
        parts.add(line.substring(from));
        return parts;
    }

    private static Optional<List<Cards.Contact>> parsed(String line) {
        try {
            List<Cards.Contact> contacts = new ArrayList<>();
            for (InternetAddress address : InternetAddress.parse(line, false)) {
                InternetAddress[] group = address.isGroup() ? address.getGroup(false) : null;
                for (InternetAddress one : group == null ? new InternetAddress[] {address} : group) {
                    contacts.add(contact(one));
                }
            }
            boolean all = contacts.stream().allMatch(c -> c.email().contains("@"));
            return all ? Optional.of(contacts) : Optional.empty();
        } catch (AddressException notAsTheStandardHasIt) {
            return Optional.empty();
        }
    }

    private static Cards.Contact contact(InternetAddress address) {
        return new Cards.Contact(
                Objects.requireNonNullElse(address.getPersonal(), "").strip(), address.getAddress(), "", "");
    }
}
