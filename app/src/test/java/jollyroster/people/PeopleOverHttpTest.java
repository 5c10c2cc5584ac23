package jollyroster.people;

import static java.nio.charset.StandardCharsets.UTF_8;
import static jollyroster.Saltmarrow.HALIFAX;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.util.List;
import java.util.Map;
import java.util.Set;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.people.PersonQueries.Named;
import jollyroster.people.PersonQueries.Person;
import jollyroster.people.SamePeople.Pair;
import jollyroster.seating.Application;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** People across sessions: found, shown with all they are on, taken away, and compared. */
@AppTest
class PeopleOverHttpTest {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    PersonQueries people;

    @LocalServerPort
    int port;

    private Browserless organiser;
    private Published first;
    private Published second;

    @BeforeEach
    void morning() {
        first = saltmarrow.publish(seats(5));
        second = saltmarrow.publish(seats(1));
        organiser = Browserless.organiser(port);
    }

    private Person known(String name) {
        return people.people(name, 0, 10).get(0);
    }

    @Test
    void somebody_is_found_by_a_part_of_name_or_address_with_all_they_are_on() {
        roster.register(Saltmarrow.person(first.session(), "Iolanthe Quayle", 2), Saltmarrow.VISITOR);
        roster.register(Saltmarrow.person(second.session(), "Iolanthe Quayle", 1), Saltmarrow.VISITOR);
        for (String sought : List.of("iolanthe", "QUAYLE", "the.quayle@crew")) {
            var row = organiser.get("/desk/people?q=" + sought).document().select("tbody tr");
            assertThat(row.select(".name").eachText()).as(sought).containsExactly("Iolanthe Quayle");
            assertThat(row.select("td.number").text()).isEqualTo("2");
        }
        roster.register(Saltmarrow.person(first.session(), "Émile Ångholm", 1), Saltmarrow.VISITOR);
        for (String sought : List.of("émile", "EMILE", "angholm", "ÅNG")) {
            for (String page :
                    List.of("/desk/people?q=", "/desk/find?q=", "/desk/sessions/" + first.session() + "/roster?q=")) {
                assertThat(organiser
                                .get(page + URLEncoder.encode(sought, UTF_8))
                                .document()
                                .select("main")
                                .text())
                        .as(page + sought)
                        .contains("Émile Ångholm")
                        .doesNotContain("Iolanthe");
            }
        }
        var page = organiser.get("/desk/people/" + known("Iolanthe").id()).document();
        assertThat(page.select("main").text()).contains("Iolanthe Quayle", "iolanthe.quayle@crew.example");
        assertThat(page.select(".ledger-box tbody tr")).hasSize(2);
        assertThat(organiser
                        .get("/desk/people?q=%25")
                        .document()
                        .select("tbody")
                        .text())
                .as("a wildcard is a letter like any other")
                .contains("Nobody of that name");
    }

    @Test
    void a_person_s_page_lists_what_was_and_will_be_written_to_them() {
        roster.register(Saltmarrow.person(first.session(), "Odile Quayle", 1), Saltmarrow.VISITOR);
        var page = organiser.get("/desk/people/" + known("Odile Quayle").id()).document();
        assertThat(page.select("section tbody .name").eachText())
                .containsExactly("Reminder, 15 minutes before", "Reminder, 1 day before", "Confirmation");
        assertThat(page.select("section tbody tr").last().text()).contains("planned");
        String letter = page.select("section tbody .name a").last().attr("href");
        assertThat(organiser.get(letter).document().select("main").text()).contains("As it would be written now.");
    }

    @Test
    void what_is_found_is_ten_of_a_kind_with_a_way_to_the_others() {
        for (int i = 0; i < 13; i++) {
            roster.register(
                    Saltmarrow.person(first.session(), "Dozen " + (char) ('A' + i) + "berg", 1), Saltmarrow.VISITOR);
        }
        var found = organiser.get("/desk/find?q=dozen").document().select("main");
        assertThat(found.select("h2").eachText()).containsExactly("People");
        assertThat(found.select(".name")).hasSize(10);
        assertThat(found.select("p a[href='/desk/people?q=dozen']").text()).isEqualTo("More people");
        assertThat(organiser.get("/desk/find?q=").document().select("main").text())
                .startsWith("Find Type part of a name");
    }

