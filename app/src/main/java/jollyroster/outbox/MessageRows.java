package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.MESSAGE;

import java.time.Instant;
import java.util.Locale;
import jollyroster.core.messages.Channel;
import jollyroster.core.messages.MessagePlan.Entry;
import jollyroster.core.messages.PlanLine;
import jollyroster.platform.tables.tables.records.MessageRecord;

/** Messages as rows, before they are written. */
final class MessageRows {

    private MessageRows() {}

    /** An e-mail. @param occasion the same for the same message, which then goes once */
    static MessageRecord email(
            PlanLine line, Recipient to, String occasion, Instant nominal, Instant due, Instant now) {
        MessageRecord row = new MessageRecord();
        row.setMessageKey(
                "r" + to.registration() + "-" + line.anchor().name().toLowerCase(Locale.ROOT) + "-" + occasion);
        row.setRegistrationId(to.registration());
        row.setSessionId(to.session());
        row.setAnchor(line.anchor().name());
        row.setAmount(line.offset().amount());
        row.setUnit(line.offset().unit().name());
        row.setChannel(Channel.EMAIL.name());
        row.setAudience(line.audience().code());
        row.setRecipient(to.email());
        row.setSubject(Subjects.of(line.anchor(), to.title()));
        row.setState(MessageState.PLANNED.name());
        row.setReason("");
        row.setBody("");
        row.setTemplate("");
        row.setGiven("");
        row.setCalendar("");
        row.setAttempts(0);
        row.setNominalAt(nominal);
        row.setDueAt(due);
        row.setCreatedAt(now);
        row.changed(MESSAGE.ID, false);
        return row;
    }

    /** A text. @param number it goes to; empty where it goes to none and is only kept */
    static MessageRecord text(
            PlanLine line, Recipient to, String number, String occasion, Instant nominal, Instant due, Instant now) {
        MessageRecord row = email(line, to, occasion + "-text", nominal, due, now);
        row.setChannel(Channel.TEXT.name());
        row.setRecipient(number);
        return row;
    }

    /** What a plan comes to for somebody. @param number texts go to; empty for none */
    static MessageRecord of(Entry entry, Recipient to, String number, Instant now) {
        PlanLine line = entry.line();
        String audience = line.isForAll()
                ? ""
                : "-" + Integer.toHexString(line.audience().code().hashCode());
        String occasion = line.offset().amount() + line.offset().unit().name() + audience + "-"
                + to.timing().hours().start().getEpochSecond() + "-" + to.sequence() + "-" + now.toEpochMilli();
        if (entry instanceof Entry.Send send) {
            return row(
                    entry,
                    to,
                    number,
                    occasion,
                    send.time().nominal(),
                    send.time().at(),
                    now);
        }
        Entry.Skip skip = (Entry.Skip) entry;
        MessageRecord row = row(entry, to, number, occasion, skip.nominal(), skip.nominal(), now);
        row.setState(MessageState.WITHDRAWN.name());
        row.setReason(Reasons.of(skip.because()));
        row.setDoneAt(now);
        return row;
    }

    private static MessageRecord row(
            Entry entry, Recipient to, String number, String occasion, Instant nominal, Instant due, Instant now) {
        return entry.channel() == Channel.TEXT
                ? text(entry.line(), to, number, occasion, nominal, due, now)
                : email(entry.line(), to, occasion, nominal, due, now);
    }
}
