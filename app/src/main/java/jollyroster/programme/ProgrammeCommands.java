package jollyroster.programme;

import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.QUESTION;
import static jollyroster.platform.tables.Tables.SESSION;

import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.intake.Text;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Writes;
import org.jooq.exception.IntegrityConstraintViolationException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Changes offerings and their sessions. */
@Component
public class ProgrammeCommands {

    private final Writes writes;
    private final OutboxCommands outbox;
    private final Clock clock;

    ProgrammeCommands(Writes writes, OutboxCommands outbox, Clock clock) {
        this.writes = writes;
        this.outbox = outbox;
        this.clock = clock;
    }

    /** What came of saving a sheet. */
    public enum Saved {
        KEPT,
        /** Somebody else saved it since it was read; nothing was changed. */
        OVERTAKEN,
        UNKNOWN
    }

    /** Starts a draft. @return its number */
    @Transactional
    public long draft(String title, ZoneId zone) {
        long id = writes.sql()
                .insertInto(OFFERING)
                .set(OFFERING.SLUG, freeSlug(title))
                .set(OFFERING.TITLE, title)
                .set(OFFERING.SUMMARY, "")
                .set(OFFERING.DESCRIPTION, "")
                .set(OFFERING.BRING, "")
                .set(OFFERING.FORMAT, Format.IN_PERSON.name())
                .set(OFFERING.HOST_NAME, "")
                .set(OFFERING.ZONE, zone.getId())
                .set(OFFERING.MINUTES, 120)
                .set(OFFERING.SEATS, 0)
                .set(OFFERING.WAITLIST_ALLOWED, true)
                .set(OFFERING.LARGEST_PARTY, 1)
                .set(OFFERING.CUTOFF_MINUTES, 0)
                .set(OFFERING.DOOR_MINUTES, 15)
                .set(OFFERING.OVERRUN_MINUTES, 15)
                .set(OFFERING.STATUS, OfferingStatus.DRAFT.name())
                .set(OFFERING.VERSION, 1)
                .set(OFFERING.CREATED_AT, clock.instant())
                .returningResult(OFFERING.ID)
                .fetchOne(OFFERING.ID);
        outbox.planByDefault(id);
        return id;
    }

    private String freeSlug(String title) {
        String slug = Slugs.of(title);
        List<String> taken = writes.sql()
                .select(OFFERING.SLUG)
                .from(OFFERING)
                .where(OFFERING.SLUG.startsWith(slug))
                .fetch(OFFERING.SLUG);
        return Slugs.free(slug, taken);
    }

    /**
     * Keeps a sheet without problems. While it is a draft, its dates follow the usual number of seats.
     */
    @Transactional
    public Saved save(long offering, SheetForm form) {
        Optional<Integer> version = writes.sql()
                .select(OFFERING.VERSION)
                .from(OFFERING)
                .where(OFFERING.ID.eq(offering))
                .fetchOptional(OFFERING.VERSION);
        if (version.isEmpty()) {
            return Saved.UNKNOWN;
        }
        if (version.get() != form.version()) {
            return Saved.OVERTAKEN;
        }
        followSeats(offering, Integer.parseInt(form.seats()));
        update(offering, form);
        saveQuestions(offering, form.questionsAsked());
        return Saved.KEPT;
    }

    private void followSeats(long offering, int seats) {
        writes.sql()
                .update(SESSION)
                .set(SESSION.SEATS, seats)
                .set(SESSION.KEPT_BACK, 0)
                .where(SESSION.OFFERING_ID.eq(offering))
                .and(SESSION.OFFERING_ID.in(writes.sql()
                        .select(OFFERING.ID)
                        .from(OFFERING)
                        .where(OFFERING.STATUS.eq(OfferingStatus.DRAFT.name()))))
                .execute();
    }

    private void update(long offering, SheetForm form) {
        writes.sql()
                .update(OFFERING)
                .set(OFFERING.TITLE, form.title())
                .set(OFFERING.SUMMARY, form.summary())
                .set(OFFERING.DESCRIPTION, form.description())
                .set(OFFERING.BRING, form.bring())
                .set(OFFERING.FORMAT, form.format())
                .set(OFFERING.VENUE_ID, form.venue().isEmpty() ? null : Long.valueOf(form.venue()))
                .set(OFFERING.HOST_NAME, form.host())
                .set(OFFERING.MINUTES, Integer.valueOf(form.minutes()))
                .set(OFFERING.SEATS, Integer.valueOf(form.seats()))
                .set(OFFERING.WAITLIST_ALLOWED, form.waitlist())
                .set(OFFERING.LARGEST_PARTY, Integer.valueOf(form.largestParty()))
                .set(OFFERING.CUTOFF_MINUTES, Integer.parseInt(form.cutoffHours()) * 60)
                .set(OFFERING.VERSION, OFFERING.VERSION.plus(1))
                .where(OFFERING.ID.eq(offering))
                .execute();
    }