    @Test
    void the_list_is_read_in_pages_in_the_order_of_names() {
        for (int i = 0; i < 3; i++) {
            roster.register(
                    Saltmarrow.person(first.session(), "Aaron " + (char) ('Z' - i) + "ander", 1), Saltmarrow.VISITOR);
        }
        List<String> inOrder =
                people.people("aaron", 0, 2).stream().map(Person::name).toList();
        List<String> rest =
                people.people("aaron", 1, 2).stream().map(Person::name).toList();
        assertThat(inOrder).containsExactly("Aaron Xander", "Aaron Yander");
        assertThat(rest).containsExactly("Aaron Zander");
        assertThat(known("Aaron Xander").last()).isNotNull();
    }

    @Test
    void a_person_leaves_as_a_contact_card_and_a_stranger_is_nobody() {
        roster.register(Saltmarrow.person(first.session(), "Tomé O'Strand; Jr", 1), Saltmarrow.VISITOR);
        Browserless.Page card = organiser.get("/desk/people/" + known("Tomé").id() + ".vcf");
        assertThat(card.response().headers().firstValue("content-type").orElse(""))
                .startsWith("text/vcard");
        assertThat(card.response().body()).contains("VERSION:4.0", "FN:Tomé O'Strand\\; Jr");
        assertThat(organiser.get("/desk/people/999999").status()).isEqualTo(404);
        assertThat(organiser.get("/desk/people/999999.vcf").status()).isEqualTo(404);
    }

    private static Named named(long id, String name, String phone) {
        return new Named(id, name, phone);
    }

    @Test
    void people_who_are_probably_one_share_a_name_or_a_phone() {
        List<Named> six = List.of(
                named(1, "José Márquez-Strand", ""),
                named(2, "marquez strand jose", "+19025550101"),
                named(3, "Wren Skerry", "+19025550101"),
                named(4, "Wren Skerry", "+19025550102"),
                named(5, "Teo Vance", ""),
                named(6, "Ilse Merrow", "+19025550102"));
        assertThat(SamePeople.among(six, Set.of()))
                .extracting(g -> g.why() + g.people())
                .containsExactlyInAnyOrder(
                        "the same name[1, 2]", "the same name[3, 4]", "the same phone[2, 3]", "the same phone[4, 6]");
        assertThat(SamePeople.among(six, Set.of(Pair.of(4, 3), Pair.of(2, 3))))
                .extracting(g -> g.why() + g.people())
                .containsExactlyInAnyOrder("the same name[1, 2]", "the same phone[4, 6]");
        assertThat(SamePeople.among(
                        List.of(named(1, "Teo Vance", "+19025550101"), named(2, "Teo Vance", "+19025550101")),
                        Set.of()))
                .as("a pair that shares both is one group")
                .hasSize(1);
        assertThat(SamePeople.among(List.of(named(1, "Teo Vance", ""), named(2, "Teo Vantage", "")), Set.of()))
                .isEmpty();
        List<Named> three = List.of(named(1, "Bao Lind", ""), named(2, "Bao Lind", ""), named(3, "Bao Lind", ""));
        assertThat(SamePeople.among(three, Set.of(Pair.of(1, 2))))
                .as("the third may still be either")
                .extracting(SamePeople.Group::people)
                .containsExactly(List.of(1L, 2L, 3L));
        assertThat(SamePeople.among(three, Set.of(Pair.of(1, 2), Pair.of(1, 3))))
                .extracting(SamePeople.Group::people)
                .containsExactly(List.of(2L, 3L));
    }

    @Test
    void people_who_are_different_are_not_proposed_again() {
        String name = "Sunniva Twinsby";
        roster.register(Application.plain(first.session(), name, "s1@crew.example", 1, HALIFAX), Saltmarrow.VISITOR);
        roster.register(Application.plain(first.session(), name, "s2@crew.example", 1, HALIFAX), Saltmarrow.VISITOR);
        String page = "/desk/people/same?q=twinsby";
        var section = organiser.get(page).document().select("section.same");
        assertThat(section).hasSize(1);
        assertThat(section.select("[name=person]")).hasSize(2);
        String one = section.select("[name=person]").get(0).val();
        String two = section.select("[name=person]").get(1).val();
        organiser.postAsIs(
                "/desk/people/same/different?person=" + one,
                Map.of("person", two, "_csrf", organiser.get(page).csrf()));
        assertThat(organiser.get(page).document().select("section.same")).isEmpty();
        assertThat(people.person(Long.parseLong(one))).isPresent();
    }
}
