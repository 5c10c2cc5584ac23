package jollyroster.programme;

import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.OFFERING_HOST;
import static jollyroster.platform.tables.Tables.SESSION;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import jollyroster.outbox.OutboxCommands;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.OfferingRecord;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Describes offerings. Organisers only. */
@Component
public class OfferingCommands {

    private static final SecureRandom RANDOM = new SecureRandom();
    private static final String SHORT_LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";
    private static final int SHORT_LENGTH = 7;
    private final Writes writes;
    private final OutboxCommands outbox;
    private final SessionCommands sessions;
    private final QuestionCommands questions;
    private final SeatCounts counts;
    private final Clock clock;

    OfferingCommands(
            Writes writes,
            OutboxCommands outbox,
            SessionCommands sessions,
            QuestionCommands questions,
            SeatCounts counts,
            Clock clock) {
        this.writes = writes;
        this.outbox = outbox;
        this.sessions = sessions;
        this.questions = questions;
        this.counts = counts;
        this.clock = clock;
    }

    /** What came of saving a sheet. */
    public enum Saved {
        KEPT,
        /** Somebody else saved it since it was read; nothing was changed. */
        OVERTAKEN,
        /** People are registered, so that the sign-up style can no longer change; nothing was changed. */
        STYLE_HELD,
        UNKNOWN
    }

    /** Starts a draft. @return its number */
    @Transactional
    public long draft(String title, ZoneId zone, Actor actor) {
        actor.requireOrganiser();
        OfferingRecord row = writes.sql().newRecord(OFFERING);
        row.setZone(zone.getId());
        row.setSlug(freeSlug(title));
        row.setShortCode(shortCode());
        row.setStatus(OfferingStatus.DRAFT.name());
        row.setVersion(1);
        row.setCreatedAt(clock.instant());
        fill(row, SheetForm.titled(title));
        long id = insert(row);
        outbox.planByDefault(id);
        return id;
    }

