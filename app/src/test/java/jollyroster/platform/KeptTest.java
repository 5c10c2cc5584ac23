package jollyroster.platform;

import static jollyroster.platform.tables.Tables.PERSON;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.jooq.impl.DSL.param;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.AppTest;
import jollyroster.platform.tables.tables.records.PersonRecord;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.support.TransactionTemplate;

/** A statement that is kept works on after it failed, and only within a write. */
@AppTest
class KeptTest {

    @Autowired
    Writes writes;

    @Autowired
    Reads reads;

    @Autowired
    TransactionTemplate transaction;

    private KeptInsert<PersonRecord> insert;

    @BeforeEach
    void keep() {
        insert = writes.keepInsert(PERSON, into -> into);
    }

    private static PersonRecord person(String email) {
        PersonRecord row = new PersonRecord();
        row.setEmail(email);
        row.setName("Imke Dalgaard");
        row.setPhone("");
        row.setZone("Europe/Copenhagen");
        row.setGeneration(1);
        row.setFolded("");
        row.setCreatedAt(Instant.parse("2027-03-10T12:40:00Z"));
        return row;
    }

    private long add(String email) {
        return transaction.execute(status -> insert.add(person(email)));
    }

    private int kept(String email) {
        return reads.sql().fetchCount(reads.sql().selectFrom(PERSON).where(PERSON.EMAIL.eq(email)));
    }

    @Test
    void an_insert_that_failed_is_followed_by_one_that_works() {
        long first = add("imke@kept.example");
        assertThatThrownBy(() -> add("imke@kept.example")).isInstanceOf(DataAccessException.class);
        assertThat(add("jorun@kept.example")).isGreaterThan(first);
        assertThat(List.of(kept("imke@kept.example"), kept("jorun@kept.example")))
                .containsExactly(1, 1);
    }

    @Test
    void what_failed_among_several_takes_all_of_its_write_with_it() {
        List<PersonRecord> rows =
                List.of(person("one@several.example"), person("two@several.example"), person("one@several.example"));
        assertThatThrownBy(() -> transaction.executeWithoutResult(status -> insert.runAll(rows)))
                .isInstanceOf(DataAccessException.class);
        assertThat(kept("one@several.example") + kept("two@several.example")).isZero();
        transaction.executeWithoutResult(status -> insert.runAll(rows.subList(0, 2)));
        assertThat(kept("one@several.example") + kept("two@several.example")).isEqualTo(2);
    }

    @Test
    void values_come_back_as_they_were_given() {
        add("imke@values.example");
        PersonRecord row = reads.sql()
                .selectFrom(PERSON)
                .where(PERSON.EMAIL.eq("imke@values.example"))
                .fetchSingle();
        assertThat(row.getCreatedAt()).isEqualTo("2027-03-10T12:40:00Z");
        assertThat(row.getName()).isEqualTo("Imke Dalgaard");
    }

    @Test
    void outside_of_a_write_it_refuses() {
        assertThatIllegalStateException().isThrownBy(() -> insert.run(person("stray@kept.example")));
        assertThat(kept("stray@kept.example")).isZero();
    }

    @Test
    void a_value_stands_wherever_its_name_does_and_none_may_be_missing() {
        add("imke@named.example");
        KeptQuery twice = writes.keep(sql -> sql.select(PERSON.NAME)
                .from(PERSON)
                .where(PERSON.EMAIL.eq(param("email", PERSON.EMAIL)))
                .and(PERSON.EMAIL.ne(param("other", PERSON.EMAIL)))
                .and(PERSON.EMAIL.eq(param("email", PERSON.EMAIL))));
        assertThat(name(twice, Map.of("email", "imke@named.example", "other", "x")))
                .contains("Imke Dalgaard");
        assertThat(name(twice, Map.of("email", "nobody@named.example", "other", "x")))
                .isEmpty();
        assertThatIllegalArgumentException()
                .isThrownBy(() -> name(twice, Map.of("email", "imke@named.example")))
                .withMessageContaining("other");
    }

    private Optional<String> name(KeptQuery query, Map<String, ?> values) {
        return transaction.execute(status -> query.first((row, at) -> row.getString(1), values));
    }
}