    /** Questions that are no longer asked go; answers to them stay, under the wording they were given to. */
    private void saveQuestions(long offering, List<SheetForm.QuestionForm> asked) {
        List<AskedQuestion> known = RowQueries.questions(writes.sql(), offering);
        List<String> stays = asked.stream().map(q -> String.valueOf(q.id())).toList();
        known.stream()
                .filter(k -> !stays.contains(String.valueOf(k.id())))
                .forEach(gone -> writes.sql()
                        .deleteFrom(QUESTION)
                        .where(QUESTION.ID.eq(gone.id()))
                        .execute());
        for (int place = 0; place < asked.size(); place++) {
            SheetForm.QuestionForm form = asked.get(place);
            boolean isKnown =
                    known.stream().anyMatch(k -> String.valueOf(k.id()).equals(form.id()));
            saveQuestion(offering, place, form, isKnown);
        }
    }

    private void saveQuestion(long offering, int place, SheetForm.QuestionForm form, boolean isKnown) {
        var row = new jollyroster.platform.tables.tables.records.QuestionRecord();
        row.setPlace(place);
        row.setKind(form.kind());
        row.setLabel(form.label());
        row.setHelp(form.help());
        row.setRequired(form.required());
        row.setOptions(String.join("\n", form.optionList()));
        if (isKnown) {
            writes.sql()
                    .update(QUESTION)
                    .set(row)
                    .where(QUESTION.ID.eq(Long.valueOf(form.id())))
                    .execute();
            return;
        }
        row.setOfferingId(offering);
        row.setKey(freeKey(offering, form.label()));
        writes.sql().insertInto(QUESTION).set(row).execute();
    }

    private String freeKey(long offering, String label) {
        List<String> taken = writes.sql()
                .select(QUESTION.KEY)
                .from(QUESTION)
                .where(QUESTION.OFFERING_ID.eq(offering))
                .fetch(QUESTION.KEY);
        String key = Slugs.of(Text.oneLine(label)).replace('-', '_');
        return Slugs.free(key.substring(0, Math.min(key.length(), 30)), taken).replace('-', '_');
    }

    /** Adds sessions with the offering's usual number of seats. */
    @Transactional
    public void addDates(long offering, List<SessionTime> times) {
        int seats = writes.sql()
                .select(OFFERING.SEATS)
                .from(OFFERING)
                .where(OFFERING.ID.eq(offering))
                .fetchSingle(OFFERING.SEATS);
        times.forEach(time -> addDate(offering, time, seats));
    }

    /** Adds one session. @return its number */
    @Transactional
    public long addDate(long offering, SessionTime time, int seats) {
        return writes.sql()
                .insertInto(SESSION)
                .set(SESSION.OFFERING_ID, offering)
                .set(SESSION.STARTS_AT, time.start().toInstant())
                .set(SESSION.ENDS_AT, time.end().toInstant())
                .set(SESSION.ZONE, time.start().getZone().getId())
                .set(SESSION.SEATS, seats)
                .set(SESSION.KEPT_BACK, 0)
                .set(SESSION.STATUS, "OPEN")
                .set(SESSION.SEQUENCE, 0)
                .set(SESSION.CREATED_AT, clock.instant())
                .returningResult(SESSION.ID)
                .fetchOne(SESSION.ID);
    }

    /** Takes a date off the sheet. @return false, with nothing changed, when somebody has registered for it */
    @Transactional
    public boolean removeDate(long offering, long session) {
        try {
            return writes.sql()
                            .deleteFrom(SESSION)
                            .where(SESSION.ID.eq(session))
                            .and(SESSION.OFFERING_ID.eq(offering))
                            .execute()
                    == 1;
        } catch (IntegrityConstraintViolationException somebodyIsOnIt) {
            return false;
        }
    }

    /** Moves an offering to another status. */
    @Transactional
    public void turn(long offering, OfferingStatus status) {
        writes.sql()
                .update(OFFERING)
                .set(OFFERING.STATUS, status.name())
                .set(OFFERING.VERSION, OFFERING.VERSION.plus(1))
                .where(OFFERING.ID.eq(offering))
                .execute();
    }

    /** Remembers the room a meeting service made for a session. */
    @Transactional
    public void roomMade(long session, String room) {
        writes.sql()
                .update(SESSION)
                .set(SESSION.MEETING_ROOM, room)
                .where(SESSION.ID.eq(session))
                .execute();
    }

    /** Sets the seats of a session as part of a write that has checked them. */
    @Transactional
    public void setSeats(long session, int seats) {
        writes.sql()
                .update(SESSION)
                .set(SESSION.SEATS, seats)
                .set(SESSION.KEPT_BACK, org.jooq.impl.DSL.least(SESSION.KEPT_BACK, org.jooq.impl.DSL.val(seats)))
                .where(SESSION.ID.eq(session))
                .execute();
    }

    /** The session as this write sees it. */
    @Transactional
    public Optional<Session> session(long id) {
        return RowQueries.sessions(writes.sql()).where(SESSION.ID.eq(id)).fetchOptional(RowQueries::session);
    }
}