    private long insert(OfferingRecord row) {
        return writes.sql()
                .insertInto(OFFERING)
                .set(row)
                .returningResult(OFFERING.ID)
                .fetchOne(OFFERING.ID);
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

    /** 31 letters to the 7th are 27 thousand million codes; guessing one that leads somewhere is a long game. */
    private static String shortCode() {
        StringBuilder code = new StringBuilder();
        RANDOM.ints(SHORT_LENGTH, 0, SHORT_LETTERS.length()).forEach(i -> code.append(SHORT_LETTERS.charAt(i)));
        return code.toString();
    }

    /** Keeps a sheet without problems. While it is a draft, its dates follow the usual number of seats. */
    @Transactional
    public Saved save(long offering, SheetForm form, Actor actor) {
        actor.requireOrganiser();
        Optional<OfferingRecord> row = row(offering);
        if (row.isEmpty()) {
            return Saved.UNKNOWN;
        }
        if (row.get().getVersion() != form.version()) {
            return Saved.OVERTAKEN;
        }
        boolean restyled = !row.get().getStyle().equals(form.signup().style());
        if (restyled && counts.isAnybodyOn(sessions.idsOf(offering))) {
            return Saved.STYLE_HELD;
        }
        int seatsBefore = row.get().getSeats();
        fill(row.get(), form);
        row.get().setVersion(form.version() + 1);
        row.get().store();
        saveHosts(offering, form.place().hostIds());
        questions.save(offering, form.questionsAsked());
        sessions.followSheet(offering, seatsBefore);
        return Saved.KEPT;
    }

    private Optional<OfferingRecord> row(long offering) {
        return writes.sql().selectFrom(OFFERING).where(OFFERING.ID.eq(offering)).fetchOptional();
    }

    private static void fill(OfferingRecord row, SheetForm form) {
        SheetForm.Words w = form.words();
        row.setTitle(w.title());
        row.setSummary(w.summary());
        row.setDescription(w.description());
        row.setBring(w.bring());
        row.setAudience(w.audience());
        row.setLanguage(w.language());
        row.setColour(w.tint());
        row.setLabels(String.join("\n", w.labelList()));
        row.setPrice(w.price());
        row.setContact(w.contact().toLowerCase(Locale.ROOT));
        row.setFormat(form.place().format());
        row.setVenueId(
                form.place().venue().isEmpty()
                        ? null
                        : Long.valueOf(form.place().venue()));
        row.setHostName(form.place().host());
        fill(row, form.seats());
        row.setStyle(form.signup().style());
        row.setVisibility(form.signup().visibility());
        row.setCutoffMinutes(Integer.parseInt(form.signup().cutoffHours()) * 60);
        row.setOpensDays(Integer.valueOf(form.signup().opensDays()));
        fillTaking(row, form);
    }

    private static void fillTaking(OfferingRecord row, SheetForm form) {
        SheetForm.Taking t = form.taking();
        row.setFreedSeats(t.freed());
        row.setWaitlistLimit(t.waitlistLimit().isEmpty() ? null : Integer.valueOf(t.waitlistLimit()));
        row.setPhoneRule(t.phone());
        row.setIsFullName(t.fullName());
        row.setIsEmailConfirmed(t.confirmEmail());
        row.setChangesMinutes(Integer.parseInt(t.changesHours()) * 60);
        row.setAfterText(t.afterText());
        row.setAfterAddress(t.afterAddress());
        row.setIsRsvp(form.inviting().rsvp());
        row.setIsCompanyShown(form.inviting().companyShown());
        row.setTell(form.inviting().tell());
        row.setPriceMinor((int) form.paying().price().orElseThrow().minor());
        row.setCurrency(form.paying().currency());
    }

    private static void fill(OfferingRecord row, SheetForm.Seats s) {
        row.setMinutes(Integer.valueOf(s.minutes()));
        row.setSeats(Integer.valueOf(s.seats()));
        row.setKeptBack(Integer.valueOf(s.keptBack()));
        row.setWaitlistAllowed(s.waitlist());
        row.setLargestParty(Integer.valueOf(s.largestParty()));
        row.setMinimum(Integer.valueOf(s.minimum()));
        row.setDecideDays(Integer.valueOf(s.decideDays()));
        row.setBufferBefore(Integer.valueOf(s.bufferBefore()));
        row.setBufferAfter(Integer.valueOf(s.bufferAfter()));
        row.setDoorMinutes(Integer.valueOf(s.doorMinutes()));
        row.setOverrunMinutes(Integer.valueOf(s.overrunMinutes()));
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

    /** Moves an offering to another status. */
    @Transactional
    public void turn(long offering, OfferingStatus status, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .update(OFFERING)
                .set(OFFERING.STATUS, status.name())
                .set(OFFERING.VERSION, OFFERING.VERSION.plus(1))
                .where(OFFERING.ID.eq(offering))
                .and(OFFERING.IS_PATTERN.isFalse())
                .execute();
        sessions.wantLinks(offering);
    }

    /** What a copy is for. */
    public enum Copy {
        DRAFT_WITHOUT_DATES,
        /** Dates in the past are copied too; the readiness check names them. */
        DRAFT_WITH_DATES,
        PATTERN
    }

    /** Copies an offering, its questions, its hosts and its message plan into a new draft or pattern. @return its number */
    @Transactional
    public Optional<Long> copy(long offering, String title, Copy as, Actor actor) {
        actor.requireOrganiser();
        return row(offering).map(from -> {
            OfferingRecord copy = from.copy();
            copy.setTitle(title);
            copy.setSlug(freeSlug(title));
            copy.setShortCode(shortCode());
            copy.setStatus(OfferingStatus.DRAFT.name());
            copy.setIsPattern(as == Copy.PATTERN);
            copy.setVersion(1);
            copy.setCreatedAt(clock.instant());
            long id = insert(copy);
            copyHosts(offering, id);
            questions.copy(offering, id);
            outbox.copyPlan(offering, id);
            if (as == Copy.DRAFT_WITH_DATES) {
                sessions.copyDates(offering, id, 0, actor);
            }
            return id;
        });
    }

    private void copyHosts(long from, long to) {
        saveHosts(
                to,
                writes.sql()
                        .select(OFFERING_HOST.ACCOUNT_ID)
                        .from(OFFERING_HOST)
                        .where(OFFERING_HOST.OFFERING_ID.eq(from))
                        .orderBy(OFFERING_HOST.PLACE)
                        .fetch(OFFERING_HOST.ACCOUNT_ID));
    }

    /** Asks on one offering what is asked on another, after what it asks already, up to the most a sheet can ask. */
    @Transactional
    public void takeQuestions(long from, long to, Actor actor) {
        actor.requireOrganiser();
        questions.copy(from, to);
        row(to).ifPresent(row -> {
            row.setVersion(row.getVersion() + 1);
            row.store();
        });
    }

    /** Takes a draft or a pattern away for good. @return false, with nothing changed, when it is anything else */
    @Transactional
    public boolean discard(long offering, Actor actor) {
        actor.requireOrganiser();
        boolean discardable = row(offering)
                .filter(o -> o.getStatus().equals(OfferingStatus.DRAFT.name()))
                .isPresent();
        if (!discardable || counts.isAnybodyOn(sessions.idsOf(offering))) {
            return false;
        }
        writes.sql()
                .update(SESSION)
                .setNull(SESSION.LEAD_ID)
                .where(SESSION.OFFERING_ID.eq(offering))
                .execute();
        writes.sql().deleteFrom(SESSION).where(SESSION.OFFERING_ID.eq(offering)).execute();
        questions.drop(offering);
        outbox.dropPlan(offering);
        writes.sql().deleteFrom(OFFERING).where(OFFERING.ID.eq(offering)).execute();
        return true;
    }

    /** @param picture the name of a kept picture, or empty for none */
    @Transactional
    public void setPicture(long offering, String picture, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .update(OFFERING)
                .set(OFFERING.PICTURE, picture)
                .where(OFFERING.ID.eq(offering))
                .execute();
    }

    /** @param origins checked addresses such as {@code https://club.example} */
    @Transactional
    public void setEmbedOrigins(long offering, List<String> origins, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .update(OFFERING)
                .set(OFFERING.EMBED_ORIGINS, String.join("\n", origins))
                .where(OFFERING.ID.eq(offering))
                .execute();
    }
}
