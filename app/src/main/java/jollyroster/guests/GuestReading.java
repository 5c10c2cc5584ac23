package jollyroster.guests;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Text;
import jollyroster.exchange.Cards;
import jollyroster.exchange.TableReader;
import jollyroster.guests.GuestCommands.Guest;

/**
 * Reads people to invite from whatever they are pasted as: contact cards, a table with headings, or addresses with or
 * without names, a line each or parted by commas.
 */
final class GuestReading {

    static final int MOST = 5000;
    private static final List<String> EMAIL = List.of("email", "e-mail", "mail", "e-mail address", "email address");
    private static final List<String> NAME = List.of("name", "full name", "guest");

    private GuestReading() {}

    /** @param guests each address once @param wrong what could not be read, as it was written */
    record Read(List<Guest> guests, List<String> wrong) {}

    static Read read(String text) {
        List<Cards.Contact> found = text.toUpperCase(Locale.ROOT).contains("BEGIN:VCARD")
                ? Cards.read(text)
                : table(text).orElseGet(() -> addresses(text));
        Map<String, Guest> guests = new LinkedHashMap<>();
        List<String> wrong = new ArrayList<>();
        for (Cards.Contact contact : found) {
            Optional<String> email = Contact.email(contact.email());
            if (email.isEmpty() || guests.size() >= MOST) {
                wrong.add(Text.oneLine(contact.email()));
            } else {
                guests.putIfAbsent(
                        email.get(), new Guest(Contact.name(contact.name()).orElse(""), email.get()));
            }
        }
        return new Read(List.copyOf(guests.values()), wrong);
    }

    /** A table, when its first row names a column of addresses. */
    private static Optional<List<Cards.Contact>> table(String text) {
        try {
            TableReader.Table table = TableReader.read(text, MOST);
            int email = column(table.heading(), EMAIL);
            int name = column(table.heading(), NAME);
            return email < 0
                    ? Optional.empty()
                    : Optional.of(table.rows().stream()
                            .map(row -> new Cards.Contact(
                                    name < 0 ? "" : row.cells().get(name),
                                    row.cells().get(email),
                                    "",
                                    ""))
                            .toList());
        } catch (TableReader.NotATable notATable) {
            return Optional.empty();
        }
    }

    private static int column(List<String> heading, List<String> names) {
        for (int i = 0; i < heading.size(); i++) {
            if (names.contains(heading.get(i).strip().toLowerCase(Locale.ROOT))) {
                return i;
            }
        }
        return -1;
    }

    private static List<Cards.Contact> addresses(String text) {
        return text.lines()
                .flatMap(line -> PastedAddresses.of(line).stream())
                .limit(MOST + 1L)
                .toList();
    }
}
