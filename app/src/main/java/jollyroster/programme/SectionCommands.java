package jollyroster.programme;

import static jollyroster.platform.tables.Tables.BUSY_CALENDAR;
import static jollyroster.platform.tables.Tables.IGNORED_CALENDAR;
import static jollyroster.platform.tables.Tables.OFFERING_HOST;
import static jollyroster.platform.tables.Tables.OWN_TIME;
import static jollyroster.platform.tables.Tables.SECTION_VERSION;

import java.util.List;
import jollyroster.platform.Writes;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Keeps sections of an offering, as part of a write that is under way. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class SectionCommands {

    private final Writes writes;
    private final QuestionCommands questions;

    SectionCommands(Writes writes, QuestionCommands questions) {
        this.writes = writes;
        this.questions = questions;
    }

    /** How often this part was kept so far, counted from 1. */
    int versionOf(long offering, Part part) {
        return writes.sql()
                .select(SECTION_VERSION.VERSION)
                .from(SECTION_VERSION)
                .where(SECTION_VERSION.OFFERING_ID.eq(offering))
                .and(SECTION_VERSION.PART.eq(part.name()))
                .fetchOptional(SECTION_VERSION.VERSION)
                .orElse(1);
    }

    /** Says that a part is another now. */
    void count(long offering, Part part) {
        writes.sql()
                .insertInto(SECTION_VERSION)
                .set(SECTION_VERSION.OFFERING_ID, offering)
                .set(SECTION_VERSION.PART, part.name())
                .set(SECTION_VERSION.VERSION, 2)
                .onConflict(SECTION_VERSION.OFFERING_ID, SECTION_VERSION.PART)
                .doUpdate()
                .set(SECTION_VERSION.VERSION, SECTION_VERSION.VERSION.plus(1))
                .execute();
    }

    /** Keeps what has rows of its own: hosts, questions, and how often each was kept. */
    void keepRows(long offering, List<? extends Section> sections) {
        for (Section section : sections) {
            count(offering, section.part());
            if (section instanceof Section.Place place) {
                saveHosts(offering, place.hosts());
            } else if (section instanceof Section.Asking asked) {
                questions.save(offering, asked.asked());
            } else if (section instanceof Section.Hours hours) {
                saveHours(offering, hours.time());
            }
        }
    }

    private void saveHosts(long offering, List<Long> hosts) {
        writes.sql()
                .deleteFrom(OFFERING_HOST)
                .where(OFFERING_HOST.OFFERING_ID.eq(offering))
                .execute();
        for (int place = 0; place < hosts.size(); place++) {
            writes.sql()
                    .insertInto(OFFERING_HOST)
                    .set(OFFERING_HOST.OFFERING_ID, offering)
                    .set(OFFERING_HOST.ACCOUNT_ID, hosts.get(place))
                    .set(OFFERING_HOST.PLACE, place)
                    .execute();
        }
    }

    private void saveHours(long offering, OwnTime time) {
        writes.sql()
                .deleteFrom(OWN_TIME)
                .where(OWN_TIME.OFFERING_ID.eq(offering))
                .execute();
        writes.sql().insertInto(OWN_TIME).set(OwnTimeRow.of(offering, time)).execute();
        writes.sql()
                .deleteFrom(IGNORED_CALENDAR)
                .where(IGNORED_CALENDAR.OFFERING_ID.eq(offering))
                .execute();
        writes.sql()
                .insertInto(IGNORED_CALENDAR, IGNORED_CALENDAR.OFFERING_ID, IGNORED_CALENDAR.CALENDAR_ID)
                .select(DSL.select(DSL.val(offering), BUSY_CALENDAR.ID)
                        .from(BUSY_CALENDAR)
                        .where(BUSY_CALENDAR.ID.in(time.ignored())))
                .execute();
    }

    /** Gives another offering the same hosts, questions and open hours. */
    void copyRows(long from, long to) {
        OwnTimeQueries.read(writes.sql(), from).ifPresent(time -> saveHours(to, time));
        saveHosts(
                to,
                writes.sql()
                        .select(OFFERING_HOST.ACCOUNT_ID)
                        .from(OFFERING_HOST)
                        .where(OFFERING_HOST.OFFERING_ID.eq(from))
                        .orderBy(OFFERING_HOST.PLACE)
                        .fetch(OFFERING_HOST.ACCOUNT_ID));
        questions.copy(from, to);
    }

    /** Asks on one offering what is asked on another, after what it asks already. */
    void copyQuestions(long from, long to) {
        questions.copy(from, to);
        count(to, Part.ASKING);
    }

    /** Takes away the questions of an offering that is discarded. */
    void dropRows(long offering) {
        questions.drop(offering);
    }
}
