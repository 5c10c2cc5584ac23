package jollyroster.programme;

import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.SESSION;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import jollyroster.core.seats.SignUpStyle;
import jollyroster.outbox.PlanLineCommands;
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
    private final PlanLineCommands plans;
    private final SessionCommands sessions;
    private final SectionCommands keep;
    private final AddressCommands addresses;
    private final SeatCounts counts;
    private final Clock clock;

    OfferingCommands(
            Writes writes,
            PlanLineCommands plans,
            SessionCommands sessions,
            SectionCommands keep,
            AddressCommands addresses,
            SeatCounts counts,
            Clock clock) {
        this.writes = writes;
        this.plans = plans;
        this.sessions = sessions;
        this.keep = keep;
        this.addresses = addresses;
        this.counts = counts;
        this.clock = clock;
    }

    /** What came of saving a section. */
    public enum Saved {
        KEPT,
        /** Somebody else saved this section since it was read; nothing was changed. */
        OVERTAKEN,
        /** People are registered, so that the sign-up style can no longer change; nothing was changed. */
        STYLE_HELD,
        /** It has dates, which own time has not until somebody picks one; nothing was changed. */
        HAS_DATES,
        /** It is published, and nobody could pick a time without a seat; nothing was changed. */
        SEATLESS,
        /** Another offering has this address, or had it; nothing was changed. */
        ADDRESS_TAKEN,
        /** The same of its short link. */
        SHORT_NAME_TAKEN,
        UNKNOWN
    }

    /** Starts a draft. @return its number */
    @Transactional
    public long draft(String title, ZoneId zone, Actor actor) {
        actor.requireOrganiser();
        OfferingRecord row = writes.sql().newRecord(OFFERING);
        row.setZone(zone.getId());
        row.setSlug(addresses.freeFor(title));
        row.setShortCode(shortCode());
        row.setStatus(OfferingStatus.DRAFT.name());
        row.setVersion(1);
        row.setCreatedAt(clock.instant());
        Section.ofDraft(title).forEach(section -> SectionRow.fill(row, section));
        long id = insert(row);
        plans.giveDefault(id);
        return id;
    }

    private long insert(OfferingRecord row) {
        return writes.sql()
                .insertInto(OFFERING)
                .set(row)
                .returningResult(OFFERING.ID)
                .fetchOne(OFFERING.ID);
    }

    /** 31 letters to the 7th are 27 thousand million codes; guessing one that leads somewhere is a long game. */
    private static String shortCode() {
        StringBuilder code = new StringBuilder();
        RANDOM.ints(SHORT_LENGTH, 0, SHORT_LETTERS.length()).forEach(i -> code.append(SHORT_LETTERS.charAt(i)));
        return code.toString();
    }

    /**
     * Keeps a section. While it is a draft, its dates follow the usual number of seats.
     *
     * @param seen how often this part had been kept when it was read; see {@link SectionQueries}
     */
    @Transactional
    public Saved save(long offering, Section section, int seen, Actor actor) {
        actor.requireOrganiser();
        return keep.versionOf(offering, section.part()) == seen
                ? save(offering, List.of(section), actor)
                : Saved.OVERTAKEN;
    }

    /**
     * Keeps these sections, whoever else kept them meanwhile. All of them or none. Where people begin to pick times of their own,
     * a time is for one as long as nobody has said otherwise.
     */
    @Transactional
    public Saved save(long offering, List<? extends Section> sections, Actor actor) {
        actor.requireOrganiser();
        OfferingRecord row = row(offering).orElse(null);
        if (row == null) {
            return Saved.UNKNOWN;
        }
        OfferingRecord before = row.copy();
        sections.forEach(section -> SectionRow.fill(row, section));
        if (!row.getStyle().equals(before.getStyle()) && counts.isAnybodyOn(sessions.idsOf(offering))) {
            return Saved.STYLE_HELD;
        }
        boolean toOwnTime = isOwnTime(row)
                && !isOwnTime(before)
                && !sessions.idsOf(offering).isEmpty();
        if (toOwnTime) {
            return Saved.HAS_DATES;
        }
        if (isOwnTime(row) && !isOwnTime(before) && row.getSeats() == 0) {
            row.setSeats(1);
        }
        if (isOwnTime(row)
                && row.getSeats() <= row.getKeptBack()
                && !row.getStatus().equals(OfferingStatus.DRAFT.name())) {
            return Saved.SEATLESS;
        }
        Optional<Saved> taken = addresses.taken(before, row);
        if (taken.isPresent()) {
            return taken.get();
        }
        addresses.keepFormer(before, row);
        row.setVersion(before.getVersion() + 1);
        row.store();
        keep.keepRows(offering, sections);
        sessions.followSheet(offering, before.getSeats());
        return Saved.KEPT;
    }

    private static boolean isOwnTime(OfferingRecord row) {
        return row.getStyle().equals(SignUpStyle.OWN_TIME.name());
    }

    private Optional<OfferingRecord> row(long offering) {
        return writes.sql().selectFrom(OFFERING).where(OFFERING.ID.eq(offering)).fetchOptional();
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
            copy.setSlug(addresses.freeFor(title));
            copy.setShortCode(shortCode());
            copy.setStatus(OfferingStatus.DRAFT.name());
            copy.setIsPattern(as == Copy.PATTERN);
            copy.setVersion(1);
            copy.setCreatedAt(clock.instant());
            long id = insert(copy);
            keep.copyRows(offering, id);
            plans.copy(offering, id);
            if (as == Copy.DRAFT_WITH_DATES) {
                sessions.copyDates(offering, id, 0, actor);
            }
            return id;
        });
    }

    /** Asks on one offering what is asked on another, after what it asks already, up to the most a sheet can ask. */
    @Transactional
    public void takeQuestions(long from, long to, Actor actor) {
        actor.requireOrganiser();
        keep.copyQuestions(from, to);
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
        keep.dropRows(offering);
        plans.drop(offering);
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
