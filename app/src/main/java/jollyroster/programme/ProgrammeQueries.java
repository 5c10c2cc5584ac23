package jollyroster.programme;

import static java.time.temporal.ChronoUnit.DAYS;
import static jollyroster.platform.tables.Tables.FORMER_SHORT_CODE;
import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.SESSION;
import static jollyroster.platform.tables.Tables.VENUE;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.SessionTime;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import org.jooq.Condition;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Reads offerings, sessions and venues. Patterns are left out unless they are asked for. */
@Component
public class ProgrammeQueries {

    private static final int MOST_SESSIONS = 2000;
    private static final Condition REAL = OFFERING.IS_PATTERN.isFalse();
    private static final Condition OPEN = SESSION.STATUS.eq("OPEN");
    private final Reads reads;
    private final Remembered<String, Optional<Offering>> shown;
    private final Remembered<Long, Optional<Session>> sessions;
    private final Remembered<Long, List<Session>> ofOffering;
    private final Remembered<Long, List<Session>> ofSeries;
    private final Remembered<Interval, List<Session>> between;
    private final Remembered<Long, List<AskedQuestion>> questions;
    private final Remembered<Set<Long>, Map<Long, List<AskedQuestion>>> questionsOfSeveral;
    private final Remembered<Set<Long>, Map<Long, List<Session>>> ofSeveral;
    private final Remembered<Instant, List<Session>> coming;
    private final Remembered<Class<Offering>, List<Offering>> offerings;

    ProgrammeQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.shown = new Remembered<>(changes, 200, "offering", "venue");
        this.sessions = new Remembered<>(changes, 1000, "session", "offering", "venue");
        this.ofOffering = new Remembered<>(changes, 100, "session", "offering", "venue");
        this.ofSeries = new Remembered<>(changes, 100, "session", "offering", "venue");
        this.between = new Remembered<>(changes, 50, "session", "offering", "venue");
        this.questions = new Remembered<>(changes, 200, "question");
        this.questionsOfSeveral = new Remembered<>(changes, 20, "question");
        this.ofSeveral = new Remembered<>(changes, 20, "session", "offering", "venue");
        this.coming = new Remembered<>(changes, 3, "session", "offering", "venue");
        this.offerings = new Remembered<>(changes, 1, "offering", "venue");
    }

    /** The offering or pattern of this number. */
    public Optional<Offering> offering(long id) {
        return RowQueries.offerings(reads.sql()).where(OFFERING.ID.eq(id)).fetchOptional(RowQueries::offering);
    }

    /** The offering with this name in addresses, unless it is a draft. */
    public Optional<Offering> shown(String slug) {
        return shown.get(slug, name -> shown(OFFERING.SLUG.eq(name)));
    }

    /** The offering with this name in short links, or that had it before, unless it is a draft. */
    public Optional<Offering> shownByShortCode(String code) {
        return shown(OFFERING.SHORT_CODE.eq(code))
                .or(() -> shown(OFFERING.ID.in(DSL.select(FORMER_SHORT_CODE.OFFERING_ID)
                        .from(FORMER_SHORT_CODE)
                        .where(FORMER_SHORT_CODE.CODE.eq(code)))));
    }

    private Optional<Offering> shown(Condition which) {
        return RowQueries.offerings(reads.sql())
                .where(which)
                .and(OFFERING.STATUS.ne(OfferingStatus.DRAFT.name()))
                .fetchOptional(RowQueries::offering);
    }

    /** All offerings, by title. */
    public List<Offering> offerings() {
        return offerings.get(
                Offering.class,
                all -> RowQueries.offerings(reads.sql())
                        .where(REAL)
                        .orderBy(OFFERING.TITLE)
                        .fetch(RowQueries::offering));
    }

    /** Published offerings that everybody may find and of which people pick a time, by title. */
    public List<Offering> ownTimeListed() {
        return offerings().stream()
                .filter(o -> o.style() == SignUpStyle.OWN_TIME)
                .filter(o -> o.status() == OfferingStatus.PUBLISHED && o.rules().visibility() == Visibility.LISTED)
                .toList();
    }

    /** All patterns, by title. */
    public List<Offering> patterns() {
        return RowQueries.offerings(reads.sql())
                .where(OFFERING.IS_PATTERN.isTrue())
                .orderBy(OFFERING.TITLE)
                .fetch(RowQueries::offering);
    }

    public Optional<Session> session(long id) {
        return sessions.get(
                id,
                key -> RowQueries.sessions(reads.sql())
                        .where(SESSION.ID.eq(key))
                        .fetchOptional(RowQueries::session));
    }

    /** These sessions, in no order. */
    public List<Session> sessions(Collection<Long> ids) {
        return RowQueries.sessions(reads.sql()).where(SESSION.ID.in(ids)).fetch(RowQueries::session);
    }

    /** The sessions of an offering in order of time. */
    public List<Session> sessionsOf(long offering) {
        return ofOffering.get(offering, id -> inOrder(SESSION.OFFERING_ID.eq(id)));
    }

    /** The dates of the book that this session belongs to, in order of time: itself, or its whole series. */
    public List<Session> datesOf(Session session) {
        return session.lead() == null
                ? List.of(session)
                : ofSeries.get(session.book(), lead -> inOrder(SESSION.LEAD_ID.eq(lead)));
    }

    /**
     * The date that counts at an instant for somebody on this book: the one under way or next to be held, else the last.
     *
     * @param book a session, or the one that leads a whole series
     */
    public Optional<Session> dateAt(long book, Instant now) {
        return session(book).flatMap(session -> {
            List<Session> dates = datesOf(session);
            return dates.stream()
                    .filter(date ->
                            !date.cancelled() && now.isBefore(date.doorHours().closes()))
                    .findFirst()
                    .or(() -> dates.isEmpty() ? Optional.empty() : Optional.of(dates.get(dates.size() - 1)));
        });
    }

    /** Sessions that end after {@code from} and start before {@code to}, in order of time. */
    public List<Session> between(Instant from, Instant to) {
        return between.get(wholeDays(from, to), this::overlapping).stream()
                .filter(s -> s.end().isAfter(from) && s.start().isBefore(to))
                .toList();
    }

    /** Whole days, so that what was read a moment ago will do. */
    private static Interval wholeDays(Instant from, Instant to) {
        return new Interval(from.truncatedTo(DAYS), to.truncatedTo(DAYS).plus(1, DAYS));
    }

    private List<Session> overlapping(Interval span) {
        return inOrder(SESSION.STARTS_AT
                .lt(span.end())
                .and(SESSION.STARTS_AT.gt(span.start().minus(SessionTime.LONGEST)))
                .and(SESSION.ENDS_AT.gt(span.start()))
                .and(REAL));
    }

    /** Sessions to come of published offerings that everybody may find, in order of time. */
    public List<Session> publishedAfter(Instant now) {
        return coming(now).stream()
                .filter(s -> s.offering().status() == OfferingStatus.PUBLISHED)
                .filter(s -> s.offering().rules().visibility() == Visibility.LISTED)
                .filter(s -> s.offering().style() != SignUpStyle.OWN_TIME)
                .toList();
    }

    /** Sessions to come of every offering, drafts included, in order of time. */
    public List<Session> coming(Instant now) {
        return coming
                .get(
                        now.truncatedTo(DAYS),
                        day -> inOrder(SESSION.STARTS_AT.gt(day).and(OPEN).and(REAL)))
                .stream()
                .filter(s -> s.start().isAfter(now))
                .toList();
    }

    private List<Session> inOrder(Condition which) {
        return RowQueries.sessions(reads.sql())
                .where(which)
                .and(SESSION.IS_GIVEN_BACK.isFalse())
                .orderBy(SESSION.STARTS_AT, SESSION.ID)
                .limit(MOST_SESSIONS)
                .fetch(RowQueries::session);
    }

    /** Sessions whose meeting link the service should be asked for now, the longest due first. */
    public List<Session> wantingLinks(Instant now, int most) {
        return RowQueries.sessions(reads.sql())
                .where(SESSION.LINK_STATE.in(
                        DSL.inline(MeetingLink.State.WANTED.name()), DSL.inline(MeetingLink.State.FAILED.name())))
                .and(SESSION.LINK_NEXT_AT.le(now))
                .orderBy(SESSION.LINK_NEXT_AT)
                .limit(most)
                .fetch(RowQueries::session);
    }

    /** Published sessions to come whose room the meeting service makes, the next one first. */
    public List<Session> wantingTheService(Instant now) {
        return RowQueries.sessions(reads.sql())
                .where(SESSION.LINK_STATE.ne(MeetingLink.State.NONE.name()))
                .and(SESSION.STATUS.eq("OPEN"))
                .and(SESSION.ENDS_AT.gt(now))
                .orderBy(SESSION.STARTS_AT)
                .fetch(RowQueries::session);
    }

    /** Questions of an offering that are no longer asked, but were answered. */
    public List<AskedQuestion> retiredQuestions(long offering) {
        return RowQueries.retiredQuestions(reads.sql(), offering);
    }

    public List<AskedQuestion> questions(long offering) {
        return questions.get(offering, id -> RowQueries.questions(reads.sql(), id));
    }

    /** The questions of several offerings, in one query. */
    Map<Long, List<AskedQuestion>> questions(Collection<Long> offerings) {
        return questionsOfSeveral.get(Set.copyOf(offerings), ids -> RowQueries.questions(reads.sql(), ids));
    }

    /** The sessions of several offerings in order of time, in one query. */
    public Map<Long, List<Session>> sessionsOf(Collection<Long> offerings) {
        return ofSeveral.get(
                Set.copyOf(offerings),
                ids -> inOrder(SESSION.OFFERING_ID.in(ids)).stream()
                        .collect(Collectors.groupingBy(s -> s.offering().id())));
    }

    /** Venues that can be chosen, by name. */
    public List<Venue> venues() {
        return reads.sql()
                .selectFrom(VENUE)
                .where(VENUE.IS_RETIRED.isFalse())
                .orderBy(VENUE.NAME)
                .fetch(RowQueries::venue);
    }

    /** All venues, those that are no longer offered last. */
    public List<Venue> allVenues() {
        return reads.sql()
                .selectFrom(VENUE)
                .orderBy(VENUE.IS_RETIRED, VENUE.NAME)
                .fetch(RowQueries::venue);
    }

    public Optional<Venue> venue(long id) {
        return reads.sql().selectFrom(VENUE).where(VENUE.ID.eq(id)).fetchOptional(RowQueries::venue);
    }
}
