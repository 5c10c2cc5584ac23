package jollyroster.telling;

import static jollyroster.platform.tables.Tables.NO_DAY_SHEET;
import static jollyroster.platform.tables.Tables.OFFERING;
import static jollyroster.platform.tables.Tables.REGISTRATION;
import static jollyroster.platform.tables.Tables.SESSION;
import static jollyroster.platform.tables.Tables.TELLING;
import static jollyroster.platform.tables.Tables.TOLD_UNTIL;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.Reads;
import jollyroster.platform.Remembered;
import jollyroster.platform.TableChanges;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** Reads what members of the team are told of. */
@Component
public class TellingQueries {

    private static final String CANCELLED = RegistrationState.CANCELLED.name();
    private static final List<String> TOLD =
            List.of(CANCELLED, RegistrationState.REGISTERED.name(), RegistrationState.WAITLISTED.name());
    private static final int MOST_MOVES = 500;
    private final Reads reads;
    private final Remembered<Integer, List<Wish>> wishes;
    private final Remembered<Integer, Set<Long>> withoutSheet;

    TellingQueries(Reads reads, TableChanges changes) {
        this.reads = reads;
        this.wishes = new Remembered<>(changes, 1, "telling");
        this.withoutSheet = new Remembered<>(changes, 1, "no_day_sheet");
    }

    /** All wishes there are. */
    List<Wish> all() {
        return wishes.get(
                0,
                any -> reads.sql()
                        .selectFrom(TELLING)
                        .orderBy(TELLING.ACCOUNT_ID, TELLING.OFFERING_ID)
                        .fetch(r -> new Wish(
                                r.getAccountId(),
                                r.getOfferingId(),
                                r.getIsEach(),
                                r.getDailyHour() == null ? OptionalInt.empty() : OptionalInt.of(r.getDailyHour()),
                                r.getIsFull(),
                                r.getIsShort(),
                                r.getIsText())));
    }

    /** The wishes of one member, that of all offerings first. */
    List<Wish> of(long account) {
        return all().stream().filter(wish -> wish.account() == account).toList();
    }

    /** What each member wishes who wishes something about an offering; a wish about it alone counts in the place of that about all. */
    List<Wish> about(long offering) {
        Map<Long, Wish> counting = all().stream()
                .filter(wish -> wish.offering() == Wish.ALL || wish.offering() == offering)
                .collect(Collectors.toMap(Wish::account, wish -> wish, (all, alone) -> alone));
        return counting.values().stream().filter(wish -> !wish.isNothing()).toList();
    }

    boolean wantsSheet(long account) {
        return !withoutSheet
                .get(0, any -> reads.sql().selectFrom(NO_DAY_SHEET).fetchSet(NO_DAY_SHEET.ACCOUNT_ID))
                .contains(account);
    }

    /** Somebody who came or went. */
    record Move(long offering, String title, String name, int party, RegistrationState state, Instant at) {

        String words() {
            String who = party == 1 ? name : name + " and " + (party - 1) + " more";
            return title + ": " + who
                    + (state == RegistrationState.CANCELLED
                            ? " cancelled"
                            : state == RegistrationState.WAITLISTED ? " waits" : " registered");
        }
    }

    /** Who registered or cancelled after one moment and until another, in order. */
    List<Move> moves(Instant after, Instant until) {
        Field<Instant> at = DSL.when(REGISTRATION.STATE.eq(CANCELLED), REGISTRATION.CHANGED_AT)
                .otherwise(REGISTRATION.CREATED_AT);
        return reads.sql()
                .select(OFFERING.ID, OFFERING.TITLE, REGISTRATION.NAME, REGISTRATION.PARTY, REGISTRATION.STATE, at)
                .from(REGISTRATION)
                .join(SESSION)
                .on(SESSION.ID.eq(REGISTRATION.SESSION_ID))
                .join(OFFERING)
                .on(OFFERING.ID.eq(SESSION.OFFERING_ID))
                .where(REGISTRATION.STATE.in(TOLD))
                .and(at.gt(after))
                .and(at.le(until))
                .orderBy(at, REGISTRATION.ID)
                .limit(MOST_MOVES)
                .fetch(r -> new Move(
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        r.value4(),
                        RegistrationState.valueOf(r.value5()),
                        r.value6()));
    }

    /** Until when a member was told something. */
    Optional<Instant> told(long account, String what) {
        return reads.sql()
                .select(TOLD_UNTIL.TOLD_AT)
                .from(TOLD_UNTIL)
                .where(TOLD_UNTIL.ACCOUNT_ID.eq(account))
                .and(TOLD_UNTIL.WHAT.eq(what))
                .fetchOptional(TOLD_UNTIL.TOLD_AT);
    }
}
