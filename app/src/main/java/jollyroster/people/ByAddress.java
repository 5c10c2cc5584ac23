package jollyroster.people;

import static jollyroster.platform.tables.Tables.PERSON;
import static org.jooq.impl.DSL.inline;

import org.jooq.Condition;
import org.jooq.Field;

/** How a person is found by an e-mail address: by the index of addresses, which leaves those out who have none. */
final class ByAddress {

    private ByAddress() {}

    static Condition is(Field<String> email) {
        return PERSON.EMAIL.eq(email).and(PERSON.EMAIL.ne(inline("")));
    }
}
