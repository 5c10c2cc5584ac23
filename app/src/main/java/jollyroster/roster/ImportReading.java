package jollyroster.roster;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import jollyroster.answers.Answer;
import jollyroster.core.intake.AnswerCheck;
import jollyroster.core.intake.Contact;
import jollyroster.core.intake.Option;
import jollyroster.core.intake.Text;
import jollyroster.exchange.TableReader;
import jollyroster.platform.Names;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.Session;
import jollyroster.seating.Application;

/** Turns a table into people to be added: guesses what each column is, and judges each row. */
final class ImportReading {

    static final int MOST_ROWS = 20_000;
    private static final int LONGEST_QUOTED = 60;

    /** What a column can be, beside a question. */
    enum Field {
        NAME("name", "name", "full name", "attendee", "participant"),
        FIRST_NAME("first name", "first name", "first", "given name", "forename"),
        LAST_NAME("last name", "last name", "last", "surname", "family name"),
        EMAIL("e-mail", "email", "e-mail", "mail", "e-mail address", "email address"),
        PHONE("phone", "phone", "telephone", "mobile", "phone number"),
        PARTY("people", "people", "party", "seats", "guests", "number"),
        COMPANIONS("companions' names", "companions", "companion", "with");

        private final String words;
        private final List<String> names;

        Field(String words, String... names) {
            this.words = words;
            this.names = List.of(names);
        }

        String words() {
            return words;
        }
    }

    private final Session session;
    private final List<AskedQuestion> questions;
    private final String region;

    ImportReading(Session session, List<AskedQuestion> questions, String region) {
        this.session = session;
        this.questions = questions;
        this.region = region;
    }

    /** A row that was judged. @param problem empty when it can be added */
    record Judged(long line, Optional<Application> application, String problem) {}

    /** What each column probably is: the name of a {@link Field}, {@code q} and the number of a question, or empty. */
    List<String> guess(List<String> heading) {
        Set<String> used = new HashSet<>();
        return heading.stream()
                .map(h -> guess(h.strip().toLowerCase(Locale.ROOT).replace('_', ' ')))
                .map(target -> target.isEmpty() || used.add(target) ? target : "")
                .toList();
    }

    private String guess(String heading) {
        for (Field field : Field.values()) {
            if (field.names.contains(heading)) {
                return field.name();
            }
        }
        return questions.stream()
                .filter(q -> q.question().label().toLowerCase(Locale.ROOT).equals(heading)
                        || q.question().key().replace('_', ' ').equals(heading))
                .findFirst()
                .map(q -> "q" + q.id())
                .orElse("");
    }

    /** Judges every row; an address that comes twice is wrong the second time. */
    List<Judged> judge(TableReader.Table table, List<String> mapping) {
        Set<String> seen = new HashSet<>();
        List<Judged> judged = new ArrayList<>();
        for (TableReader.Row row : table.rows()) {
            Judged one = judge(row, mapping);
            boolean twice = one.application().filter(a -> !seen.add(a.email())).isPresent();
            judged.add(twice ? wrong(row, "this address comes a second time") : one);
        }
        return judged;
    }

    private Judged judge(TableReader.Row row, List<String> mapping) {
        String full = cell(row, mapping, Field.NAME);
        String name = full.isBlank()
                ? cell(row, mapping, Field.FIRST_NAME) + " " + cell(row, mapping, Field.LAST_NAME)
                : full;
        Optional<String> email = Contact.email(cell(row, mapping, Field.EMAIL));
        String phone = cell(row, mapping, Field.PHONE);
        Optional<String> number = phone.isBlank() ? Optional.of("") : Contact.phone(phone, region);
        String party = cell(row, mapping, Field.PARTY).isBlank()
                ? "1"
                : cell(row, mapping, Field.PARTY).strip();
        Optional<String> misnamed = Names.problem(name);
        if (misnamed.isPresent()) {
            return wrong(row, misnamed.get());
        }
        if (email.isEmpty()) {
            return wrong(row, noAddress(Text.oneLine(cell(row, mapping, Field.EMAIL), LONGEST_QUOTED)));
        }
        if (number.isEmpty()) {
            return wrong(row, "“" + Text.oneLine(phone, LONGEST_QUOTED) + "” is not a phone number");
        }
        if (!party.matches("\\d{1,3}") || Integer.parseInt(party) < 1 || Integer.parseInt(party) > 100) {
            return wrong(row, "“" + Text.oneLine(party, LONGEST_QUOTED) + "” is not a number of people from 1 to 100");
        }
        return withAnswers(row, mapping, Text.oneLine(name), email.get(), number.get(), Integer.parseInt(party));
    }

    private static String noAddress(String typed) {
        return typed.isEmpty() ? "no e-mail address" : "“" + typed + "” is not an e-mail address";
    }

    private Judged withAnswers(
            TableReader.Row row, List<String> mapping, String name, String email, String phone, int party) {
        List<Answer> answers = new ArrayList<>();
        for (AskedQuestion asked : questions) {
            int column = mapping.indexOf("q" + asked.id());
            String entered = column < 0 ? "" : row.cells().get(column);
            if (entered.isBlank()) {
                continue;
            }
            String several = asked.question().kind().hasOptions() ? entered.replace(", ", "\n") : entered;
            AnswerCheck check = AnswerCheck.of(
                    asked.question(),
                    several.toLowerCase(Locale.ROOT).matches("yes|no") ? several.toLowerCase(Locale.ROOT) : several,
                    region);
            if (!(check instanceof AnswerCheck.Answered answered)) {
                return wrong(
                        row,
                        "“" + Text.oneLine(entered) + "” does not answer “"
                                + asked.question().label() + "”");
            }
            List<String> chosen = answered.value().lines().toList();
            List<Option> counted = asked.question().options().stream()
                    .filter(o -> o.most().isPresent() && chosen.contains(o.label()))
                    .toList();
            answers.add(new Answer(asked.id(), 0, asked.question().label(), answered.value(), counted));
        }
        List<String> companions = List.of(cell(row, mapping, Field.COMPANIONS).split(";")).stream()
                .map(Text::oneLine)
                .filter(n -> !n.isEmpty())
                .limit(party - 1L)
                .toList();
        return new Judged(
                row.line(),
                Optional.of(new Application(
                        session.id(), name, email, phone, party, session.zone(), companions, answers, "")),
                "");
    }

    private static Judged wrong(TableReader.Row row, String problem) {
        return new Judged(row.line(), Optional.empty(), problem);
    }

    private static String cell(TableReader.Row row, List<String> mapping, Field field) {
        int column = mapping.indexOf(field.name());
        return column < 0 ? "" : row.cells().get(column);
    }

    /** Everything a column can be, with its words. */
    Map<String, String> targets() {
        Map<String, String> targets = new java.util.LinkedHashMap<>();
        for (Field field : Field.values()) {
            targets.put(field.name(), field.words());
        }
        questions.forEach(q -> targets.put("q" + q.id(), q.question().label()));
        return targets;
    }
}
