package jollyroster.telling;

import static jollyroster.platform.tables.Tables.NO_DAY_SHEET;
import static jollyroster.platform.tables.Tables.TELLING;
import static jollyroster.platform.tables.Tables.TOLD_UNTIL;

import java.time.Instant;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import jollyroster.team.AccountCommands;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what members of the team are told of; each says so for themselves. */
@Component
public class TellingCommands {

    private final Writes writes;
    private final AccountCommands accounts;

    TellingCommands(Writes writes, AccountCommands accounts) {
        this.writes = writes;
        this.accounts = accounts;
    }

    private static long self(Actor actor) {
        actor.requireTeam();
        return actor instanceof Actor.Team member ? member.id() : 0;
    }

    /** Keeps a wish of whoever acts. */
    @Transactional
    public void wish(Wish wanted, Actor actor) {
        long me = self(actor);
        Integer hour = wanted.dailyHour().isPresent() ? wanted.dailyHour().getAsInt() : null;
        forget(wanted.offering(), actor);
        writes.sql()
                .insertInto(TELLING)
                .set(TELLING.ACCOUNT_ID, me)
                .set(TELLING.OFFERING_ID, wanted.offering())
                .set(TELLING.IS_EACH, wanted.each())
                .set(TELLING.DAILY_HOUR, hour)
                .set(TELLING.IS_FULL, wanted.full())
                .set(TELLING.IS_SHORT, wanted.missed())
                .set(TELLING.IS_TEXT, wanted.text())
                .execute();
    }

    /** Takes a wish about an offering back, so that the one about all counts. */
    @Transactional
    public void forget(long offering, Actor actor) {
        writes.sql()
                .deleteFrom(TELLING)
                .where(TELLING.ACCOUNT_ID.eq(self(actor)))
                .and(TELLING.OFFERING_ID.eq(offering))
                .execute();
    }

    /** @param phone E.164, or empty @param sheet whether they want the sheet of the day */
    @Transactional
    public void self(String phone, boolean sheet, Actor actor) {
        long me = self(actor);
        accounts.setPhone(me, phone);
        if (sheet) {
            writes.sql()
                    .deleteFrom(NO_DAY_SHEET)
                    .where(NO_DAY_SHEET.ACCOUNT_ID.eq(me))
                    .execute();
        } else {
            writes.sql()
                    .insertInto(NO_DAY_SHEET)
                    .set(NO_DAY_SHEET.ACCOUNT_ID, me)
                    .onDuplicateKeyIgnore()
                    .execute();
        }
    }

    /** Keeps until when a member was told something; part of the write that tells. */
    void told(long account, String what, Instant until) {
        writes.sql()
                .insertInto(TOLD_UNTIL)
                .set(TOLD_UNTIL.ACCOUNT_ID, account)
                .set(TOLD_UNTIL.WHAT, what)
                .set(TOLD_UNTIL.TOLD_AT, until)
                .onDuplicateKeyUpdate()
                .set(TOLD_UNTIL.TOLD_AT, until)
                .execute();
    }
}
