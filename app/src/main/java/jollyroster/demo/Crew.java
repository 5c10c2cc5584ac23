package jollyroster.demo;

import java.util.List;
import java.util.Random;

/** Invented people. The same seed gives the same crew. */
final class Crew {

    private static final List<String> FIRST = List.of(
            "Marisol",
            "Kofi",
            "Sunniva",
            "Teo",
            "Anneke",
            "Bao",
            "Ilse",
            "Tomé",
            "Wren",
            "Ade",
            "Oriel",
            "Pascoe",
            "Linnea",
            "Ravi",
            "Niamh",
            "Yusuf",
            "Clementine",
            "Dag",
            "Esperanza",
            "Farrow",
            "Greta",
            "Hamish",
            "Iolanthe",
            "Jorund",
            "Keziah",
            "Lorcan",
            "Maelle",
            "Nadir",
            "Odile",
            "Piran",
            "Quill",
            "Rosalind",
            "Soren",
            "Tamsin");
    private static final List<String> LAST = List.of(
            "Achterberg",
            "Brannigan",
            "Eldjarn",
            "Quillfeather",
            "Vos-Tremblay",
            "Lindqvist",
            "Saltonby",
            "Merrow",
            "Pennycot",
            "Okonjo-Reeve",
            "Thistlewick",
            "Haverbrook",
            "Drangsholt",
            "Corvane",
            "Ballantrae",
            "Marchetti-Boon",
            "Skerry",
            "Fenwright",
            "Ouellette-Marsh",
            "Tidewater",
            "Kestleborn",
            "Aldercote",
            "Ramanathan-Fry",
            "Strand");
    private static final List<String> ZONES = List.of(
            "America/Halifax",
            "America/Halifax",
            "America/Halifax",
            "America/Halifax",
            "America/Toronto",
            "America/Toronto",
            "Europe/Lisbon",
            "Europe/Oslo",
            "Europe/Dublin",
            "Africa/Accra",
            "Asia/Singapore",
            "Australia/Hobart",
            "America/Vancouver");

    private static final int NUMBERS = 100;
    private static final int HOUSEHOLD = 40;
    private final Random random;
    private int made;

    Crew(long seed) {
        this.random = new Random(seed);
    }

    /** @param email unique within a crew, under a domain that cannot exist */
    record Member(String name, String email, String phone, String zone) {

        /** As somebody who lives near enough to come to the quay. */
        Member nearby() {
            return new Member(name, email, phone, "America/Halifax");
        }
    }

    Member next() {
        String first = FIRST.get(made % FIRST.size());
        String last = LAST.get((made * 7 + made / FIRST.size()) % LAST.size());
        made++;
        String plain = java.text.Normalizer.normalize(first + "." + last, java.text.Normalizer.Form.NFD)
                .replaceAll("[^A-Za-z.-]", "")
                .toLowerCase(java.util.Locale.ROOT);
        String phone = phone(random.nextInt(3) == 0);
        return new Member(
                first + " " + last, plain + made + "@crew.example", phone, ZONES.get(random.nextInt(ZONES.size())));
    }

    /**
     * There are a hundred numbers that belong to nobody: the first hundred of a crew have one each, if any, but for every fortieth,
     * who gives that of the one before.
     */
    private String phone(boolean given) {
        int home = made % HOUSEHOLD == 0 ? made - 1 : made;
        boolean shared = made % HOUSEHOLD == 0 || (made + 1) % HOUSEHOLD == 0;
        return made < NUMBERS && (given || shared) ? "+19025550" + (NUMBERS + home) : "";
    }

    /** Mostly alone, sometimes two, rarely three; never more than {@code largest}. */
    int party(int largest) {
        int drawn = random.nextInt(10);
        return Math.min(largest, drawn < 5 ? 1 : drawn < 8 ? 2 : 3);
    }

    <T> T oneOf(List<T> options) {
        return options.get(random.nextInt(options.size()));
    }

    int upTo(int most) {
        return random.nextInt(most);
    }
}
