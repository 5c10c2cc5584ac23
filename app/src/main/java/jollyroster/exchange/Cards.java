package jollyroster.exchange;

import ezvcard.Ezvcard;
import ezvcard.VCard;
import ezvcard.VCardVersion;
import ezvcard.property.StructuredName;
import java.util.List;

/** Writes and reads contact cards: vCard 4, RFC 6350. */
public final class Cards {

    private Cards() {}

    /** @param phone E.164, or empty @param remark a note; empty for none */
    public record Contact(String name, String email, String phone, String remark) {}

    public static String write(List<Contact> contacts) {
        return Ezvcard.write(contacts.stream().map(Cards::card).toList())
                .version(VCardVersion.V4_0)
                .prodId(false)
                .go();
    }

    private static VCard card(Contact contact) {
        VCard card = new VCard();
        card.setFormattedName(contact.name());
        StructuredName name = new StructuredName();
        int last = contact.name().lastIndexOf(' ');
        name.setFamily(contact.name().substring(last + 1));
        name.setGiven(last < 0 ? null : contact.name().substring(0, last));
        card.setStructuredName(name);
        if (!contact.email().isEmpty()) {
            card.addEmail(contact.email());
        }
        if (!contact.phone().isEmpty()) {
            card.addTelephoneNumber(contact.phone());
        }
        if (!contact.remark().isEmpty()) {
            card.addNote(contact.remark());
        }
        return card;
    }

    /** Name and first address of each card that has an address; whatever else is in the text is left out. */
    public static List<Contact> read(String text) {
        return Ezvcard.parse(text).all().stream()
                .filter(card -> !card.getEmails().isEmpty())
                .map(card -> new Contact(
                        card.getFormattedName() == null
                                ? ""
                                : card.getFormattedName().getValue(),
                        card.getEmails().get(0).getValue(),
                        "",
                        ""))
                .toList();
    }
}
