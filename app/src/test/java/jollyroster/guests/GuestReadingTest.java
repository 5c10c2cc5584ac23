package jollyroster.guests;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import jollyroster.guests.GuestCommands.Guest;
import org.junit.jupiter.api.Test;

class GuestReadingTest {

    private static final Guest WREN = new Guest("Wren Skerry", "wren@crew.example");
    private static final Guest TEO = new Guest("", "teo@crew.example");

    @Test
    void addresses_are_read_with_and_without_names_and_each_once() {
        GuestReading.Read read = GuestReading.read(
                "Wren Skerry <Wren@crew.example>, teo@crew.example\n\"Wren\" <wren@crew.example>;not one");
        assertThat(read.guests()).containsExactly(WREN, TEO);
        assertThat(read.wrong()).containsExactly("not one");
    }

    @Test
    void tables_are_read_by_their_headings() {
        assertThat(GuestReading.read("Boat;Name;E-mail\nCurlew;Wren Skerry;wren@crew.example\nDab;;teo@crew.example")
                        .guests())
                .containsExactly(WREN, TEO);
    }

    @Test
    void contact_cards_are_read() {
        String cards = "BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Wren Skerry\r\nEMAIL:wren@crew.example\r\nEND:VCARD\r\n"
                + "BEGIN:VCARD\r\nVERSION:3.0\r\nFN:No Address\r\nN:Address;No\r\nEND:VCARD\r\n";
        assertThat(GuestReading.read(cards).guests()).containsExactly(WREN);
    }

    @Test
    void nothing_is_nobody() {
        assertThat(GuestReading.read(" \n ,; \n").guests()).isEmpty();
    }

    /** RFC 5322, 3.4 and its appendix A.1.2: quoted names, comments, groups; and semicolons as some programs write them. */
    @Test
    void addresses_are_read_as_mail_programs_write_them() {
        assertThat(read("\"Alpha, Abe\" <abe@crew.example>, Bo Lind <bo@crew.example>"))
                .containsExactly("Alpha, Abe abe@crew.example", "Bo Lind bo@crew.example");
        assertThat(read("\"Alpha; Abe\" <abe@crew.example>; bo@crew.example (Bo Lind)"))
                .containsExactly("Alpha; Abe abe@crew.example", "Bo Lind bo@crew.example");
        assertThat(read("Night crew: Cass Dory <cass@crew.example>, dov@crew.example;, eve@crew.example"))
                .containsExactly("Cass Dory cass@crew.example", " dov@crew.example", " eve@crew.example");
        assertThat(read("\"Ada \\\"Ace\\\" Vance\" <ada@crew.example>"))
                .containsExactly("Ada \"Ace\" Vance ada@crew.example");
        assertThat(GuestReading.read("ok@crew.example, not an address").wrong()).containsExactly("not an address");
    }

    @Test
    void one_part_that_is_no_address_does_not_spoil_the_others() {
        GuestReading.Read read = GuestReading.read("\"Alpha, Abe\" <abe@crew.example>, not one, bo@crew.example");
        assertThat(read.guests())
                .containsExactly(new Guest("Alpha, Abe", "abe@crew.example"), new Guest("", "bo@crew.example"));
        assertThat(read.wrong()).containsExactly("not one");
        assertThat(GuestReading.read("\"never closed, bo@crew.example").guests())
                .containsExactly(new Guest("", "bo@crew.example"));
    }

    private static List<String> read(String text) {
        return GuestReading.read(text).guests().stream()
                .map(guest -> guest.name() + " " + guest.email())
                .toList();
    }
}
